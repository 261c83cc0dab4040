import { useState } from "react";
import { useDrills } from "~/app/ui/drills";
import type { Setting } from "~/core/documents/setting";
import { PaceOffers } from "./pace-offer";
import type { Desk } from "./use-desk";
import { WhyLonger } from "~/app/ui/explain";
import { FieldNote, inputLook, SelectField } from "~/app/ui/field";
import { NumberField } from "~/app/ui/number-field";
import { kitList } from "~/core/coverage/kit-list";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { piecesFor } from "~/core/group/kit";
import type { Group } from "~/core/group/schema";
import { editPace, editSession } from "~/core/session/edits";
import { PURPOSES } from "~/core/session/schema";
import type { Pace } from "~/core/dose/pace";
import { clockText, readClock, secondsText } from "~/core/lengths";
import { PURPOSE_WORDS } from "~/core/wording/words";
import { CHANGE_BASE, CHANGE_PER_STEP } from "~/core/vocabulary/postures";
import { postureChanges, totalsByKind } from "~/core/timeline/totals";

/** Where a session says nothing of its own. */
const USUAL_MOVES: Partial<Record<keyof Pace, number>> = { moveBase: CHANGE_BASE, moveStep: CHANGE_PER_STEP };

const PACE: { key: keyof Pace; label: string; least: number; step: number }[] = [
  { key: "demo", label: "Watch first", least: 0, step: 5 },
  { key: "switchSides", label: "Change sides", least: 0, step: 1 },
  { key: "turn", label: "Change direction", least: 0, step: 1 },
  { key: "kitChange", label: "Fetch a piece of kit", least: 0, step: 1 },
  { key: "moveBase", label: "Change position", least: 0, step: 0.5 },
  { key: "moveStep", label: "Each step up or down", least: 0, step: 0.5 },
  { key: "breath", label: "One easy breath", least: 1, step: 0.5 },
];

/** The session as a whole: its promise, where the time goes, its kit, its pace and notes. */
type Props = {
  desk: Desk;
  groups: readonly { id: string; group: Group }[];
  demands: readonly SportProfile[];
  setting: Setting;
  onSetting: (part: Partial<Setting>) => void;
};

export function SessionPanel({ desk, groups, demands, setting, onSetting }: Props) {
  const { session, timeline, change } = desk;
  const group = groups.find((g) => g.id === setting.groupId)?.group;
  return (
    <div className="flex flex-col gap-5 p-4">
      <section className="flex flex-col gap-3">
        <h2 className="wide-type text-lg font-semibold">The session</h2>
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            label="Purpose"
            value={session.purpose}
            options={PURPOSES.map((value) => ({ value, words: PURPOSE_WORDS[value] }))}
            onChange={(purpose) => change((s) => editSession(s, { purpose }), `purpose: ${PURPOSE_WORDS[purpose]}`)}
          />
          <TargetField desk={desk} />
          <SelectField
            label="First side"
            value={session.firstSide}
            options={[
              { value: "left", words: "left" },
              { value: "right", words: "right" },
            ]}
            onChange={(firstSide) => change((s) => editSession(s, { firstSide }), `first side ${firstSide}`)}
          />
          <SelectField
            label="Group"
            value={group ? setting.groupId! : ""}
            options={[
              { value: "", words: "anyone" },
              ...groups.map((g) => ({ value: g.id, words: `${g.group.name} (${g.group.people.length})` })),
            ]}
            onChange={(groupId) => onSetting({ groupId: groupId || null })}
          />
          {group && setting.groupId && (
            <div className="col-span-2 empty:hidden">
              <PaceOffers key={setting.groupId} desk={desk} groupId={setting.groupId} name={group.name} />
            </div>
          )}
          <SelectField
            label="Sport profile"
            className="col-span-2"
            value={demands.some((d) => d.id === setting.demandId) ? setting.demandId! : ""}
            options={[{ value: "", words: "none" }, ...demands.map((d) => ({ value: d.id, words: d.name }))]}
            onChange={(demandId) => onSetting({ demandId: demandId || null })}
          />
        </div>
      </section>
      <WhereTimeGoes desk={desk} />
      <section className="flex flex-col gap-1.5">
        <h3 className="font-semibold">{group ? `Kit for ${group.people.length}` : "Kit for one"}</h3>
        <KitLines desk={desk} group={group} />
      </section>
      <details className="group">
        <summary className="font-semibold">Pace between the work</summary>
        <p className="py-1 text-sm text-ink-faint">
          How long your group takes to change over. Every total follows from it.
        </p>
        <div className="grid grid-cols-2 gap-3">
          {PACE.map(({ key, label, least, step }) => (
            <NumberField
              key={key}
              label={label}
              unit="s"
              min={least}
              max={120}
              step={step}
              value={session.pace[key] ?? USUAL_MOVES[key] ?? 0}
              onChange={(seconds) =>
                change((s) => editPace(s, { [key]: seconds }), `${label.toLowerCase()} ${seconds} s`, `pace ${key}`)
              }
            />
          ))}
        </div>
      </details>
      <div className="flex flex-col gap-1">
        <label htmlFor="session-notes" className="font-semibold">
          Notes
        </label>
        <textarea
          id="session-notes"
          className={inputLook}
          rows={4}
          maxLength={10_000}
          value={session.notes ?? ""}
          placeholder="For you: the room, the running order, what to lay out."
          onChange={(e) => change((s) => editSession(s, { notes: e.target.value || undefined }), "notes", "notes")}
        />
      </div>
      <p className="text-xs text-ink-faint">
        {timeline.segments.length} stretches of time. Choose a drill in the list or on the profile to change it.
      </p>
    </div>
  );
}

