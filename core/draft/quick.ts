import { MOST_ASKED, type KeptRequest } from "./request";
import type { Group, GroupSetting } from "~/core/group/schema";
import { sameJson } from "~/core/same-json";
import { protectionsOf } from "~/core/group/protect";
import type { Area } from "~/core/vocabulary/areas";
import type { Kit } from "~/core/vocabulary/kit";
import type { Joint } from "~/core/vocabulary/motions";

/** Something that is asked for, or not any more, in one click. */
export type QuickAsk = { id: string; words: string; on: boolean; toggled: KeptRequest };

/** What is asked for in one click, in groups with the words before each. */
export type QuickAsks = { words: string; asks: QuickAsk[] }[];

const WITH: readonly { kit: Kit; words: string }[] = [
  { kit: "stick", words: "a stick" },
  { kit: "band", words: "a band" },
  { kit: "roller", words: "a roller" },
  { kit: "chair", words: "a chair" },
];
const WITHOUT: readonly { area: Area; words: string }[] = [
  { area: "kneeling", words: "kneeling" },
  { area: "floor", words: "the floor" },
  { area: "wrist-weight", words: "weight on the hands" },
];
const TIGHT: readonly { joints: readonly [Joint, ...Joint[]]; words: string }[] = [
  { joints: ["shoulder", "shoulder-blade"], words: "shoulders" },
  { joints: ["upper-back"], words: "upper back" },
  { joints: ["hip"], words: "hips" },
  { joints: ["ankle"], words: "ankles" },
  { joints: ["neck"], words: "neck" },
];

/**
 * All that can be asked for in one click. Kit that a group does not have is not offered; what it knows is asked for only where it
 * has done something lately.
 */
export function quickAsks(request: KeptRequest, group: Group | undefined): QuickAsks {
  const setting = request.setting ?? group?.setting ?? {};
  const { kit, areas = [] } = setting;
  const none = kit !== undefined && Object.values(kit).every((n) => (n ?? 0) === 0);
  const has = (piece: Kit) => group?.setting.kit === undefined || (group.setting.kit[piece] ?? 0) > 0;
  const withSetting = (changed: GroupSetting): KeptRequest => {
    const { setting: _, ...rest } = request;
    // Back at the group's own, it is the group's own again.
    return sameJson(changed, group?.setting ?? {}) ? rest : { ...rest, setting: changed };
  };
  const using = (piece: Kit): KeptRequest =>
    request.using.includes(piece)
      ? { ...request, using: request.using.filter((one) => one !== piece) }
      : { ...(none ? withKit() : request), using: [...request.using, piece].slice(-MOST_ASKED) };
  const withKit = (): KeptRequest => {
    const { kit: _, ...rest } = setting;
    return withSetting({ ...rest, ...(group?.setting.kit && { kit: group.setting.kit }) });
  };
  const protects = (area: Area) => protectionsOf(areas).some((one) => one.area === area);
  const without = (area: Area): KeptRequest => {
    const { areas: _, ...rest } = setting;
    const left = areas.filter((one) => protectionsOf([one])[0]!.area !== area);
    const now = protects(area) ? left : [...areas, { area }];
    return withSetting(now.length > 0 ? { ...rest, areas: now } : rest);
  };
  const tight = (joints: readonly [Joint, ...Joint[]]): KeptRequest =>
    joints.every((joint) => request.tight.includes(joint))
      ? { ...request, tight: request.tight.filter((joint) => !joints.includes(joint)) }
      : {
          ...request,
          tight: [...request.tight.filter((joint) => !joints.includes(joint)), ...joints].slice(-MOST_ASKED),
        };
  const familiar = (way: "new" | "known"): KeptRequest => {
    const { familiar: now, ...rest } = request;
    return now === way ? rest : { ...rest, familiar: way };
  };
  return [
    {
      words: "With",
      asks: [
        ...WITH.filter((one) => has(one.kit)).map(({ kit: piece, words }) => ({
          id: `with-${piece}`,
          words,
          on: request.using.includes(piece),
          toggled: using(piece),
        })),
        {
          id: "no-kit",
          words: "no kit",
          on: none,
          toggled: none ? withKit() : { ...withSetting({ ...setting, kit: {} }), using: [] },
        },
      ],
    },
    {
      words: "Without",
      asks: WITHOUT.map(({ area, words }) => ({
        id: `without-${area}`,
        words,
        on: protects(area),
        toggled: without(area),
      })),
    },
    {
      words: "More for",
      asks: TIGHT.map(({ joints, words }) => ({
        id: `more-${joints[0]}`,
        words,
        on: joints.every((joint) => request.tight.includes(joint)),
        toggled: tight(joints),
      })),
    },
    ...((group?.shown?.length ?? 0) > 0
      ? [
          {
            words: "And",
            asks: [
              { id: "new", words: "something new", on: request.familiar === "new", toggled: familiar("new") },
              { id: "known", words: "what they know", on: request.familiar === "known", toggled: familiar("known") },
            ],
          },
        ]
      : []),
  ];
}
