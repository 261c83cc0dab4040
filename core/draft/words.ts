import { AT_HAND, type KeptRequest } from "./request";
import { KIT, KIT_FACTS } from "~/core/vocabulary/kit";
import { JOINT_PLURALS, MOTION_FACTS, MOTIONS, type Motion } from "~/core/vocabulary/motions";
import { METHODS } from "~/core/vocabulary/methods";
import type { Drill } from "~/core/drills/schema";
import type { Group, GroupSetting } from "~/core/group/schema";
import type { Purpose, SessionPlan } from "~/core/session/schema";
import { protectionsOf } from "~/core/group/protect";
import { protectionWords } from "~/core/wording/areas";
import { secondsText } from "~/core/lengths";
import { fewWords, listWords, METHOD_WORDS, PURPOSE_WORDS } from "~/core/wording/words";

const few = (names: readonly string[], most = 2): string => fewWords(names, most);

/** Motions picked by hand, the weightiest first: “hip turning in, hip turning out and 2 more”. */
export function rowsWords(rows: Partial<Record<Motion, number>>): string {
  const picked = MOTIONS.filter((row) => (rows[row] ?? 0) > 0).sort((a, b) => rows[b]! - rows[a]!);
  return picked.length === 0 ? "no motion yet" : few(picked.map((row) => MOTION_FACTS[row].words));
}

/** The ways of working, as the end of “by …”. */
export function methodsWords({ methods, preferred }: Pick<KeptRequest, "methods" | "preferred">): string {
  const out = methods ? METHODS.filter((method) => !methods.includes(method)) : [];
  const only = methods && methods.length <= out.length ? few(methods.map((method) => METHOD_WORDS[method])) : undefined;
  const without = out.length > 0 ? `anything but ${few(out.map((method) => METHOD_WORDS[method]))}` : "any method";
  const rather =
    preferred && preferred.length > 0 ? `, preferably ${few(preferred.map((method) => METHOD_WORDS[method]))}` : "";
  return `${only ?? without}${rather}`;
}

/** Kit and floor, as the end of “with …”. */
export function kitWords({ kit, floor }: GroupSetting, purpose?: Purpose): string {
  const pieces = kit && KIT.filter((piece) => (kit[piece] ?? 0) > 0);
  return `${!pieces ? (purpose && AT_HAND[purpose] ? "what any room has" : "whatever kit there is") : pieces.length === 0 ? "no kit at all" : `${pieces.length} ${pieces.length === 1 ? "kind" : "kinds"} of kit`}${floor === undefined ? "" : `, ${floor} m of floor`}`;
}

/** What is protected and capped, as the end of “minding …”. */
export function mindingWords(
  { areas, effortCap, holdCap, support, mixed }: GroupSetting,
  group: Group | undefined,
): string {
  const people = group?.people.filter((person) => person.areas.length > 0).length ?? 0;
  const said = [
    ...(areas && areas.length > 0 ? [few(protectionsOf(areas).map(protectionWords))] : []),
    ...(people > 0 ? [`what ${people} ${people === 1 ? "person protects" : "people protect"}`] : []),
    ...(effortCap !== undefined ? [`effort up to ${effortCap} %`] : []),
    ...(holdCap !== undefined ? [`holds up to ${secondsText(holdCap)}`] : []),
    ...(support ? ["balance"] : []),
    ...(mixed ? ["mixed abilities"] : []),
  ];
  return said.length === 0 ? "no limits" : few(said, 3);
}

/** Drills that must, must not or should rather be in it, as the end of “keeping …”. */
export function keepingWords(
  { must, never, locked, like }: Pick<KeptRequest, "must" | "never" | "locked" | "like">,
  drills: (id: string) => Drill | undefined,
): string {
  const names = (ids: readonly string[]) => few(ids.map((id) => drills(id)?.name ?? id));
  const said = [
    ...(locked.length > 0 ? [`${names(locked.map((one) => one.drill))} locked`] : []),
    ...(must.length > 0 ? [`with ${names(must)}`] : []),
    ...(never.length > 0 ? [`without ${names(never)}`] : []),
    ...(like.length > 0 ? [`${like.length} drills again where they fit`] : []),
  ];
  return said.length === 0 ? "any that fit" : said.join("; ");
}

/** What becomes of what a group did last, as the end of “, and …”. */
export const differWords = (differ: number): string =>
  differ === 0
    ? "repeating what fits best"
    : differ === 1
      ? "changing half of last time"
      : `changing half of each of the last ${differ === 2 ? "two" : "three"}`;

/** What that comes to, as a whole sentence that names the sessions. */
export const differSentence = (lately: readonly { title: string }[]): string =>
  `At most half of the drills of ${listWords(lately.map(({ title }) => `“${title}”`))} come again${lately.length > 1 ? ", of each" : ""}.`;

/** How many of a session's drills were not in another. */
export function otherThan(session: SessionPlan, drills: readonly string[]): { other: number; of: number } {
  const mine = [...new Set(session.blocks.flatMap((block) => block.items.map((item) => item.drill)))];
  return { other: mine.filter((id) => !drills.includes(id)).length, of: mine.length };
}

/** What a session drafted for a request is called: its own name, or who and what it is for. */
export const titleFor = (
  request: Pick<KeptRequest, "title" | "purpose">,
  who: string | undefined,
  what: string,
): string =>
  request.title !== "Draft" ? request.title : `${who ?? what}, ${PURPOSE_WORDS[request.purpose]}`.slice(0, 120);

/** What was asked for in a word, as parts of the sentence: kit, joints, and what the group knows. */
export const askedWords = ({ using, tight, familiar }: Pick<KeptRequest, "using" | "tight" | "familiar">): string[] => [
  ...(using.length > 0 ? [`something with a ${listWords(using.map((piece) => KIT_FACTS[piece].words))}`] : []),
  ...(tight.length > 0
    ? [
        `more for the ${listWords(tight.filter((joint) => joint !== "shoulder-blade" || !tight.includes("shoulder")).map((joint) => JOINT_PLURALS[joint]))}`,
      ]
    : []),
  ...(familiar === "new" ? ["something new to them"] : familiar === "known" ? ["what they know"] : []),
];