function TargetField({ desk }: { desk: Desk }) {
  const { session, change } = desk;
  const [text, setText] = useState<string>();
  const shown = text ?? (session.target === undefined ? "" : clockText(session.target));
  const seconds = shown.trim() === "" ? undefined : readClock(shown);
  const bad = text !== undefined && shown.trim() !== "" && (seconds === undefined || seconds <= 0 || seconds > 86_400);
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor="session-target" className="text-sm font-medium text-ink-soft">
        Target length
      </label>
      <input
        id="session-target"
        className={inputLook}
        inputMode="decimal"
        placeholder="12 min"
        value={shown}
        aria-invalid={bad || undefined}
        aria-describedby="session-target-note"
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
        onBlur={() => {
          if (!bad && text !== undefined && seconds !== session.target)
            change(
              (s) => editSession(s, { target: seconds }),
              seconds === undefined ? "no target length" : `target ${clockText(seconds)}`,
            );
          if (!bad) setText(undefined);
        }}
      />
      <FieldNote
        id="session-target-note"
        hint="As 12 min, 12:30 or 90 s"
        fault={bad ? "Write it like 12 min, 12:30 or 90 s." : undefined}
      />
    </div>
  );
}

function WhereTimeGoes({ desk }: { desk: Desk }) {
  const { timeline } = desk;
  const kinds = totalsByKind(timeline.segments);
  const { left, right, both } = timeline.workSeconds;
  const total = Math.max(timeline.totalSeconds, 1);
  const parts = [
    { words: "work", seconds: kinds.work, fill: "var(--depth-4)" },
    { words: "watching first", seconds: kinds.demo, fill: "url(#dots)" },
    { words: "moving and kit", seconds: kinds.move, fill: "var(--depth-2)" },
    { words: "changing sides and direction", seconds: kinds.switch + kinds.turn, fill: "var(--depth-6)" },
    { words: "rest", seconds: kinds.rest, fill: "var(--land-deep)" },
  ].filter((p) => p.seconds > 0);
  return (
    <section className="flex flex-col gap-2">
      <h3 className="flex items-center gap-1 font-semibold">
        Where the time goes <WhyLonger />
      </h3>
      <svg
        viewBox="0 0 100 6"
        preserveAspectRatio="none"
        className="h-3 w-full rounded-sm border border-line"
        aria-hidden
      >
        {parts.map((part, i) => {
          const x = (parts.slice(0, i).reduce((sum, p) => sum + p.seconds, 0) / total) * 100;
          return <rect key={part.words} x={x} y={0} width={(part.seconds / total) * 100} height={6} fill={part.fill} />;
        })}
      </svg>
      <dl className="grid grid-cols-[1fr_auto] gap-x-4 text-sm">
        {parts.map((part) => (
          <div key={part.words} className="contents">
            <dt className="text-ink-soft">{part.words}</dt>
            <dd className="text-right">{clockText(part.seconds)}</dd>
          </div>
        ))}
      </dl>
      <dl className="grid grid-cols-3 rounded-md border border-line text-center">
        <Side words="left" seconds={left} />
        <Side words="right" seconds={right} />
        <Side words="both" seconds={both} />
      </dl>
      {Math.abs(left - right) > 0.5 && (
        <p className="text-sm font-medium text-plum">
          {left > right ? "Left" : "Right"} gets {secondsText(Math.abs(left - right))} more work than{" "}
          {left > right ? "right" : "left"}.
        </p>
      )}
      <p className="text-sm text-ink-soft">{postureChanges(timeline.segments)} changes of position.</p>
    </section>
  );
}

function Side({ words, seconds }: { words: string; seconds: number }) {
  return (
    <div className="py-1 not-first:border-l not-first:border-line">
      <dt className="text-xs text-ink-faint">{words}</dt>
      <dd className="font-semibold">{secondsText(seconds)}</dd>
    </div>
  );
}

function KitLines({ desk, group }: { desk: Desk; group: Group | undefined }) {
  const drills = useDrills();
  const kit = kitList(desk.session, drills);
  const people = Math.max(1, group?.people.length ?? 1);
  if (kit.length === 0) return <p className="text-sm text-ink-soft">None.</p>;
  return (
    <ul className="text-sm">
      {kit.map((need) => {
        const pieces = piecesFor(need.kit, need.pieces, people);
        const there = group?.setting.kit && (group.setting.kit[need.kit] ?? 0);
        return (
          <li key={need.kit}>
            {pieces > 1 ? `${pieces} × ` : ""}
            {need.words} <span className="text-ink-faint">(or {need.instead})</span>
            {there !== undefined && there < pieces && (
              <span className="font-medium text-plum"> {there === 0 ? "none available" : `${there} available`}</span>
            )}
          </li>
        );
      })}
    </ul>
  );
}
