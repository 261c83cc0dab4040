import { CautionList } from "~/app/ui/cautions";
import { formIn } from "~/core/drills/form";
import { TriangleAlert, X } from "lucide-react";
import type { ReactNode } from "react";
import { CueEditor } from "./cue-editor";
import { DoseEditor } from "~/app/ui/dose/dose-editor";
import { useDrills, useOwnIds } from "~/app/ui/drills";
import type { Desk, Place } from "./use-desk";
import { IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { Still } from "~/app/ui/figure/still";
import { SelectField } from "~/app/ui/field";
import { NumberField } from "~/app/ui/number-field";
import { KIT_FACTS, type Kit } from "~/core/vocabulary/kit";
import { newerRevision, readOwnId } from "~/core/drills/own";
import { MOTION_FACTS, type Motion } from "~/core/vocabulary/motions";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import type { Item, SideMode } from "~/core/session/schema";
import { LEVEL_WORDS, sensibleSides, SIDE_MODE_WORDS } from "~/core/wording/words";
import { stressesOfLevel } from "~/core/stress/at";
import { clockedWords } from "~/core/wording/clocked";
import { doseSeconds, sameDose } from "~/core/dose/dose";
import { itemDone } from "~/core/session/interval";

/** Everything about the selected drill: its numbers, then what it is, what to feel and what to take care of. */
export function DrillPanel({ desk, place, forPerson }: { desk: Desk; place: Place; forPerson?: ReactNode }) {
  const drills = useDrills();
  const ownIds = useOwnIds();
  const item = desk.session.blocks[place.block]?.items[place.item];
  const drill = item && formIn(item, drills);
  if (!item || !drill) return null;
  const newer = newerRevision(drill.id, ownIds);
  const level = drill.levels[item.level];
  const edit = (change: Partial<Item>, words: string, key?: string) =>
    desk.editItem(place, change, `${drill.name}: ${words}`, key);
  const setLevel = (name: LevelName) => {
    // The level's own dose comes with it unless the coach has chosen another.
    const ownDose = sameDose(item.dose, level.dose);
    edit({ level: name, ...(ownDose && { dose: drill.levels[name].dose }) }, LEVEL_WORDS[name]);
  };
  return (
    <div className="flex flex-col gap-4 p-4">
      <header className="flex items-start gap-2">
        <div className="min-w-0 flex-1">
          <h2 className="wide-type text-lg leading-snug font-semibold">{drill.name}</h2>
          <p className="text-ink-soft">{drill.brief}</p>
        </div>
        <IconButton label="Close this drill" onClick={() => desk.select(undefined)}>
          <X size={17} aria-hidden />
        </IconButton>
      </header>
      <div className="flex gap-2 rounded-md border border-line bg-paper">
        {(["start", "end"] as const).map((at) => (
          <Still
            key={at}
            drill={drill.id}
            level={item.level}
            at={at}
            size={150}
            alt={`${drill.name}, ${at}`}
            className="min-w-0 flex-1"
          />
        ))}
      </div>
      <p className="-mt-2 flex flex-wrap gap-x-4 text-sm">
        <a
          href={`/library/${drill.id}`}
          target="_blank"
          rel="noreferrer"
          className="text-ink-soft underline underline-offset-4 hover:text-ink"
        >
          See it move and read more
        </a>
        {newer && (
          <button
            type="button"
            className="font-medium text-depth-6 underline underline-offset-4"
            onClick={() => edit({ drill: newer }, `revision ${readOwnId(newer)?.revision}`)}
          >
            You have changed this drill since. Use revision {readOwnId(newer)?.revision}
          </button>
        )}
      </p>
      <LevelChoice drill={drill} chosen={item.level} onChoose={setLevel} />
      <Cautions drill={drill} level={item.level} />
      <DoseEditor
        dose={item.dose}
        level={level}
        pace={desk.session.pace}
        clocked={clockedWords(desk.session.blocks[place.block]!, item, drills, desk.session.pace)}
        onChange={(dose, words, key) => edit({ dose }, words, `dose ${key}`)}
      />
      <SidesAndSets item={item} drill={drill} edit={edit} demo={desk.session.pace.demo} />
      <CueEditor
        cues={item.cues ?? []}
        longest={doseSeconds(
          itemDone(desk.session.blocks[place.block]!, item, drills, desk.session.pace).dose,
          desk.session.pace,
        )}
        onChange={(cues) => edit({ cues: cues.length > 0 ? cues : undefined }, "calls", "cues")}
      />
      {forPerson}
      <About
        drill={drill}
        level={level}
        without={item.without ?? []}
        onWithout={(without) => edit({ without: without.length > 0 ? without : undefined }, "kit")}
      />
    </div>
  );
}

function LevelChoice({
  drill,
  chosen,
  onChoose,
}: {
  drill: Drill;
  chosen: LevelName;
  onChoose: (level: LevelName) => void;
}) {
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Level</legend>
      <div className="grid grid-cols-3 overflow-hidden rounded-md border border-line">
        {LEVELS.map((level) => (
          <label
            key={level}
            className={cx(
              "flex min-h-9 items-center justify-center has-focus-visible:outline-2 has-focus-visible:-outline-offset-2 has-focus-visible:outline-ink",
              chosen === level ? "bg-depth-5 font-semibold text-paper dark:text-paper" : "bg-paper hover:bg-land-deep",
            )}
          >
            <input
              type="radio"
              name="level"
              className="sr-only"
              checked={chosen === level}
              onChange={() => onChoose(level)}
            />
            {LEVEL_WORDS[level]}
          </label>
        ))}
      </div>
      {chosen !== "standard" && <p className="text-sm text-ink-soft">{drill.levels[chosen].how}</p>}
    </fieldset>
  );
}

