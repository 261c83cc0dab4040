import { usualSchool } from "~/core/arc/schools";
import { DrillsPart } from "./drills-part";
import { ChoicePart, SheetPart, TextPart } from "./parts";
import { RowsPart } from "./rows-part";
import { Button } from "~/app/ui/button";
import { useDrills } from "~/app/ui/drills";
import { IntervalChoice } from "~/app/ui/interval-choice";
import { SettingFields } from "~/app/ui/setting-fields";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { type KeptRequest, AT_HAND, SUITS } from "~/core/draft/request";
import {
  askedWords,
  differSentence,
  differWords,
  keepingWords,
  kitWords,
  methodsWords,
  mindingWords,
  rowsWords,
} from "~/core/draft/words";
import { KIT_FACTS } from "~/core/vocabulary/kit";
import { MOTIONS } from "~/core/vocabulary/motions";
import { METHODS, type Method } from "~/core/vocabulary/methods";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import { LEVELS } from "~/core/vocabulary/levels";
import { PURPOSES } from "~/core/session/schema";
import { ClockedParts, clockWords } from "./clocked-parts";
import type { Arc } from "~/core/arc/schema";
import { LEVEL_WORDS, listWords, METHOD_WORDS, PURPOSE_WORDS } from "~/core/wording/words";
import { SEQUENCINGS } from "~/library/sequencings";

type Props = {
  request: KeptRequest;
  onRequest: (request: KeptRequest) => void;
  length: string;
  onLength: (text: string) => void;
  badLength: boolean;
  groupId: string | null;
  onGroup: (id: string | null) => void;
  groups: readonly { id: string; group: Group }[];
  group: Group | undefined;
  demands: readonly SportProfile[];
  /** By which it will be drafted. */
  arc: Arc;
  offered: readonly Drill[];
};

const LEVEL_CHOICES = LEVELS.map((value) => ({ value, words: LEVEL_WORDS[value] }));

