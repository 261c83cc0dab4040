import { servedOf } from "~/core/audit/course";
import { liftOf } from "~/core/arc/lift";
import { formIn, needsOf } from "~/core/drills/form";
import { Plus } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import type { Setting } from "~/core/documents/setting";
import type { DeskCopy } from "./save";
import { useDrills } from "~/app/ui/drills";
import { petalWords, Roses, type Looked } from "~/app/ui/roses";
import { NeedsMet } from "~/app/ui/explain";
import { ShortRow } from "~/app/ui/short-row";
import type { Desk } from "./use-desk";
import type { Insights } from "./use-insights";
import { Button } from "~/app/ui/button";
import { SelectField } from "~/app/ui/field";
import { Still } from "~/app/ui/figure/still";
import { coverageOf } from "~/core/coverage/coverage";
import { planeShares, rosesOf } from "~/core/sport-profiles/roses";
import { missingRows } from "~/core/sport-profiles/fit";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { MOTION_FACTS, type Motion } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import { protectionsOf, spares } from "~/core/group/protect";
import { piecesThere } from "~/core/group/kit";
import { clockText, secondsText } from "~/core/lengths";
import { PLANE_WORDS } from "~/core/wording/areas";
import { capital } from "~/core/wording/words";
import { doseWords } from "~/core/dose/dose";
import { compile } from "~/core/timeline/compile";
import { POSTURE_WORDS, type Posture } from "~/core/vocabulary/postures";

type Props = {
  id: string;
  desk: Desk;
  insights: Insights;
  demand: SportProfile | undefined;
  demands: readonly SportProfile[];
  offered: readonly Drill[];
  others: readonly { id: string; title: string }[];
  picked: Motion | undefined;
  onPicked: (row: Motion | undefined) => void;
  onSetting: (part: Partial<Setting>) => void;
};

/** What the session covers of its sport profile: roses on a body, what is short, planes and postures. */
export function RangesPanel({
  id,
  desk,
  insights,
  demand,
  demands,
  offered,
  others,
  picked,
  onPicked,
  onSetting,
}: Props) {
  const { coverage, input, fit } = insights;
  const [looked, setLooked] = useState<Looked>();
  const [compared, setCompared] = useState("");
  const other = useOther(compared);
  const served = servedOf(input);
  const { demand: asked } = input;
  const lift = asked && liftOf(input.session, input.drills, input.arc);
  const { roses } = useMemo(
    () => rosesOf(coverage, { demand: asked, served, other }),
    [coverage, asked, served, other],
  );
  const short = asked ? missingRows(coverage, asked, served).slice(0, 5) : [];
  return (
    <div className="flex flex-col gap-3 p-4">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="wide-type text-lg font-semibold">Ranges</h2>
        {fit !== undefined && (
          <p className="text-sm text-ink-soft">
            needs met <NeedsMet /> <span className="clock-type text-2xl text-ink">{Math.round(fit * 100)} %</span>
          </p>
        )}
      </div>
      <SelectField
        label="Sport profile"
        value={demand?.id ?? ""}
        options={[{ value: "", words: "none" }, ...demands.map((d) => ({ value: d.id, words: d.name }))]}
        onChange={(demandId) => onSetting({ demandId: demandId || null })}
      />
      {lift && <p className="text-sm text-ink-soft">Before a {lift}, the joints it loads count most.</p>}
      <div>
        <Roses roses={roses} looked={looked} onLook={setLooked} onPick={({ petal }) => onPicked(petal.row)} />
        <p className="line-clamp-3 h-[3.9rem] text-sm text-ink-soft" aria-live="polite">
          {looked ? (
            <PetalLine looked={looked} desk={desk} demand={demand} />
          ) : demand ? (
            "Filled: what the session works. Outline: what the sport needs. Point at a petal for its time, press it for drills."
          ) : (
            "Choose a sport profile to see what it needs as outlines. Point at a petal for its time, press it for drills."
          )}
        </p>
      </div>
      {picked && (
        <DrillsFor
          id={id}
          row={picked}
          desk={desk}
          offered={offered}
          group={input.group}
          onClose={() => onPicked(undefined)}
        />
      )}
      {short.length > 0 && (
        <section>
          <h3 className="font-semibold">Not enough of</h3>
          <ul className="text-sm">
            {short.map(({ row, has, wants }) => (
              <ShortRow key={row} why={demand?.rows[row]?.why} has={has} wants={wants}>
                <button
                  type="button"
                  className="min-h-7 text-left underline decoration-line underline-offset-4 hover:decoration-ink"
                  onClick={() => onPicked(row)}
                >
                  {MOTION_FACTS[row].words}
                </button>
              </ShortRow>
            ))}
          </ul>
        </section>
      )}
      <Planes insights={insights} />
      <Postures insights={insights} />
      <SelectField
        label="Compare with"
        value={compared}
        options={[
          { value: "", words: "nothing" },
          ...others.filter((o) => o.id !== id).map((o) => ({ value: o.id, words: o.title })),
        ]}
        onChange={setCompared}
      />
      {compared && <p className="text-xs text-ink-faint">Dashed: the other session.</p>}
      <Link
        to={demand ? `/library/profiles/${demand.id}` : "/library/profiles"}
        className="self-start text-sm text-ink-soft underline underline-offset-4"
      >
        {demand ? `What ${demand.name.toLowerCase()} needs, and why` : "Sport profiles"}
      </Link>
    </div>
  );
}

