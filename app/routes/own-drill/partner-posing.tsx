import { UserMinus, UserPlus } from "lucide-react";
import type { SetMotion } from "./motion-settings";
import { Button } from "~/app/ui/button";
import { Segments } from "~/app/ui/segments";
import { NumberField } from "~/app/ui/number-field";
import { withoutPartner, withPartner } from "~/core/figure/partner";
import type { Animation } from "~/core/figure/animation";

const WHO = [
  { value: "first", words: "First person" },
  { value: "partner", words: "Partner" },
] as const;

type Place = {
  label: string;
  value: number;
  least: number;
  most: number;
  step: number;
  set: (n: number) => Partial<NonNullable<Animation["second"]>>;
};

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
  const [x, z] = second.at;
  const places: readonly Place[] = [
    { label: "In front, m", value: x, least: -3, most: 3, step: 0.1, set: (n) => ({ at: [n, z] }) },
    { label: "To the right, m", value: z, least: -3, most: 3, step: 0.1, set: (n) => ({ at: [x, n] }) },
    { label: "Turned, °", value: second.turn, least: -180, most: 360, step: 15, set: (turn) => ({ turn }) },
  ];
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Who is posed; playing shows both</legend>
      <Segments label="Who is posed" value={who} options={WHO} onChange={onWho} />
      {who === "partner" && (
        <div className="flex flex-wrap items-end gap-2">
          {places.map(({ label, value, least, most, step, set }) => (
            <NumberField
              key={label}
              label={label}
              className="w-32"
              value={value}
              min={least}
              max={most}
              step={step}
              onChange={(n) =>
                setMotion(
                  (m) => (m.second ? { ...m, second: { ...m.second, ...set(n) } } : m),
                  "where the partner stands",
                  label,
                )
              }
            />
          ))}
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
