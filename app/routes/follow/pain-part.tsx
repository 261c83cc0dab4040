import { TriangleAlert } from "lucide-react";
import { useId } from "react";
import { newKey } from "~/app/sync/key";
import { cx } from "~/app/ui/classes";
import { now } from "~/core/clock/clock";
import type { PainAt, PainChoice } from "~/core/checkin/pain-place";
import { MOST_PAINS, type PainTold } from "~/core/checkin/schema";
import type { Answers } from "~/core/player/kept";

/** Whether anything hurt, and each thing that did. */
export function Pain({
  pain,
  onPain,
  drills,
  pains,
  onPains,
  missing,
}: {
  pain: boolean | undefined;
  onPain: (pain: boolean) => void;
  drills: readonly PainChoice[];
  pains: readonly PainTold[];
  onPains: (change: (pains: PainTold[]) => PainTold[]) => void;
  missing: boolean;
}) {
  const change = (key: string, to: Partial<PainTold>) =>
    onPains((all) => all.map((one) => (one.key === key ? { ...one, ...to } : one)));
  return (
    <fieldset>
      <legend className="mb-2 text-lg font-semibold">Did anything hurt?</legend>
      <div className="grid grid-cols-2 gap-2">
        {[false, true].map((answer) => (
          <label
            key={String(answer)}
            className={cx(
              "flex min-h-12 items-center justify-center rounded-md border text-xl has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink",
              pain === answer
                ? answer
                  ? "border-transparent bg-plum font-bold text-paper"
                  : "border-transparent bg-depth-5 font-bold text-paper"
                : "border-line bg-land",
            )}
          >
            <input
              id={answer ? "pain-yes" : "pain-no"}
              type="radio"
              name="pain"
              className="sr-only"
              checked={pain === answer}
              onChange={() => onPain(answer)}
            />
            {answer ? "Yes" : "No"}
          </label>
        ))}
      </div>
      {missing && (
        <p role="alert" className="mt-2 font-medium text-plum">
          Please say yes or no: your coach needs to know.
        </p>
      )}
      {pain && (
        <div className="mt-3 flex flex-col gap-3 rounded-lg border-l-4 border-plum bg-plum-wash p-4">
          <p className="flex gap-2">
            <TriangleAlert size={20} className="mt-0.5 shrink-0 text-plum" aria-hidden />
            <span>
              Leave that movement out for now. If it doesn’t go away, or there is numbness or tingling, see a licensed
              practitioner. Your coach will see this.
            </span>
          </p>
          {pains.map((one, i) => (
            <OnePain
              key={one.key}
              pain={one}
              number={pains.length > 1 ? i + 1 : undefined}
              drills={drills}
              onChange={(to) => change(one.key, to)}
            />
          ))}
          {pains.length < MOST_PAINS && (
            <button
              type="button"
              onClick={() => onPains((all) => [...all, newPain()])}
              className="min-h-11 self-start rounded-md border border-line bg-land px-4 font-medium"
            >
              Something else hurt, too
            </button>
          )}
        </div>
      )}
    </fieldset>
  );
}

const newPain = (): PainTold => ({ key: newKey(), at: null, where: "", said: now() });

/** What they said hurts before this is filled in: in the class, or in the form as it was left; otherwise one that is empty. */
export function painsBefore(before: Answers | undefined): PainTold[] {
  if (before?.pains?.length) return before.pains;
  return [{ ...newPain(), at: before?.painAt ?? null, where: before?.painWhere ?? "" }];
}

/** One thing that hurt: in which drill, and where in the body. */
function OnePain({
  pain,
  number,
  drills,
  onChange,
}: {
  pain: PainTold;
  number: number | undefined;
  drills: readonly PainChoice[];
  onChange: (to: Partial<PainTold>) => void;
}) {
  const id = useId();
  return (
    <div
      role="group"
      aria-label={number ? `What hurt, ${number}` : "What hurt"}
      className={cx("flex flex-col gap-3", number !== undefined && number > 1 && "border-t border-line pt-3")}
    >
      {drills.length > 0 && <DrillChoice drills={drills} at={pain.at} onAt={(at) => onChange({ at })} />}
      <div className="flex flex-col gap-1">
        <label htmlFor={id} className="font-medium">
          Where in the body?
        </label>
        <input
          id={id}
          value={pain.where}
          maxLength={120}
          onChange={(e) => onChange({ where: e.target.value })}
          className="min-h-12 rounded-md border border-line bg-land px-3 text-lg"
          placeholder="front of the left knee"
        />
      </div>
    </div>
  );
}

/** In which drill it hurt, of those they did. */
function DrillChoice({
  drills,
  at,
  onAt,
}: {
  drills: readonly PainChoice[];
  at: PainAt | null;
  onAt: (at: PainAt | null) => void;
}) {
  const id = useId();
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-medium">
        In which drill?
      </label>
      <select
        id={id}
        value={drills.findIndex((one) => one.block === at?.block && one.item === at.item)}
        onChange={(event) => {
          const one = drills[Number(event.target.value)];
          onAt(one ? { block: one.block, item: one.item, drill: one.drill } : null);
        }}
        className="min-h-12 w-full rounded-md border border-line bg-land px-3 text-lg"
      >
        <option value={-1}>Not sure, or another time</option>
        {drills.map((one, i) => (
          <option key={one.number} value={i}>
            {one.number}. {one.name}
          </option>
        ))}
      </select>
    </div>
  );
}