/** The whole request as a sentence; every part of it that can be otherwise is underlined. */
export function Sentence({
  request,
  onRequest,
  length,
  onLength,
  badLength,
  groupId,
  onGroup,
  groups,
  group,
  demands,
  arc,
  offered,
}: Props) {
  const drills = useDrills();
  const set = (part: Partial<KeptRequest>) => onRequest({ ...request, ...part });
  const { demand } = request;
  const picked = typeof demand !== "string" && "rows" in demand && !("id" in demand) ? demand.rows : undefined;
  const known = typeof demand === "string" ? demand : "id" in demand ? demand.id : "picked";
  const setting = request.setting ?? group?.setting ?? {};
  const lately = group?.lately ?? [];
  const differ = Math.min(request.differ, lately.length);
  const asked = askedWords(request);
  const schoolId = request.school ?? usualSchool(request.purpose);
  const school = SEQUENCINGS.find((one) => one.id === schoolId);
  return (
    <p className="text-xl leading-[2.05] text-ink-soft max-md:text-lg">
      For{" "}
      <ChoicePart
        label="Group"
        value={groupId ?? ""}
        options={[{ value: "", words: "anyone" }, ...groups.map((g) => ({ value: g.id, words: g.group.name }))]}
        onChange={(id) => onGroup(id || null)}
      />
      ,{" "}
      <ChoicePart
        label="Purpose"
        value={request.purpose}
        options={PURPOSES.map((value) => ({ value, words: PURPOSE_WORDS[value] }))}
        onChange={(purpose) => set({ purpose, clockIn: undefined })}
      />
      :{" "}
      <TextPart
        label="Length in minutes"
        value={length}
        bad={badLength}
        hint="2 to 120 minutes, like 12 or 12:30."
        onChange={onLength}
      />{" "}
      minutes for{" "}
      <ChoicePart
        label="Sport profile"
        value={known}
        options={[
          ...(typeof demand === "string" && !demands.some((d) => d.id === demand)
            ? [{ value: demand, words: "a profile that is gone" }]
            : []),
          ...demands.map((d) => ({
            value: d.id,
            words: `${d.name.charAt(0).toLowerCase()}${d.name.slice(1)}`,
          })),
          { value: "picked", words: "motions picked by hand" },
        ]}
        onChange={(id) =>
          set({ demand: id === "picked" ? { rows: topRows(demands.find((d) => d.id === known)) } : id })
        }
      />
      {picked && (
        <>
          :{" "}
          <SheetPart label="Motions" words={rowsWords(picked)} wide>
            <RowsPart rows={picked} onRows={(rows) => set({ demand: { rows } })} />
          </SheetPart>
        </>
      )}
      {request.purpose === "before-lifting" && (
        <>
          , under the bar for the{" "}
          <ChoicePart
            label="Lift"
            value={request.lift ?? "squat"}
            options={[
              { value: "squat", words: "squat" },
              { value: "hinge", words: "hinge" },
              { value: "press", words: "press" },
            ]}
            onChange={(lift) => set({ lift })}
          />
        </>
      )}
      , sequenced{" "}
      <ChoicePart
        label="Sequencing"
        value={schoolId}
        options={SEQUENCINGS.map((one) => ({
          value: one.id,
          words: `${one.name.charAt(0).toLowerCase()}${one.name.slice(1)}`,
        }))}
        onChange={(id) => set({ school: id === usualSchool(request.purpose) ? undefined : id })}
      />
      , at the{" "}
      <ChoicePart label="Level" value={request.level} options={LEVEL_CHOICES} onChange={(level) => set({ level })} />{" "}
      level, using{" "}
      <SheetPart label="Methods" words={methodsWords(request)}>
        <MethodsPart request={request} onRequest={onRequest} />
      </SheetPart>
      , timed by{" "}
      <SheetPart label="Work and rest" words={clockWords(request, arc)}>
        <p className="text-sm text-ink-soft">
          On a shared clock every side of every drill gets the same time, and changes and showing happen in the rest.
          Slow breath and a lift keep their own.
        </p>
        <IntervalChoice
          value={request.interval}
          onChange={(interval) => {
            const { interval: _, clockIn, ...rest } = request;
            onRequest(interval ? { ...rest, interval, ...(clockIn && { clockIn }) } : rest);
          }}
        />
        {request.interval && <ClockedParts request={request} onRequest={onRequest} arc={arc} />}
      </SheetPart>
      , with{" "}
      <SheetPart label="Kit and floor" words={kitWords(setting, request.purpose)} wide>
        <SettingPart only="kit" request={request} onRequest={onRequest} group={group} />
      </SheetPart>
      , respecting{" "}
      <SheetPart label="Protected areas and caps" words={mindingWords(setting, group)} wide>
        <SettingPart only="people" request={request} onRequest={onRequest} group={group} />
      </SheetPart>
      , drills:{" "}
      <SheetPart label="Drills" words={keepingWords(request, drills)} wide>
        <DrillsPart request={request} onRequest={onRequest} offered={offered} />
      </SheetPart>
      {asked.length > 0 && (
        <>
          , with <span className="font-semibold text-ink">{listWords(asked)}</span>
        </>
      )}
      {lately.length > 0 && (
        <>
          , and{" "}
          <ChoicePart
            label="Variety"
            value={String(differ)}
            options={[...Array(lately.length + 1).keys()].map((n) => ({ value: String(n), words: differWords(n) }))}
            onChange={(n) => set({ differ: Number(n) })}
          />
        </>
      )}
      {school && (
        <span className="mt-1 block text-sm leading-snug text-ink-faint">
          {school.about}
          {differ > 0 && ` ${differSentence(lately.slice(0, differ))}`}
        </span>
      )}
    </p>
  );
}

/** What a profile weighs most, to begin picking from. */
function topRows(demand: SportProfile | undefined): Partial<Record<(typeof MOTIONS)[number], number>> {
  const rows = MOTIONS.filter((row) => (demand?.rows[row]?.weight ?? 0) > 0)
    .sort((a, b) => demand!.rows[b]!.weight - demand!.rows[a]!.weight)
    .slice(0, 4);
  return rows.length > 0
    ? Object.fromEntries(rows.map((row) => [row, demand!.rows[row]!.weight]))
    : { "hip.flex": 1, "th.rot": 1 };
}

