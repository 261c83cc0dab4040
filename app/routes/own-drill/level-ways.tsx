import { DirectionWords, USUAL_DIRECTIONS } from "./directions";
import { SelectField } from "~/app/ui/field";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import { METHODS } from "~/core/vocabulary/methods";
import { STANCES, type Stance } from "~/core/vocabulary/stance";
import { METHOD_WORDS, STANCE_WORDS } from "~/core/wording/words";

/** How a level is done where it differs: its method, its directions, which leg the called side is, whether left and right take turns by themselves. */
export function LevelWays({
  drill,
  level,
  onChange,
}: {
  drill: Drill;
  level: LevelName;
  onChange: (part: Partial<DrillLevel>, words: string, key?: string) => void;
}) {
  const facts = drill.levels[level];
  const together = (facts.sides ?? drill.sides) === "together";
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <SelectField
        label="Its method"
        value={facts.method ?? "same"}
        options={[
          { value: "same" as const, words: "as the drill" },
          ...METHODS.map((value) => ({ value, words: METHOD_WORDS[value] })),
        ]}
        onChange={(method) => onChange({ method: method === "same" ? undefined : method }, "method")}
      />
      {together ? (
        <SelectField
          label="Left and right"
          value={facts.gait ? "turns" : "both"}
          options={[
            { value: "both", words: "work together" },
            { value: "turns", words: "take turns by themselves, as in walking" },
          ]}
          onChange={(gait) => onChange({ gait: gait === "turns" ? true : undefined }, "left and right")}
        />
      ) : (
        <SelectField<Stance | "alike">
          label="Of two different legs, the called side is"
          value={facts.stance ?? "alike"}
          options={[
            { value: "alike", words: "neither: both stand alike" },
            ...STANCES.map((value) => ({ value, words: STANCE_WORDS[value] })),
          ]}
          onChange={(stance) => onChange({ stance: stance === "alike" ? undefined : stance }, "stance")}
        />
      )}
      <SelectField
        label="Its directions"
        value={facts.directions === undefined ? "same" : String(facts.directions)}
        options={[
          { value: "same", words: "as the drill" },
          { value: "1", words: "one" },
          { value: "2", words: "two" },
        ]}
        onChange={(n) => onChange(directionsOf(n, drill), "directions")}
      />
      {facts.directions === 2 && (
        <DirectionWords
          of="of this level "
          words={facts.directionWords ?? drill.directionWords}
          onChange={(directionWords, i) => onChange({ directionWords }, "directions", `direction ${i}`)}
        />
      )}
    </div>
  );
}

/** A level with as many directions as are chosen: those of the drill under its own words, until others are written. */
const directionsOf = (n: string, drill: Drill): Partial<DrillLevel> =>
  n === "2"
    ? { directions: 2, directionWords: drill.directionWords ?? USUAL_DIRECTIONS }
    : { directions: n === "1" ? 1 : undefined, directionWords: undefined };
