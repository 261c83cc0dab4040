import { MotionWords } from "~/app/ui/motion-words";
import { JOINT_WORDS, MOTION_FACTS, MOTIONS, type Joint, type Motion } from "~/core/vocabulary/motions";
import { capital } from "~/core/wording/words";

const WEIGHTS = [
  { value: 0, words: "not" },
  { value: 1, words: "some" },
  { value: 2, words: "more" },
  { value: 3, words: "most" },
];
const JOINTS = Object.keys(JOINT_WORDS) as Joint[];

/** Motions joint by joint, each asked for not at all, some, more or most. At least one stays. */
export function RowsPart({
  rows,
  onRows,
}: {
  rows: Partial<Record<Motion, number>>;
  onRows: (rows: Partial<Record<Motion, number>>) => void;
}) {
  const set = (row: Motion, weight: number) => {
    const next = Object.fromEntries(Object.entries({ ...rows, [row]: weight }).filter(([, w]) => w > 0));
    if (Object.keys(next).length > 0) onRows(next);
  };
  return (
    <div className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
      {JOINTS.map((joint) => (
        <section key={joint}>
          <h3 className="text-sm font-semibold">{capital(JOINT_WORDS[joint])}</h3>
          {MOTIONS.filter((row) => MOTION_FACTS[row].joint === joint).map((row) => (
            <label key={row} className="flex min-h-8 items-center justify-between gap-2 text-sm">
              <span>
                <MotionWords motion={row} />
              </span>
              <select
                value={Math.round(rows[row] ?? 0)}
                onChange={(event) => set(row, Number(event.target.value))}
                className="rounded-md border border-line bg-paper px-1.5 py-0.5"
              >
                {WEIGHTS.map(({ value, words }) => (
                  <option key={value} value={value}>
                    {words}
                  </option>
                ))}
              </select>
            </label>
          ))}
        </section>
      ))}
    </div>
  );
}
