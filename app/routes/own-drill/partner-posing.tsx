import { UserMinus, UserPlus } from "lucide-react";
import type { SetMotion } from "./motion-settings";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { NumberField } from "~/app/ui/number-field";
import { withoutPartner, withPartner } from "~/core/figure/partner";
import type { Animation } from "~/core/figure/animation";

const WHO = [
  { value: "first", words: "First person" },
  { value: "partner", words: "Partner" },
] as const;

/** Who of two is posed, and where the partner stands. Each is posed by themselves; playing shows both. */
export function PartnerPosing({
  motion,
  who,
  onWho,
  setMotion,
}: {
  motion: Animation;
  who: "first" | "partner";
  onWho: (who: "first" | "partner") => void;
  setMotion: SetMotion;
}) {
  const { second } = motion;
  if (!second)
    return (
      <Button
        className="self-start"
        onClick={() => {
          setMotion(withPartner, "draw a partner");
          onWho("partner");
        }}
      >
        <UserPlus size={15} aria-hidden /> Draw a partner
      </Button>
    );
  const place = (at: [number, number], words: string, key: string) =>
    setMotion((m) => (m.second ? { ...m, second: { ...m.second, at } } : m), words, key);
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Who is posed; playing shows both</legend>
      <div
        role="group"
        aria-label="Who is posed"
        className="grid grid-cols-2 overflow-hidden rounded-md border border-line"
      >
        {WHO.map(({ value, words }) => (
          <button
            key={value}
            type="button"
            aria-pressed={value === who}
            className={cx(
              "min-h-9",
              value === who ? "bg-depth-5 font-semibold text-paper" : "bg-paper hover:bg-land-deep",
            )}
            onClick={() => onWho(value)}
          >
            {words}
          </button>
        ))}
      </div>
      {who === "partner" && (
        <div className="flex flex-wrap items-end gap-2">
          <NumberField
            label="In front, m"
            className="w-32"
            value={second.at[0]}
            min={-3}
            max={3}
            step={0.1}
            onChange={(x) => place([x, second.at[1]], "where the partner stands", "partner x")}
          />
          <NumberField
            label="To the right, m"
            className="w-32"
            value={second.at[1]}
            min={-3}
            max={3}
            step={0.1}
            onChange={(z) => place([second.at[0], z], "where the partner stands", "partner z")}
          />
          <NumberField
            label="Turned, °"
            className="w-32"
            value={second.turn}
            min={-180}
            max={360}
            step={15}
            onChange={(turn) =>
              setMotion(
                (m) => (m.second ? { ...m, second: { ...m.second, turn } } : m),
                "how the partner is turned",
                "partner turn",
              )
            }
          />
          <Button
            kind="quiet"
            onClick={() => {
              setMotion(withoutPartner, "remove the partner");
              onWho("first");
            }}
          >
            <UserMinus size={15} aria-hidden /> Remove the partner
          </Button>
        </div>
      )}
    </fieldset>
  );
}