function Cautions({ drill, level }: { drill: Drill; level: LevelName }) {
  const hard = stressesOfLevel(drill, level).some((s) => s.area === "max-effort");
  return (
    <div className="flex gap-2.5 rounded-md border-l-4 border-plum bg-plum-wash px-3 py-2 text-sm">
      <TriangleAlert size={16} className="mt-0.5 shrink-0 text-plum" aria-hidden />
      <div className="flex flex-col gap-2">
        <CautionList cautions={drill.cautions} />
        {hard && <p>Strong effort: only where the group’s cap allows it, on a warm joint.</p>}
      </div>
    </div>
  );
}

function SidesAndSets({
  item,
  drill,
  edit,
  demo,
}: {
  item: Item;
  drill: Drill;
  edit: (change: Partial<Item>, words: string, key?: string) => void;
  demo: number;
}) {
  const modes = sensibleSides(drill);
  const mode: SideMode = item.sides ?? drill.sides;
  const options = modes.includes(mode) ? modes : [...modes, mode];
  const oneSided = mode === "each" || mode === "alternating";
  return (
    <div className="grid grid-cols-2 gap-3">
      <SelectField
        label="Sides"
        value={mode}
        options={options.map((value) => ({ value, words: SIDE_MODE_WORDS[value] }))}
        onChange={(sides) => edit({ sides: sides === drill.sides ? undefined : sides }, SIDE_MODE_WORDS[sides])}
      />
      {oneSided ? (
        <SelectField
          label="First side"
          value={item.firstSide ?? "session"}
          options={[
            { value: "session", words: "as the session" },
            { value: "left", words: "left" },
            { value: "right", words: "right" },
            { value: "current", words: "stay on the side in use" },
          ]}
          onChange={(first) => edit({ firstSide: first === "session" ? undefined : first }, `first side ${first}`)}
        />
      ) : (
        <span />
      )}
      {drill.directions === 2 && (
        <SelectField
          label="Directions"
          value={String(item.directions ?? 2)}
          options={[
            { value: "2", words: "both" },
            { value: "1", words: "one" },
          ]}
          onChange={(n) =>
            edit({ directions: n === "2" ? undefined : 1 }, n === "2" ? "both directions" : "one direction")
          }
        />
      )}
      <NumberField
        label="Sets"
        value={item.sets}
        min={1}
        max={20}
        whole
        onChange={(sets) => edit({ sets }, `sets ${item.sets} → ${sets}`, "sets")}
      />
      {item.sets > 1 && (
        <NumberField
          label="Rest between sets"
          unit="s"
          value={item.restBetweenSets}
          min={0}
          max={600}
          step={5}
          onChange={(s) => edit({ restBetweenSets: s }, `rest between sets ${s} s`, "between")}
        />
      )}
      <NumberField
        label="Rest after"
        unit="s"
        value={item.restAfter}
        min={0}
        max={600}
        step={5}
        onChange={(s) => edit({ restAfter: s }, `rest after ${s} s`, "after")}
      />
      <div className="flex flex-col gap-1">
        <NumberField
          label="Watch first"
          unit="s"
          value={item.demo ?? demo}
          min={0}
          max={600}
          step={5}
          hint={item.demo === undefined ? "As the session: at its first appearance" : undefined}
          onChange={(s) => edit({ demo: s }, `watch first ${s} s`, "demo")}
        />
        {item.demo !== undefined && (
          <button
            type="button"
            className="self-start text-xs text-ink-soft underline underline-offset-2"
            onClick={() => edit({ demo: undefined }, "watch first as the session")}
          >
            Back to the session’s
          </button>
        )}
      </div>
    </div>
  );
}

