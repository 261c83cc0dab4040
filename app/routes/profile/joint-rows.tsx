import { MotionWords } from "~/app/ui/motion-words";
import { useMemo } from "react";
import type { Measured } from "./effect";
import { cx } from "~/app/ui/classes";
import { inputLook } from "~/app/ui/field";
import { withReason, withWeight } from "~/core/sport-profiles/edit";
import { targetsOf } from "~/core/sport-profiles/fit";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { clockText } from "~/core/lengths";
import { type Joint, JOINT_WORDS, type Motion, MOTION_FACTS, MOTIONS } from "~/core/vocabulary/motions";

/** The motions of one joint, with what is asked of each. */
export function JointRows({
  joint,
  demand,
  own,
  session,
  onChange,
}: {
  joint: Joint;
  demand: SportProfile;
  own: boolean;
  session: Measured | undefined;
  onChange: (next: SportProfile) => void;
}) {
  const rows = MOTIONS.filter((row) => MOTION_FACTS[row].joint === joint).filter((row) => own || demand.rows[row]);
  const targets = useMemo(() => session && targetsOf(demand, session.served), [demand, session]);
  if (rows.length === 0) return null;
  return (
    <tbody>
      <tr>
        <th
          colSpan={4}
          scope="rowgroup"
          className="border-t border-line bg-paper px-3 py-1 text-left text-ink-soft first-letter:uppercase"
        >
          {JOINT_WORDS[joint]}
        </th>
      </tr>
      {rows.map((row) => {
        const asked = demand.rows[row];
        return (
          <tr key={row} className="border-t border-line/60 align-middle">
            <th scope="row" className="w-56 px-3 py-1 text-left font-normal">
              <MotionWords motion={row} />
            </th>
            <td className="w-44 px-3 py-1">
              {own ? (
                <WeightChoice
                  row={row}
                  weight={asked?.weight ?? 0}
                  onChoose={(weight) => onChange(withWeight(demand, row, weight, "needed by this group"))}
                />
              ) : (
                <Dots weight={asked?.weight ?? 0} />
              )}
            </td>
            <td className="px-3 py-1">
              {own && asked ? (
                <input
                  className={cx(inputLook, "min-h-8 py-0.5")}
                  aria-label={`Why ${MOTION_FACTS[row].words}`}
                  value={asked.why}
                  maxLength={200}
                  onChange={(e) => onChange(withReason(demand, row, e.target.value))}
                />
              ) : (
                <span className="text-ink-soft">{asked?.why}</span>
              )}
            </td>
            {session && (
              <td className="px-3 py-1 text-right whitespace-nowrap">
                {asked
                  ? `${clockText(session.coverage[row].counts)} of ${clockText(targets?.[row] ?? 0)}`
                  : clockText(session.coverage[row].counts)}
              </td>
            )}
          </tr>
        );
      })}
    </tbody>
  );
}

const Dots = ({ weight }: { weight: number }) => (
  <span>
    <span aria-hidden className="inline-flex gap-0.5">
      {[1, 2, 3].map((n) => (
        <span key={n} className={cx("size-2.5 rounded-full border border-depth-5", weight >= n && "bg-depth-5")} />
      ))}
    </span>
    <span className="ml-1.5 text-ink-soft">{weight}</span>
  </span>
);

function WeightChoice({ row, weight, onChoose }: { row: Motion; weight: number; onChoose: (weight: number) => void }) {
  return (
    <fieldset className="inline-flex overflow-hidden rounded-md border border-line">
      <legend className="sr-only">Weight of {MOTION_FACTS[row].words}</legend>
      {[0, 1, 2, 3].map((n) => (
        <label
          key={n}
          className={cx(
            "flex min-h-8 w-9 cursor-pointer items-center justify-center has-focus-visible:outline-2 has-focus-visible:-outline-offset-2 has-focus-visible:outline-ink",
            weight === n ? "bg-depth-5 font-semibold text-paper" : "bg-paper hover:bg-land-deep",
          )}
        >
          <input
            type="radio"
            name={`weight ${row}`}
            className="sr-only"
            checked={weight === n}
            onChange={() => onChoose(n)}
          />
          {n}
        </label>
      ))}
    </fieldset>
  );
}
