import { servedSeconds } from "~/core/arc/arcs";
import { inLines } from "~/core/group/lines";
import type { Arc } from "~/core/arc/schema";
import { CautionList } from "~/app/ui/cautions";
import { formIn } from "~/core/drills/form";
import { Lock, LockOpen, Replace, Undo2 } from "lucide-react";
import { useMemo, useState } from "react";
import { Form, useNavigation } from "react-router";
import type { Beside, Swaps, useDrafter } from "./use-drafter";
import type { OfferedSwap } from "~/app/workers/draft";
import { Button, IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { useDrills } from "~/app/ui/drills";
import { Still } from "~/app/ui/figure/still";
import { MiniProfilePicture } from "~/app/ui/mini-profile";
import { petalWords, Roses, type Looked } from "~/app/ui/roses";
import { NeedsMet } from "~/app/ui/explain";
import { ShortRow } from "~/app/ui/short-row";
import { coverageOf } from "~/core/coverage/coverage";
import { kitList } from "~/core/coverage/kit-list";
import { rosesOf } from "~/core/sport-profiles/roses";
import type { SportProfile } from "~/core/sport-profiles/schema";
import type { Draft } from "~/core/draft/draft";
import type { Reason, Stated } from "~/core/draft/explain";
import type { KeptRequest, WrittenRequest } from "~/core/draft/request";
import { otherThan } from "~/core/draft/words";
import { MOTION_FACTS } from "~/core/vocabulary/motions";
import { piecesFor } from "~/core/group/kit";
import { miniProfile } from "~/core/profile/mini";
import { profileOf } from "~/core/profile/profile";
import type { Place } from "~/core/session/edits";
import type { Item, SessionPlan } from "~/core/session/schema";
import { clockText } from "~/core/lengths";
import { capital, itemWords, listWords } from "~/core/wording/words";
import { compile } from "~/core/timeline/compile";

type Props = {
  number: number;
  draft: Draft;
  swapped: Stated[];
  onSwapped: (versions: Stated[]) => void;
  asked: WrittenRequest;
  /** By which it was drafted. */
  arc: Arc;
  demand: SportProfile | undefined;
  beside: Beside;
  request: KeptRequest;
  onRequest: (request: KeptRequest) => void;
  onSwaps: ReturnType<typeof useDrafter>["swaps"];
  /** Shown in all drafts or in none, so that they compare. */
  showRoses: boolean;
  onShowRoses: (shown: boolean) => void;
};

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** One draft: what it is worth, what it looks like, and every drill with its reasons; drills can be swapped and locked. */
export function DraftCard({
  number,
  draft,
  swapped,
  onSwapped,
  asked,
  arc,
  demand,
  beside,
  request,
  onRequest,
  onSwaps,
  showRoses,
  onShowRoses,
}: Props) {
  const drills = useDrills();
  const now: Stated = swapped.at(-1) ?? draft;
  const [open, setOpen] = useState<string>();
  const [looked, setLooked] = useState<Looked>();
  const opening = useNavigation().state !== "idle";
  const { session } = now;
  const timeline = useMemo(() => compile(session, drills), [session, drills]);
  const profile = useMemo(() => miniProfile(profileOf(session, timeline), 400, 76), [session, timeline]);
  const { roses } = useMemo(
    () =>
      rosesOf(coverageOf(session, timeline, drills, inLines(asked.group)), {
        demand,
        served: servedSeconds(arc, asked.target),
        other: undefined,
      }),
    [session, timeline, drills, demand, arc, asked.target, asked.group],
  );
  const { group } = asked;
  const kit = kitList(session, drills);
  const last = group?.lately?.[0];
  const since = otherThan(session, last?.drills ?? []);
  const people = Math.max(1, group?.people.length ?? 1);
  const swap = ({ stated }: OfferedSwap) => {
    onSwapped([...swapped, stated]);
    setOpen(undefined);
  };
  const lock = (item: Item) =>
    onRequest({
      ...request,
      locked: request.locked.some((one) => one.drill === item.drill)
        ? request.locked.filter((one) => one.drill !== item.drill)
        : [...request.locked, { drill: item.drill, level: item.level, dose: item.dose }],
    });
  const bound = Math.max(draft.bound, now.fit);
  return (
    <article
      aria-label={`Draft ${number}`}
      className="flex min-w-0 flex-col gap-3 rounded-lg border border-line bg-land p-4"
    >
      <header className="flex items-start gap-3">
        <div className="min-w-0 flex-1">
          <h2 className="wide-type text-lg leading-tight font-semibold">Draft {number}</h2>
          <p className="min-h-11 text-sm text-ink-soft">
            {swapped.length > 0
              ? `With ${swapped.length} ${swapped.length === 1 ? "drill" : "drills"} swapped`
              : capital(draft.differs || "The only one")}
          </p>
        </div>
        <p className="text-right">
          <span className="clock-type block text-3xl leading-none">{clockText(now.seconds)}</span>
          <span className="text-xs text-ink-faint">of {clockText(asked.target)}</span>
        </p>
      </header>
      <MiniProfilePicture profile={profile} className="h-20 w-full" />
      <dl className="grid grid-cols-[7.5rem_1fr] items-center gap-x-3 gap-y-1 text-sm">
        <dt className="flex items-center text-ink-soft">
          Needs met <NeedsMet />
        </dt>
        <dd className="flex flex-wrap items-center gap-x-2">
          <svg viewBox="0 0 100 8" preserveAspectRatio="none" className="h-2.5 min-w-16 flex-1" aria-hidden>
            <rect width={100} height={8} fill="var(--land-deep)" />
            <rect width={bound * 100} height={8} fill="var(--depth-2)" />
            <rect width={now.fit * 100} height={8} fill="var(--depth-5)" />
          </svg>
          <span className="font-semibold">{percent(now.fit)}</span>
          <span
            className="whitespace-nowrap text-ink-faint"
            title="The solver has proved that no session for this request can meet more"
          >
            {bound - now.fit < 0.005
              ? "the most possible"
              : `${((1 - now.fit / bound) * 100).toFixed(1)} % below the most possible`}
          </span>
        </dd>
        <dt className="text-ink-soft">Positions</dt>
        <dd>{now.postureChanges === 1 ? "1 change" : `${now.postureChanges} changes`}</dd>
        <dt className="text-ink-soft">Kit</dt>
        <dd>
          {kit.length === 0
            ? "none"
            : listWords(
                kit.map(({ kit: piece, pieces, words }) =>
                  group
                    ? `${piecesFor(piece, pieces, people)} × ${words}`
                    : pieces > 1
                      ? `${pieces} × ${words}`
                      : words,
                ),
              )}
        </dd>
        {last && (
          <>
            <dt className="text-ink-soft">Last time</dt>
            <dd title={`Against “${last.title}”`}>
              {since.other === 0
                ? "the same drills"
                : since.other === since.of
                  ? "all drills different"
                  : `${since.other} of ${since.of} drills different`}
            </dd>
          </>
        )}
      </dl>
      {now.cautions.length > 0 && (
        <ul className="border-l-4 border-plum bg-plum-wash px-3 py-1.5 text-sm">
          {now.cautions.slice(0, 4).map((says) => (
            <li key={says}>{says}</li>
          ))}
          {now.cautions.length > 4 && (
            <li className="text-ink-soft">and {now.cautions.length - 4} more; you’ll see them all at the desk.</li>
          )}
        </ul>
      )}
      <div className="flex flex-col">
        {session.blocks.map((block, b) => (
          <section key={`${b} ${block.title}`}>
            <h3 className="mt-2 border-b border-line pb-0.5 text-xs font-semibold tracking-wide text-ink-faint">
              {block.title}
            </h3>
            <ol>
              {block.items.map((item, i) => (
                <DrillLine
                  key={`${item.drill} ${i}`}
                  item={item}
                  reason={now.reasons[b]![i]!}
                  open={open === `${b} ${i}`}
                  onOpen={() => setOpen(open === `${b} ${i}` ? undefined : `${b} ${i}`)}
                  locked={request.locked.some((one) => one.drill === item.drill)}
                  onLock={() => lock(item)}
                  place={{ block: b, item: i }}
                  session={session}
                  asked={asked}
                  onSwaps={onSwaps}
                  onSwap={swap}
                  fit={now.fit}
                  changes={now.postureChanges}
                />
              ))}
            </ol>
          </section>
        ))}
      </div>
      <Form method="post" className="flex flex-wrap items-center gap-2">
        <input type="hidden" name="do" value="open" />
        <input type="hidden" name="session" value={JSON.stringify(session)} />
        <input type="hidden" name="group" value={beside.groupId ?? ""} />
        <input type="hidden" name="demand" value={beside.demandId ?? ""} />
        <Button type="submit" disabled={opening} className="font-semibold">
          Open on the desk
        </Button>
        {swapped.length > 0 && (
          <Button onClick={() => onSwapped(swapped.slice(0, -1))}>
            <Undo2 size={16} aria-hidden /> Undo the swap
          </Button>
        )}
      </Form>
      {now.missing.length > 0 && (
        <details className="text-sm">
          <summary className="font-semibold">
            Not enough of {now.missing.length === 1 ? "one motion" : `${now.missing.length} motions`}
          </summary>
          <ul className="pt-1">
            {now.missing.map(({ row, has, wants, why }) => (
              <ShortRow key={row} why={why} has={has} wants={wants}>
                {MOTION_FACTS[row].words}
              </ShortRow>
            ))}
          </ul>
        </details>
      )}
      <details className="text-sm" open={showRoses} onToggle={(event) => onShowRoses(event.currentTarget.open)}>
        <summary className="font-semibold">Range roses</summary>
        <Roses roses={roses} looked={looked} onLook={setLooked} onPick={setLooked} />
        <p className="h-10 text-ink-soft">
          {looked ? capital(petalWords(looked)) : "Filled: what the session works. Outline: what the sport needs."}
        </p>
      </details>
    </article>
  );
}

type LineProps = {
  item: Item;
  reason: Reason;
  open: boolean;
  onOpen: () => void;
  locked: boolean;
  onLock: () => void;
  place: Place;
  session: SessionPlan;
  asked: WrittenRequest;
  onSwaps: Props["onSwaps"];
  onSwap: (swap: OfferedSwap) => void;
  fit: number;
  changes: number;
};

function DrillLine({
  item,
  reason,
  open,
  onOpen,
  locked,
  onLock,
  place,
  session,
  asked,
  onSwaps,
  onSwap,
  fit,
  changes,
}: LineProps) {
  const drills = useDrills();
  const drill = formIn(item, drills);
  const name = drill?.name ?? item.drill;
  const [swaps, setSwaps] = useState<Swaps>();
  const [looking, setLooking] = useState(false);
  const look = async () => {
    setLooking(true);
    setSwaps(undefined);
    setSwaps(await onSwaps(session, place, asked));
    setLooking(false);
  };
  return (
    <li className="border-b border-line/60 last:border-0">
      <div className="flex items-center gap-2 py-1">
        <Still drill={item.drill} level={item.level} size={56} />
        <button
          type="button"
          aria-expanded={open}
          onClick={onOpen}
          className="min-h-9 min-w-0 flex-1 rounded text-left leading-tight hover:bg-land-deep"
        >
          <span className="block font-medium wrap-anywhere">{name}</span>
          <span className="block truncate text-sm text-ink-soft">
            {itemWords(item, item.sides ?? drill?.sides ?? "together")}
          </span>
        </button>
        <IconButton
          label={locked ? `Unlock ${name}` : `Lock ${name}`}
          aria-pressed={locked}
          onClick={onLock}
          className={cx(locked && "bg-land-deep text-ink")}
        >
          {locked ? <Lock size={15} aria-hidden /> : <LockOpen size={15} aria-hidden />}
        </IconButton>
      </div>
      {open && (
        <div className="mb-2 flex flex-col gap-1.5 border-l-2 border-depth-4 pl-3 text-sm">
          <p>{reason.why}</p>
          {reason.place !== "" && <p className="text-ink-soft">{reason.place}</p>}
          {drill && <CautionList cautions={drill.cautions} className="text-ink-soft" />}
          {swaps && "failed" in swaps && <p role="alert">No swaps found: {swaps.failed}</p>}
          {!swaps || "failed" in swaps ? (
            <Button size="small" className="self-start" disabled={looking} onClick={() => void look()}>
              <Replace size={14} aria-hidden /> {looking ? "Looking…" : "Swap it"}
            </Button>
          ) : swaps.found.length === 0 ? (
            <p className="text-ink-soft">No other drill fits the time and what the group protects.</p>
          ) : (
            <ul aria-label={`Instead of ${name}`}>
              {swaps.found.map((swap) => (
                <li key={swap.item.drill} className="flex items-center gap-2 py-0.5">
                  <Still drill={swap.item.drill} level={swap.item.level} size={48} />
                  <span className="min-w-0 flex-1 leading-tight">
                    <span className="block wrap-anywhere">{formIn(swap.item, drills)?.name}</span>
                    <span className="block text-xs text-ink-faint">
                      needs met {percent(fit)} → {percent(swap.fit)} · {clockText(swap.seconds)}
                      {swap.postureChanges !== changes && ` · ${swap.postureChanges} changes`}
                    </span>
                  </span>
                  <Button
                    size="small"
                    aria-label={`Use ${formIn(swap.item, drills)?.name} instead`}
                    onClick={() => onSwap(swap)}
                  >
                    {" "}
                    Use it{" "}
                  </Button>
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </li>
  );
}
