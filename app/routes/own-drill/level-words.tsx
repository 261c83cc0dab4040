import { Cautions, Lines } from "./words";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";

/** What a level says of itself in place of the drill: its set-up, its steps, its cautions. Each begins as the drill has it. */
export function LevelWords({
  drill,
  level,
  onChange,
}: {
  drill: Drill;
  level: LevelName;
  onChange: (part: Partial<DrillLevel>, words: string, key?: string) => void;
}) {
  const facts = drill.levels[level];
  // What the drill says is what its standard level says.
  if (level === "standard" && !facts.setUp && !facts.steps && !facts.cautions) return null;
  const elsewhere = facts.posture !== drill.levels.standard.posture && facts.setUp === undefined;
  return (
    <div className="flex flex-col gap-3">
      {elsewhere && (
        <p className="text-sm font-medium text-plum">
          This level begins in another position: give it a set-up of its own, or people are told the wrong one.
        </p>
      )}
      <Own
        words="set-up"
        own={facts.setUp !== undefined}
        onOwn={(own) => onChange({ setUp: own ? [...drill.setUp] : undefined }, "its set-up")}
      >
        <Lines
          title="Its set-up"
          lines={facts.setUp ?? []}
          most={6}
          onChange={(setUp, i) => onChange({ setUp }, "its set-up", `set-up ${i}`)}
        />
      </Own>
      <Own
        words="steps"
        own={facts.steps !== undefined}
        onOwn={(own) => onChange({ steps: own ? [...drill.steps] : undefined }, "its steps")}
      >
        <Lines
          title="Its steps"
          lines={facts.steps ?? []}
          most={8}
          onChange={(steps, i) => onChange({ steps }, "its steps", `steps ${i}`)}
        />
      </Own>
      <Own
        words="cautions"
        own={facts.cautions !== undefined}
        onOwn={(own) =>
          onChange({ cautions: own ? drill.cautions.map((one) => ({ ...one })) : undefined }, "its cautions")
        }
      >
        <Cautions
          title="Its cautions"
          cautions={facts.cautions ?? []}
          onChange={(cautions, i) => onChange({ cautions }, "its cautions", `cautions ${i}`)}
        />
      </Own>
    </div>
  );
}

function Own({
  words,
  own,
  onOwn,
  children,
}: {
  words: string;
  own: boolean;
  onOwn: (own: boolean) => void;
  children: React.ReactNode;
}) {
  return (
    <div className="flex flex-col gap-1.5">
      <label className="flex min-h-7 items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="size-4 accent-(--depth-5)"
          checked={own}
          onChange={(e) => onOwn(e.target.checked)}
        />
        Has {words} of its own
      </label>
      {own && children}
    </div>
  );
}