function About({
  drill,
  level,
  without,
  onWithout,
}: {
  drill: Drill;
  level: DrillLevel;
  without: Kit[];
  onWithout: (without: Kit[]) => void;
}) {
  const kit = [...new Set(level.kit)];
  return (
    <div className="flex flex-col gap-3 border-t border-line pt-3 text-sm">
      <Text title="Works on">
        {level.main.map(rowWords).join(", ")}
        {level.also.length > 0 && <span className="text-ink-faint">; also {level.also.map(rowWords).join(", ")}</span>}
      </Text>
      {kit.length > 0 && (
        <Text title="Kit">
          {kit.map((piece) => {
            const count = level.kit.filter((k) => k === piece).length;
            return (
              <span key={piece} className="block">
                {count > 1 ? `${count} × ` : ""}
                {KIT_FACTS[piece].words} <span className="text-ink-faint">(or {KIT_FACTS[piece].instead})</span>
                {level.helps?.includes(piece) && (
                  <label className="flex min-h-7 items-center gap-2">
                    <input
                      type="checkbox"
                      className="size-4 accent-(--depth-5)"
                      checked={without.includes(piece)}
                      onChange={(e) =>
                        onWithout(e.target.checked ? [...without, piece] : without.filter((one) => one !== piece))
                      }
                    />
                    It only helps: do without it here
                  </label>
                )}
              </span>
            );
          })}
        </Text>
      )}
      <List title="Set up" entries={drill.setUp} />
      <List title="Do" entries={drill.steps} />
      <List title="Feel it" entries={drill.feel} />
      <Text title="Felt elsewhere">
        {drill.elsewhere.map((e) => (
          <span key={e.felt} className="block">
            <span className="text-ink-soft">{e.felt}</span> {e.change}
          </span>
        ))}
      </Text>
      <Text title="Watch for">
        {drill.faults.map((f) => (
          <span key={f.see} className="block">
            <span className="text-ink-soft">{f.see}</span> “{f.say}”
          </span>
        ))}
      </Text>
      <Text title="Easier">{drill.levels.easier.how}</Text>
      <Text title="Harder">{drill.levels.harder.how}</Text>
    </div>
  );
}

const rowWords = (row: Motion) => MOTION_FACTS[row].words;

function Text({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <div>
      <h3 className="font-semibold">{title}</h3>
      <div>{children}</div>
    </div>
  );
}

function List({ title, entries }: { title: string; entries: readonly string[] }) {
  return (
    <Text title={title}>
      <ul>
        {entries.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </Text>
  );
}
