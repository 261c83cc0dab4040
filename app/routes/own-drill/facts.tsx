import { useDeferredValue, useMemo, useState } from "react";
import type { DrillEditor } from "./use-drill-editor";
import { DirectionWords, USUAL_DIRECTIONS } from "./directions";
import { LevelWays } from "./level-ways";
import { LevelWords } from "./level-words";
import { ScaleFields } from "./scale-fields";
import { Ticks } from "./ticks";
import { DoseEditor } from "~/app/ui/dose/dose-editor";
import { Field, SelectField } from "~/app/ui/field";
import { NumberField } from "~/app/ui/number-field";
import { Segments } from "~/app/ui/segments";
import { KIT, KIT_FACTS, type Kit } from "~/core/vocabulary/kit";
import { MOTION_FACTS, MOTIONS, type Motion } from "~/core/vocabulary/motions";
import { AREAS, type Area } from "~/core/vocabulary/areas";
import { METHODS } from "~/core/vocabulary/methods";
import { REGIONS, type Drill, type DrillLevel, type Load } from "~/core/drills/schema";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { REHEARSAL_WORDS, REHEARSALS, type Rehearsal } from "~/core/vocabulary/rehearses";
import { PARTNER_WORDS } from "~/core/wording/scales";
import { USUAL_PACE } from "~/core/dose/pace";
import { withStress } from "~/core/stress/attach";
import { stressLines } from "~/core/stress/own";
import { AREA_WORDS, REGION_WORDS } from "~/core/wording/areas";
import { stressWords } from "~/core/wording/stresses";
import { LEVEL_WORDS, METHOD_WORDS, SIDE_MODE_WORDS } from "~/core/wording/words";
import { POSTURE_WORDS, POSTURES } from "~/core/vocabulary/postures";