/** Coverage of another of the coach's sessions, fetched when it is chosen. */
function useOther(id: string) {
  const drills = useDrills();
  const [copy, setCopy] = useState<DeskCopy>();
  useEffect(() => {
    setCopy(undefined);
    if (!id) return;
    let gone = false;
    void fetch(`/sessions/${id}/save`).then(
      async (r) => !gone && r.ok && setCopy((await r.json()) as DeskCopy),
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [id]);
  return useMemo(() => copy && coverageOf(copy.doc, compile(copy.doc, drills), drills), [copy, drills]);
}

function PetalLine({ looked, desk, demand }: { looked: Looked; desk: Desk; demand: SportProfile | undefined }) {
  const drills = useDrills();
  const { row } = looked.petal;
  const feeds = [
    ...new Set(
      desk.session.blocks
        .flatMap((block) => block.items)
        .flatMap((item) => {
          const drill = formIn(item, drills);
          const level = drill?.levels[item.level];
          return drill && level && (level.main.includes(row) || level.also.includes(row)) ? [drill.name] : [];
        }),
    ),
  ];
  return (
    <>
      <span className="font-semibold text-ink">{capital(petalWords(looked))}</span> · {MOTION_FACTS[row].plain}
      {feeds.length > 0
        ? ` · from ${feeds.slice(0, 3).join(", ")}${feeds.length > 3 ? ` and ${feeds.length - 3} more` : ""}`
        : " · no drill in this session works it"}
      {demand?.rows[row] && looked.petal.wants !== undefined && ` · ${demand.rows[row].why}`}
    </>
  );
}

/** Drills that would feed a petal; the ones the group cannot do are not offered. */
function DrillsFor({
  id,
  row,
  desk,
  offered,
  group,
  onClose,
}: {
  id: string;
  row: Motion;
  desk: Desk;
  offered: readonly Drill[];
  group: Insights["input"]["group"];
  onClose: () => void;
}) {
  const protections = protectionsOf([
    ...(group?.setting.areas ?? []),
    ...(group?.people.flatMap((p) => p.areas) ?? []),
  ]);
  const found = offered.filter(
    (drill) =>
      drill.levels.standard.main.includes(row) &&
      spares(drill, "standard", protections) &&
      (!group || piecesThere(needsOf(drill.levels.standard), Math.max(1, group.people.length), group.setting)),
  );
  // Asked for from a finding it may be out of sight.
  const section = useRef<HTMLElement>(null);
  useEffect(() => {
    section.current?.scrollIntoView({ block: "nearest" });
  }, [row]);
  return (
    <section
      ref={section}
      className="rounded-md border border-line bg-paper p-2"
      aria-label={`Drills for ${MOTION_FACTS[row].words}`}
    >
      <div className="flex items-center justify-between gap-2">
        <h3 className="font-semibold">
          {capital(MOTION_FACTS[row].words)}{" "}
          <span className="font-normal text-ink-faint">({MOTION_FACTS[row].plain})</span>
        </h3>
        <Link
          to={`/sessions/draft?session=${id}&row=${row}`}
          className="ml-auto text-sm whitespace-nowrap underline underline-offset-4"
        >
          Draft for it
        </Link>
        <Button kind="quiet" size="small" onClick={onClose}>
          Close
        </Button>
      </div>
      {found.length === 0 ? (
        <p className="text-sm text-ink-soft">
          No drill works this first{group ? " with this group’s kit and protected areas" : ""}.
        </p>
      ) : (
        <ul className="max-h-72 overflow-y-auto">
          {found.map((drill) => (
            <li key={drill.id} className="flex items-center gap-2 border-b border-line/60 py-1">
              <Still drill={drill.id} size={56} />
              <span className="min-w-0 flex-1 text-sm">
                <span className="block font-medium wrap-anywhere">{drill.name}</span>
                <span className="block truncate text-ink-soft">
                  {POSTURE_WORDS[drill.levels.standard.posture]} · {doseWords(drill.levels.standard.dose)}
                </span>
              </span>
              <Button size="small" onClick={() => desk.addDrill(drill)} aria-label={`Add ${drill.name}`}>
                <Plus size={14} aria-hidden /> Add
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Planes({ insights }: { insights: Insights }) {
  return (
    <section>
      <h3 className="font-semibold">Planes</h3>
      <dl className="grid grid-cols-[7.5rem_minmax(0,1fr)_3.2rem] items-center gap-x-2 text-sm">
        {planeShares(insights.coverage).map(({ plane, seconds, share }) => (
          <div key={plane} className="contents">
            <dt className="text-ink-soft">{PLANE_WORDS[plane]}</dt>
            <dd aria-hidden>
              <svg viewBox="0 0 100 8" preserveAspectRatio="none" className="h-2.5 w-full">
                <rect width={100} height={8} fill="var(--land-deep)" />
                <rect width={share * 100} height={8} fill="var(--depth-4)" />
              </svg>
            </dd>
            <dd className="text-right">{clockText(seconds)}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

function Postures({ insights }: { insights: Insights }) {
  const sums = new Map<Posture, number>();
  for (const segment of insights.input.timeline.segments)
    if (segment.kind === "work") sums.set(segment.posture, (sums.get(segment.posture) ?? 0) + segment.seconds);
  const list = [...sums].sort((a, b) => b[1] - a[1]);
  return (
    <section>
      <h3 className="font-semibold">Positions</h3>
      <p className="text-sm text-ink-soft">
        {list.map(([posture, seconds]) => `${POSTURE_WORDS[posture]} ${secondsText(Math.round(seconds))}`).join(" · ")}
      </p>
    </section>
  );
}
