import { Dumbbell, Gauge, Search, Undo2, UserRound, Wrench } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import { BeforeAfter } from "./before-after";
import { useDrills } from "~/app/ui/drills";
import { SeverityMark } from "./severity-mark";
import { nameAt, type Desk, type Place } from "./use-desk";
import type { Setting } from "~/core/documents/setting";
import type { Insights } from "./use-insights";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { Dialog } from "~/app/ui/dialog";
import { Field } from "~/app/ui/field";
import { keyOf, applyAllFixes, type Finding, type AppliedFix } from "~/core/audit/audit";
import { betterKnown, type WrittenBefore } from "~/core/audit/known-better";
import type { Lead, Severity } from "~/core/audit/types";
import { changesBetween } from "~/core/wording/changes";
import { AREA_FACTS } from "~/core/vocabulary/areas";
import { listWords } from "~/core/wording/words";
import { placeKey } from "~/core/timeline/totals";

const LOOKS: Record<Severity, { words: string; className: string }> = {
  stop: { words: "must fix", className: "border-plum bg-plum-wash text-plum" },
  warn: { words: "check", className: "border-plum text-plum" },
  hint: { words: "suggestion", className: "border-line-water text-ink-soft" },
};

type Props = {
  desk: Desk;
  insights: Insights;
  before: WrittenBefore | undefined;
  setting: Setting;
  onSetting: (part: Partial<Setting>) => void;
  /** Shows a drill without leaving the findings, and goes where something is fixed by hand. */
  onPlace: (place: Place) => void;
  onLead: (lead: Lead) => void;
};