/** What planning and timing go by: method, sides, and for each level posture, kit, rows, loads, dose and its bounds. */
export function Facts({ editor }: { editor: DrillEditor }) {
  const { drill, change } = editor;
  const [level, setLevel] = useState<LevelName>("standard");
  const facts = drill.levels[level];
  const set = (part: Partial<Drill>, words: string) => change((d) => ({ ...d, ...part }), words);
  const setLevelPart = (part: Partial<DrillLevel>, words: string, key?: string) =>
    change(
      (d) => ({ ...d, levels: { ...d.levels, [level]: { ...d.levels[level], ...part } } }),
      `${LEVEL_WORDS[level]}: ${words}`,
      key && `${level} ${key}`,
    );
  return (
    <section aria-label="Facts" className="flex flex-col gap-4 rounded-lg border border-line bg-land p-4">
      <h2 className="wide-type text-lg font-semibold">Facts</h2>
      <div className="grid gap-3 sm:grid-cols-2">
        <SelectField
          label="Region"
          value={drill.region}
          options={REGIONS.map((value) => ({ value, words: REGION_WORDS[value] }))}
          onChange={(region) => set({ region }, "region")}
        />
        <SelectField
          label="Method"
          value={drill.method}
          options={METHODS.map((value) => ({ value, words: METHOD_WORDS[value] }))}
          onChange={(method) => set({ method }, "method")}
        />
        <SelectField
          label="Sides"
          value={drill.sides}
          options={(["together", "each", "alternating"] as const).map((value) => ({
            value,
            words: SIDE_MODE_WORDS[value],
          }))}
          onChange={(sides) => set({ sides }, "sides")}
        />
        <SelectField
          label="Directions"
          value={String(drill.directions)}
          options={[
            { value: "1", words: "one" },
            { value: "2", words: "two" },
          ]}
          onChange={(n) =>
            set(
              n === "2"
                ? { directions: 2, directionWords: drill.directionWords ?? USUAL_DIRECTIONS }
                : { directions: 1, directionWords: undefined },
              "directions",
            )
          }
        />
        {drill.directions === 2 && (
          <DirectionWords
            words={drill.directionWords}
            onChange={(directionWords, i) => change((d) => ({ ...d, directionWords }), "directions", `direction ${i}`)}
          />
        )}
      </div>
      {drill.sides !== "together" && (
        <Field
          label="The side that is called is…"
          hint="As in “left”: the leg in front, the arm that reaches. Say it in the first line of the set-up, too."
          value={drill.working ?? ""}
          maxLength={60}
          onChange={(e) => change((d) => ({ ...d, working: e.target.value || undefined }), "called side", "working")}
        />
      )}
      <div className="grid gap-3 sm:grid-cols-2">
        <SelectField
          label="Done"
          value={drill.partner ?? "alone"}
          options={PARTNERS.map((value) => ({ value, words: PARTNER_WORDS[value] }))}
          onChange={(partner) => set({ partner: partner === "alone" ? undefined : partner }, "partner")}
        />
        <Field
          label="Also found by (optional)"
          hint="Everyday names, with commas: hamstrings, broomstick."
          defaultValue={(drill.searchWords ?? []).join(", ")}
          key={(drill.searchWords ?? []).join()}
          maxLength={400}
          onBlur={(e) => {
            const words = searchWordsOf(e.target.value);
            if (words.join() !== (drill.searchWords ?? []).join())
              set({ searchWords: words.length > 0 ? words : undefined }, "search words");
          }}
        />
      </div>
      <Ticks<Rehearsal>
        title="Rehearses"
        all={REHEARSALS}
        chosen={drill.rehearses ?? []}
        words={(one) => REHEARSAL_WORDS[one]}
        onChange={(rehearses) => set({ rehearses: rehearses.slice(0, 6) }, "what it rehearses")}
      />
      <Segments
        label="Level to describe"
        value={level}
        options={LEVELS.map((value) => ({ value, words: LEVEL_WORDS[value] }))}
        onChange={setLevel}
      />
      <Field
        label="What makes this level what it is"
        value={facts.how}
        maxLength={400}
        onChange={(e) => setLevelPart({ how: e.target.value }, "how", "how")}
      />
      <div className="grid gap-3 sm:grid-cols-2">
        <Field
          label="Its own name (optional)"
          hint="Where this level is really another exercise."
          value={facts.name ?? ""}
          maxLength={80}
          onChange={(e) => setLevelPart({ name: e.target.value || undefined }, "name", "name")}
        />
        <SelectField
          label="Its sides"
          value={facts.sides ?? "same"}
          options={[
            { value: "same" as const, words: "as the drill" },
            ...(["together", "each", "alternating"] as const).map((value) => ({
              value,
              words: SIDE_MODE_WORDS[value],
            })),
          ]}
          onChange={(sides) => setLevelPart({ sides: sides === "same" ? undefined : sides }, "sides")}
        />
      </div>
      <LevelWays drill={drill} level={level} onChange={setLevelPart} />
      <LevelWords drill={drill} level={level} onChange={setLevelPart} />
      <ScaleFields drill={drill} level={level} onChange={setLevelPart} />
      <div className="grid gap-3 sm:grid-cols-2">
        <SelectField
          label="Begins"
          value={facts.posture}
          options={POSTURES.map((value) => ({ value, words: POSTURE_WORDS[value] }))}
          onChange={(posture) =>
            setLevelPart({ posture, ...(facts.endPosture === facts.posture && { endPosture: posture }) }, "posture")
          }
        />
        <SelectField
          label="Ends"
          value={facts.endPosture}
          options={POSTURES.map((value) => ({ value, words: POSTURE_WORDS[value] }))}
          onChange={(endPosture) => setLevelPart({ endPosture }, "end posture")}
        />
      </div>
      <DoseEditor
        dose={facts.dose}
        level={facts}
        pace={USUAL_PACE}
        onChange={(dose, words, key) => setLevelPart({ dose }, words, `dose ${key}`)}
      />
      <div className="grid grid-cols-3 gap-3">
        {(["least", "most", "step"] as const).map((name) => (
          <NumberField
            key={name}
            label={name === "least" ? "At least" : name === "most" ? "At most" : "In steps of"}
            value={facts.bounds[name]}
            min={name === "step" ? 0.5 : 1}
            max={3600}
            step={1}
            onChange={(n) => setLevelPart({ bounds: { ...facts.bounds, [name]: n } }, "bounds", name)}
          />
        ))}
      </div>
      <Ticks<Motion>
        title="Works mainly on"
        all={MOTIONS}
        chosen={facts.main}
        words={(row) => MOTION_FACTS[row].words}
        least={1}
        onChange={(main) => setLevelPart(worked(facts, { main, also: without(facts.also, main) }), "main rows")}
      />
      <Ticks<Motion>
        title="Works also on"
        all={MOTIONS.filter((row) => !facts.main.includes(row))}
        chosen={facts.also}
        words={(row) => MOTION_FACTS[row].words}
        onChange={(also) => setLevelPart(worked(facts, { main: facts.main, also }), "other rows")}
      />
      {(facts.sides ?? drill.sides) === "each" && (
        <>
          <Ticks<Motion>
            title="Of which the other limb works, not the one that is called"
            all={[...facts.main, ...facts.also].filter((row) => MOTION_FACTS[row].sided)}
            chosen={facts.otherLimb ?? []}
            words={(row) => MOTION_FACTS[row].words}
            onChange={(rows) =>
              setLevelPart(
                { otherLimb: rowsOrNone(rows), bothLimbs: rowsOrNone(without(facts.bothLimbs, rows)) },
                "the other limb",
              )
            }
          />
          <Ticks<Motion>
            title="Of which both limbs work"
            all={[...facts.main, ...facts.also].filter((row) => MOTION_FACTS[row].sided)}
            chosen={facts.bothLimbs ?? []}
            words={(row) => MOTION_FACTS[row].words}
            onChange={(rows) =>
              setLevelPart(
                { bothLimbs: rowsOrNone(rows), otherLimb: rowsOrNone(without(facts.otherLimb, rows)) },
                "both limbs",
              )
            }
          />
        </>
      )}
      <Shown drill={drill} level={level} />
      <Ticks<Area>
        title="Also loads, though the drawing doesn’t show it; each counts as much"
        all={AREAS}
        chosen={facts.loads.map(areaOf)}
        words={(area) => AREA_WORDS[area]}
        onChange={(areas) =>
          setLevelPart(
            { loads: areas.map((area) => facts.loads.find((load) => areaOf(load) === area) ?? area) },
            "loads",
          )
        }
      />
      <Ticks<Kit>
        title="Kit"
        all={KIT}
        chosen={[...new Set(facts.kit)]}
        words={(kit) => KIT_FACTS[kit].words}
        onChange={(kit) =>
          setLevelPart(
            {
              kit: [...facts.kit.filter((k) => kit.includes(k)), ...kit.filter((k) => !facts.kit.includes(k))].slice(
                0,
                6,
              ),
              ...(facts.helps && { helps: facts.helps.filter((k) => kit.includes(k)) }),
            },
            "kit",
          )
        }
      />
      {facts.kit.length > 0 && (
        <Ticks<Kit>
          title="Of which only helps: without it, it’s still this drill"
          all={[...new Set(facts.kit)]}
          chosen={facts.helps ?? []}
          words={(kit) => KIT_FACTS[kit].words}
          onChange={(helps) => setLevelPart({ helps: helps.length > 0 ? helps : undefined }, "what only helps")}
        />
      )}
    </section>
  );
}