const WAYS = [
  { value: "out", words: "leave out" },
  { value: "fine", words: "fine" },
  { value: "rather", words: "prefer" },
] as const;

function MethodsPart({ request, onRequest }: { request: KeptRequest; onRequest: (request: KeptRequest) => void }) {
  const { methods, preferred } = request;
  const at = (method: Method) =>
    methods && !methods.includes(method) ? "out" : preferred?.includes(method) ? "rather" : "fine";
  const choose = (method: Method, way: (typeof WAYS)[number]["value"]) => {
    const open = METHODS.filter((m) => (m === method ? way !== "out" : at(m) !== "out"));
    const rather = METHODS.filter((m) => (m === method ? way === "rather" : at(m) === "rather"));
    if (open.length === 0) return;
    const { methods: _m, preferred: _p, ...rest } = request;
    onRequest({
      ...rest,
      ...(open.length < METHODS.length && { methods: open }),
      ...(rather.length > 0 && { preferred: rather }),
    });
  };
  return (
    <>
      <p className="text-sm text-ink-soft">
        Unless you say otherwise, Mapset prefers what suits {PURPOSE_WORDS[request.purpose]}:{" "}
        {listWords(SUITS[request.purpose].map((method) => METHOD_WORDS[method]))}. Effort ramps come only where the
        group’s cap allows them, or where you prefer them.
      </p>
      <div className="flex flex-col">
        {METHODS.map((method) => (
          <fieldset
            key={method}
            className="grid grid-cols-[1fr_auto] items-center gap-3 border-b border-line/60 py-1 text-sm"
          >
            <legend className="sr-only">{METHOD_WORDS[method]}</legend>
            <span aria-hidden>{METHOD_WORDS[method]}</span>
            <span className="flex gap-3">
              {WAYS.map(({ value, words }) => (
                <label key={value} className="inline-flex min-h-7 items-center gap-1">
                  <input
                    type="radio"
                    name={`way-${method}`}
                    className="size-4 accent-(--depth-5)"
                    checked={at(method) === value}
                    onChange={() => choose(method, value)}
                  />{" "}
                  {words}
                </label>
              ))}
            </span>
          </fieldset>
        ))}
      </div>
    </>
  );
}

function SettingPart({
  only,
  request,
  onRequest,
  group,
}: {
  only: "kit" | "people";
  request: KeptRequest;
  onRequest: (request: KeptRequest) => void;
  group: Group | undefined;
}) {
  const own = request.setting !== undefined;
  const atHand = AT_HAND[request.purpose];
  const back = () => {
    const { setting: _, ...rest } = request;
    onRequest(rest);
  };
  return (
    <>
      <p className="text-sm text-ink-soft">
        {group
          ? own
            ? `For this session only; ${group.name}’s own settings don’t change.`
            : `From ${group.name}. What you change here is for this session only.`
          : "Anything you don’t tick is not checked."}{" "}
        {own && (
          <Button kind="quiet" size="small" className="min-h-7 px-1.5 py-0 underline" onClick={back}>
            {group ? "Back to the group’s own" : "Clear"}
          </Button>
        )}
      </p>
      {only === "kit" && (request.setting ?? group?.setting)?.kit === undefined && atHand && (
        <p className="text-sm text-ink-soft">
          With no kit listed, Mapset uses only what any room has:{" "}
          {listWords(atHand.map((piece) => KIT_FACTS[piece].words))}.
        </p>
      )}
      {only === "people" && group && group.people.some((person) => person.areas.length > 0) && (
        <p className="text-sm text-ink-soft">
          What single people protect counts too: they do something else in the same time.
        </p>
      )}
      <SettingFields
        only={only}
        setting={request.setting ?? group?.setting ?? {}}
        onChange={(setting) => onRequest({ ...request, setting })}
      />
    </>
  );
}