/** What the audit finds, most serious first, each with its place, its reason and a way out. */
export function FindingsPanel({ desk, insights, before, setting, onSetting, onPlace, onLead }: Props) {
  const [shown, setShown] = useState<{ found: Finding; mended: AppliedFix }>();
  const [accepting, setAccepting] = useState<Finding>();
  const [all, setAll] = useState<readonly Finding[]>();
  const { open, accepted } = insights;
  return (
    <div className="flex flex-col gap-3 p-4">
      <h2 className="wide-type text-lg font-semibold">Findings</h2>
      {before && <BetterKnown insights={insights} before={before} onPlace={onPlace} />}
      {open.length === 0 ? (
        <p className="rounded-md bg-kelp-wash px-3 py-2.5 text-sm text-kelp">
          {accepted.length === 0
            ? "All clear: sides are even, the length holds and nothing is missing."
            : "Everything else is fine."}
        </p>
      ) : (
        <ol className="flex flex-col gap-2">
          {open.map((found, i) => (
            <li
              key={`${insights.keyOf(found)} ${i}`}
              data-finding={found.place && placeKey(found.place.block, found.place.item)}
              tabIndex={-1}
              className="rounded-md"
            >
              <Finding
                found={found}
                like={
                  firstOfKind(open, i)
                    ? open.filter((one) => one.rule === found.rule && insights.mended(one) !== undefined)
                    : []
                }
                onAll={setAll}
                desk={desk}
                mended={insights.mended(found)}
                onPlace={onPlace}
                onLead={onLead}
                onShow={(mended) => setShown({ found, mended })}
                onAccept={() => setAccepting(found)}
              />
            </li>
          ))}
        </ol>
      )}
      {accepted.length > 0 && (
        <details>
          <summary className="text-sm font-semibold">
            {accepted.length === 1 ? "One finding accepted" : `${accepted.length} findings accepted`}
          </summary>
          <ul className="mt-1 flex flex-col gap-1.5">
            {accepted.map(({ found, reason }, i) => (
              <li key={i} className="flex items-start gap-2 rounded-md border border-line px-2.5 py-1.5 text-sm">
                <span className="min-w-0 flex-1">
                  {found.message} <span className="block text-ink-soft">“{reason}”</span>
                </span>
                <Button
                  kind="quiet"
                  className="min-h-7 px-1.5 py-0.5 text-sm"
                  onClick={() =>
                    onSetting({ accepted: setting.accepted.filter((one) => one.key !== insights.keyOf(found)) })
                  }
                >
                  <Undo2 size={14} aria-hidden /> Reopen
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
      <p className="text-xs text-ink-faint">
        Not medical advice. Pain, numbness, tingling or dizziness: stop, step down a level, or leave it out.
      </p>
      {all && <AllDialog desk={desk} insights={insights} like={all} onClose={() => setAll(undefined)} />}
      {shown && <FixDialog desk={desk} found={shown.found} mended={shown.mended} onClose={() => setShown(undefined)} />}
      {accepting && (
        <AcceptDialog
          found={accepting}
          onClose={() => setAccepting(undefined)}
          onAccept={(reason) =>
            onSetting({
              accepted: [
                ...setting.accepted.filter((one) => one.key !== insights.keyOf(accepting)),
                { key: insights.keyOf(accepting), says: accepting.message, reason },
              ],
            })
          }
        />
      )}
    </div>
  );
}

/** What a session that was last saved some time ago loads that nobody knew then; also where a finding at that place was accepted. */
function BetterKnown({
  insights,
  before,
  onPlace,
}: { insights: Insights; before: WrittenBefore } & Pick<Props, "onPlace">) {
  const drills = useDrills();
  const { open, accepted, session } = insights;
  const all = useMemo(
    () => betterKnown([...open, ...accepted.map(({ found }) => found)], session, drills, before),
    [open, accepted, session, drills, before],
  );
  if (all.length === 0) return null;
  return (
    <section className="rounded-md border border-plum bg-plum-wash px-3 py-2.5">
      <h3 className="font-semibold text-plum">New since 26 November 2026</h3>
      <p className="text-sm">
        What a drill loads is now worked out from its drawing. When you last saved this session, we didn’t know about:
      </p>
      <ul className="mt-1 flex flex-col gap-1">
        {all.map(({ found, drill, areas }, i) => (
          <li key={i} className="text-sm">
            <button
              type="button"
              className="min-h-6 text-left underline underline-offset-4"
              onClick={() => found.place && onPlace(found.place)}
            >
              {drill}
            </button>
            : {listWords(areas.map((area) => AREA_FACTS[area].words))}
          </li>
        ))}
      </ul>
      {accepted.length > 0 && (
        <p className="mt-1 text-sm text-ink-soft">What you accepted stays accepted. Check that it still should.</p>
      )}
    </section>
  );
}

const firstOfKind = (open: readonly Finding[], at: number): boolean =>
  open.findIndex((one) => one.rule === open[at]!.rule) === at;

function Finding({
  found,
  like,
  onAll,
  desk,
  mended,
  onShow,
  onAccept,
  onPlace,
  onLead,
}: {
  found: Finding;
  like: readonly Finding[];
  onAll: (like: readonly Finding[]) => void;
  desk: Desk;
  mended: AppliedFix | "trying" | undefined;
  onShow: (mended: AppliedFix) => void;
  onAccept: () => void;
} & Pick<Props, "onPlace" | "onLead">) {
  const drills = useDrills();
  const { words, className } = LOOKS[found.severity];
  const { place, lead } = found;
  return (
    <article className={cx("rounded-md border-l-4 bg-paper px-3 py-2", className)}>
      <p className="flex items-center gap-1.5 text-xs font-semibold">
        <SeverityMark severity={found.severity} size={14} /> {words}
      </p>
      <p className="mt-0.5 text-ink">{found.message}</p>
      <p className="text-sm text-ink-soft">{found.why}</p>
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        {/* Its place is kept while it is tried, so that nothing moves away from under a pointer. */}
        {mended ? (
          <Button size="small" disabled={mended === "trying"} onClick={() => mended !== "trying" && onShow(mended)}>
            <Wrench size={14} className="shrink-0" aria-hidden />{" "}
            {mended === "trying" ? (found.fix?.words ?? "Looking for another fix") : mended.fix.words}…
          </Button>
        ) : (
          (found.fix ?? found.offer) && (
            <span className="inline-flex min-h-8 items-center px-3 text-sm text-ink-soft">No one-step fix</span>
          )
        )}
        {like.length > 1 && (
          <Button size="small" onClick={() => onAll(like)}>
            <Wrench size={14} className="shrink-0" aria-hidden /> All {like.length} like this…
          </Button>
        )}
        {lead && (
          <Button size="small" onClick={() => onLead(lead)}>
            {lead.to === "fit" ? (
              <>
                <Gauge size={14} className="shrink-0" aria-hidden /> Fit to time
              </>
            ) : lead.to === "kit" ? (
              <>
                <Dumbbell size={14} className="shrink-0" aria-hidden /> The group’s kit…
              </>
            ) : lead.to === "person" ? (
              <>
                <UserRound size={14} className="shrink-0" aria-hidden /> For one person…
              </>
            ) : (
              <>
                <Search size={14} className="shrink-0" aria-hidden /> Drills for this
              </>
            )}
          </Button>
        )}
        {place && (
          <Button kind="quiet" size="small" onClick={() => onPlace(place)}>
            Show {nameAt(desk.session, place, drills)}
          </Button>
        )}
        <Button kind="quiet" size="small" onClick={onAccept}>
          Accept…
        </Button>
      </div>
    </article>
  );
}

/** Fixes everything one rule finds, shown before it is done. */
function AllDialog({
  desk,
  insights,
  like,
  onClose,
}: {
  desk: Desk;
  insights: Insights;
  like: readonly Finding[];
  onClose: () => void;
}) {
  const [mended, setMended] = useState<AppliedFix & { fixes: string[] }>();
  const { input, accepted } = insights;
  const rule = like[0]!.rule;
  useEffect(() => {
    // What was accepted stays as it is.
    const work = applyAllFixes(rule, input, new Set(accepted.map(({ found }) => keyOf(found, input.session))));
    let timer: ReturnType<typeof setTimeout>;
    const next = () => {
      const step = work.next();
      if (step.done)
        setMended({
          ...step.value,
          fix: {
            words: `Fix ${step.value.fixes.length} of ${like.length} like this`,
            apply: () => step.value.session,
          },
        });
      else timer = setTimeout(next);
    };
    timer = setTimeout(next);
    return () => clearTimeout(timer);
  }, [rule, input, accepted, like]);
  if (!mended || mended.fixes.length === 0)
    return (
      <Dialog
        open
        onOpenChange={(open) => !open && onClose()}
        title={`All ${like.length} like this`}
        description={like[0]!.message}
      >
        <p role="status" className="text-ink-soft">
          {mended
            ? "No one-step fix leaves the rest as good. Fix them one by one at the desk."
            : "Trying one after the other…"}
        </p>
      </Dialog>
    );
  return <FixDialog desk={desk} found={like[0]!} mended={mended} onClose={onClose} />;
}

function FixDialog({
  desk,
  found,
  mended,
  onClose,
}: {
  desk: Desk;
  found: Finding;
  mended: AppliedFix;
  onClose: () => void;
}) {
  const drills = useDrills();
  const name = (id: string) => drills(id)?.name ?? id;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={mended.fix.words} description={found.message}>
      <BeforeAfter before={desk.session} after={mended.session} />
      <ul className="list-disc pl-5 text-sm">
        {changesBetween(desk.session, mended.session, name).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <p className="text-sm text-ink-soft">
        {mended.found.length === 0
          ? "That leaves no findings."
          : `That leaves ${mended.found.length} ${mended.found.length === 1 ? "finding" : "findings"}.`}
      </p>
      <div className="flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button
          kind="primary"
          onClick={() => {
            desk.change((s) => mended.fix.apply(s), mended.fix.words.toLowerCase());
            onClose();
          }}
        >
          {" "}
          Apply{" "}
        </Button>
      </div>
    </Dialog>
  );
}

function AcceptDialog({
  found,
  onAccept,
  onClose,
}: {
  found: Finding;
  onAccept: (reason: string) => void;
  onClose: () => void;
}) {
  const [reason, setReason] = useState("");
  const short = reason.trim().length < 3;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Accept this finding" description={found.message}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (short) return;
          onAccept(reason.trim());
          onClose();
        }}
      >
        <Field
          label="Why is it right here?"
          value={reason}
          maxLength={300}
          autoFocus
          hint="Stays with the session and with each edition you hand out."
          onChange={(e) => setReason(e.target.value)}
        />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button kind="primary" type="submit" disabled={short}>
            {" "}
            Accept{" "}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