const PARTNERS = ["alone", "pairs", "line"] as const;

const MOST_WORDS = 20;
const searchWordsOf = (text: string): string[] =>
  [...new Set(text.split(",").map((word) => word.trim().slice(0, 40)))]
    .filter((word) => word.length > 1)
    .slice(0, MOST_WORDS);

const rowsOrNone = (rows: Motion[]): Motion[] | undefined => (rows.length > 0 ? rows : undefined);
const without = (rows: readonly Motion[] = [], others: readonly Motion[]): Motion[] =>
  rows.filter((row) => !others.includes(row));

/** Rows that a level works, with what it says of its limbs less what it no longer works. */
const worked = ({ otherLimb = [], bothLimbs = [] }: DrillLevel, rows: Pick<DrillLevel, "main" | "also">) => {
  const still = (all: readonly Motion[]) => rowsOrNone(all.filter((row) => [...rows.main, ...rows.also].includes(row)));
  return { ...rows, otherLimb: still(otherLimb), bothLimbs: still(bothLimbs) };
};

const areaOf = (load: Load): Area => (typeof load === "string" ? load : load.area);

/** What the drawing itself loads, worked out as it is drawn: a coach can add to it and not take from it. */
function Shown({ drill, level }: { drill: Drill; level: LevelName }) {
  const slow = useDeferredValue(drill);
  const { much, some, drawn } = useMemo(
    () =>
      stressWords(
        withStress(
          slow,
          stressLines({ ...slow, levels: { ...slow.levels, [level]: { ...slow.levels[level], loads: [] } } }),
        ),
        level,
      ),
    [slow, level],
  );
  return (
    <div className="flex flex-col gap-1 rounded-md bg-plum-wash px-3 py-2 text-sm">
      <p className="font-medium">What the drawing shows it loads</p>
      {drawn ? (
        <p>
          {much.length + some.length === 0
            ? "Nothing."
            : [
                ...(much.length > 0 ? [`Much: ${much.join(", ")}.`] : []),
                ...(some.length > 0 ? [`Some: ${some.join(", ")}.`] : []),
              ].join(" ")}
        </p>
      ) : (
        <p>It isn’t drawn, so nobody knows. It is never given to anyone who protects an area.</p>
      )}
    </div>
  );
}
