import { ScaleLines } from "~/app/ui/scale-lines";
import { needsOf } from "~/core/drills/form";
import { Still } from "~/app/ui/figure/still";
import { doseWords } from "~/core/dose/dose";
import type { Drill } from "~/core/drills/schema";
import { KIT_FACTS, type Kit } from "~/core/vocabulary/kit";
import { type LevelName, LEVELS } from "~/core/vocabulary/levels";
import { POSTURE_WORDS } from "~/core/vocabulary/postures";
import { groundWords, roomWords } from "~/core/wording/room";
import { stressWords } from "~/core/wording/stresses";
import { LEVEL_WORDS, SIDE_MODE_WORDS } from "~/core/wording/words";

/** The three levels beside each other, with what each loads. */
export function Levels({ drill }: { drill: Drill }) {
  return (
    <section aria-labelledby="levels">
      <h2 id="levels" className="wide-type mb-2 text-lg font-semibold">
        Levels side by side
      </h2>
      <div className="grid gap-3 md:grid-cols-3">
        {LEVELS.map((name) => {
          const level = drill.levels[name];
          return (
            <article key={name} className="flex flex-col gap-1 rounded-lg border border-line bg-land p-3">
              <h3 className="font-semibold first-letter:uppercase">{LEVEL_WORDS[name]}</h3>
              {drill.motions && (
                <div className="grid grid-cols-2">
                  {(["start", "end"] as const).map((at) => (
                    <Still
                      key={at}
                      drill={drill.id}
                      level={name}
                      at={at}
                      size={170}
                      alt={`${LEVEL_WORDS[name]}, ${at}`}
                      className="h-auto w-full"
                    />
                  ))}
                </div>
              )}
              {level.name && <p className="font-medium">{level.name}</p>}
              <p>{level.how}</p>
              <p className="text-sm text-ink-soft">
                {doseWords(level.dose)} · {POSTURE_WORDS[level.posture]}
                {level.sides && level.sides !== drill.sides && ` · ${SIDE_MODE_WORDS[level.sides]}`}
              </p>
              <KitLine words="Kit" kit={needsOf(level)} />
              <KitLine words="Helps" kit={level.helps ?? []} />
              <p className="text-sm text-ink-soft">
                {[roomWords(drill, name), groundWords(drill, name)].filter(Boolean).join(" ")}
              </p>
              <ScaleLines drill={drill} level={name} />
              <Stresses drill={drill} name={name} />
            </article>
          );
        })}
      </div>
    </section>
  );
}

function KitLine({ words, kit }: { words: string; kit: readonly Kit[] }) {
  if (kit.length === 0) return null;
  return (
    <p className="text-sm text-ink-soft">
      {words}: {[...new Set(kit)].map((k) => `${KIT_FACTS[k].words} (or ${KIT_FACTS[k].instead})`).join(", ")}
    </p>
  );
}

/** What a level loads that people may protect: much of it first, then some; why, where the drawing does not show it. */
function Stresses({ drill, name }: { drill: Drill; name: LevelName }) {
  const { much, some, drawn, because } = stressWords(drill, name);
  return (
    <div className="text-sm text-ink-soft">
      {!drawn && (
        <p className="font-medium text-plum">
          Not drawn, so nobody knows what it loads: it is never given to anyone who protects an area.
        </p>
      )}
      {much.length > 0 && <p>Loads much: {much.join(", ")}</p>}
      {some.length > 0 && <p>Loads some: {some.join(", ")}</p>}
      {much.length + some.length === 0 && drawn && <p>Loads none of the areas people protect.</p>}
      {because.length > 0 && (
        <details>
          <summary className="underline underline-offset-4">Some of it does not show in the drawing</summary>
          <ul className="mt-1 list-disc pl-5">
            {because.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
