import { useId } from "react";
import { NumberField } from "./number-field";
import { AREA_FACTS, AREA_GROUPS, AREAS, type Area } from "~/core/vocabulary/areas";
import { protectionsOf, type Protection, type Protects } from "~/core/group/protect";
import { LIMITABLE } from "~/core/drills/stresses";
import { capital } from "~/core/wording/words";

const FIRST_LIMIT = 90;
const isLimitable = (area: Area) => (LIMITABLE as readonly Area[]).includes(area);

/** A tick for each area that can be protected, and for each one that is: on which side, how much is fine, and a clinician's limit. */
export function ProtectChoice({
  legend,
  chosen,
  onChange,
}: {
  legend: string;
  chosen: readonly Protects[];
  onChange: (chosen: Protects[]) => void;
}) {
  const all = protectionsOf(chosen);
  const of = (area: Area) => all.filter((one) => one.area === area);
  /** What is usual is written short, as an area's name alone. */
  const write = (list: readonly Protection[]) =>
    onChange(
      list.map((one) => (one.side === undefined && one.way === "keep-off" && one.limit === undefined ? one.area : one)),
    );
  const change = (area: Area, to: Protection[]) =>
    write(
      [...all.filter((one) => one.area !== area), ...to].sort((a, b) => AREAS.indexOf(a.area) - AREAS.indexOf(b.area)),
    );
  return (
    <fieldset className="flex flex-col gap-3">
      <legend className="mb-1 text-sm font-medium text-ink-soft">{legend}</legend>
      {AREA_GROUPS.map((group) => (
        <div key={group} role="group" aria-label={group}>
          <p className="text-sm font-semibold">{group}</p>
          <div className="grid grid-cols-1 gap-x-4 sm:grid-cols-2">
            {AREAS.filter((area) => AREA_FACTS[area].group === group).map((area) => {
              const chosenHere = of(area);
              return (
                <div
                  key={area}
                  className={chosenHere.length > 0 ? "rounded-md bg-plum-wash px-1.5 pb-1.5 sm:col-span-2" : "px-1.5"}
                >
                  <label className="flex min-h-8 items-center gap-2" title={`Often: ${AREA_FACTS[area].who}`}>
                    <input
                      type="checkbox"
                      name="area"
                      value={area}
                      className="size-4 shrink-0 accent-(--depth-5)"
                      checked={chosenHere.length > 0}
                      onChange={(e) => change(area, e.target.checked ? [{ area, way: "keep-off" }] : [])}
                    />
                    {AREA_FACTS[area].words}
                  </label>
                  {chosenHere.map((one, i) => (
                    <How
                      key={i}
                      one={one}
                      apart={chosenHere.length > 1}
                      onChange={(to) =>
                        change(
                          area,
                          to.side === undefined ? [to] : chosenHere.map((other, j) => (j === i ? to : other)),
                        )
                      }
                    />
                  ))}
                </div>
              );
            })}
          </div>
        </div>
      ))}
    </fieldset>
  );
}

const WAYS = [
  { value: "keep-off", words: "keep off" },
  { value: "small", words: "small amounts are fine" },
] as const;

/** How one is protected. Where its sides are told apart each has its own, and choosing both brings them together. */
function How({ one, apart, onChange }: { one: Protection; apart: boolean; onChange: (to: Protection) => void }) {
  const { area } = one;
  const name = AREA_FACTS[area].words + (apart && one.side ? `, ${one.side}` : "");
  const put = (part: {
    side?: Protection["side"] | undefined;
    way?: Protection["way"];
    limit?: number | undefined;
  }) => {
    const { side, limit, ...rest } = { ...one, ...part };
    onChange({ ...rest, ...(side && { side }), ...(limit !== undefined && { limit }) });
  };
  const sides = [
    { value: "both", words: "both sides" },
    ...(["left", "right"] as const)
      .filter((side) => !apart || side === one.side)
      .map((side) => ({ value: side, words: side })),
  ];
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 pl-6 text-sm">
      {AREA_FACTS[area].sided && (
        <Choice
          label={`Side: ${name}`}
          value={one.side ?? "both"}
          options={sides}
          onChange={(to) => put({ side: to === "both" ? undefined : (to as "left" | "right") })}
        />
      )}
      <Choice
        label={`How much: ${name}`}
        value={one.way}
        options={WAYS}
        onChange={(way) => put({ way: way as Protection["way"] })}
      />
      {isLimitable(area) && (
        <span className="flex items-center gap-2">
          <label className="flex min-h-8 items-center gap-1.5">
            <input
              type="checkbox"
              className="size-4 accent-(--depth-5)"
              checked={one.limit !== undefined}
              onChange={(e) => put({ limit: e.target.checked ? FIRST_LIMIT : undefined })}
            />
            a clinician gave a limit
          </label>
          {one.limit !== undefined && (
            <NumberField
              label="At most"
              unit="°"
              min={20}
              max={180}
              step={5}
              value={one.limit}
              onChange={(limit) => put({ limit: Math.round(limit) })}
            />
          )}
        </span>
      )}
    </div>
  );
}

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly { value: string; words: string }[];
  onChange: (value: string) => void;
}) {
  const id = useId();
  return (
    <>
      <label htmlFor={id} className="sr-only">
        {capital(label)}
      </label>
      <select
        id={id}
        value={value}
        onChange={(e) => onChange(e.target.value)}
        className="min-h-8 rounded-md border border-line bg-paper px-2"
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.words}
          </option>
        ))}
      </select>
    </>
  );
}
