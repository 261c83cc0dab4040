import { Copy, FlipHorizontal2, Trash2 } from "lucide-react";
import type { SetMotion } from "./motion-settings";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { NumberField } from "~/app/ui/number-field";
import { withKeyCopied, withoutKey } from "~/core/figure/editing";
import type { Animation } from "~/core/figure/animation";

export function Keys({
  motion,
  index,
  onChoose,
  onMirror,
  setMotion,
}: {
  motion: Animation;
  index: number;
  onChoose: (index: number) => void;
  onMirror: () => void;
  setMotion: SetMotion;
}) {
  const { keys, beats } = motion;
  const key = keys[index]!;
  const after = keys[index + 1]?.at ?? beats;
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-sm font-medium text-ink-soft">Key positions on the beats</legend>
      <div className="flex flex-wrap gap-1.5">
        {keys.map((k, i) => (
          <button
            key={k.at}
            type="button"
            aria-pressed={i === index}
            onClick={() => onChoose(i)}
            className={cx(
              "flex min-h-11 min-w-14 flex-col items-center justify-center rounded-md border px-2",
              i === index ? "border-buoy bg-depth-1 font-semibold" : "border-line bg-paper hover:bg-land-deep",
            )}
          >
            <span>{i + 1}</span>
            <span className="text-xs text-ink-faint">{k.at === 0 ? "start" : `beat ${k.at}`}</span>
          </button>
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <NumberField
          label="On beat"
          className="w-36"
          value={key.at}
          min={index === 0 ? 0 : keys[index - 1]!.at + 0.1}
          max={index === 0 ? 0 : Math.max(keys[index - 1]!.at + 0.1, (keys[index + 1]?.at ?? beats + 0.1) - 0.1)}
          step={0.5}
          onChange={(at) =>
            setMotion(
              (m) => ({ ...m, keys: m.keys.with(index, { ...m.keys[index]!, at }) }),
              "move the key",
              `at ${index}`,
            )
          }
        />
        <Button
          disabled={after - key.at < 0.2 || keys.length >= 24}
          onClick={() => {
            setMotion((m) => withKeyCopied(m, index, Math.round(((key.at + after) / 2) * 10) / 10), "copy the key");
            onChoose(index + 1);
          }}
        >
          <Copy size={15} aria-hidden /> Copy
        </Button>
        <Button onClick={onMirror}>
          <FlipHorizontal2 size={15} aria-hidden /> Mirror
        </Button>
        <Button
          kind="quiet"
          disabled={keys.length === 1 || index === 0}
          onClick={() => {
            setMotion((m) => withoutKey(m, index), "remove the key");
            onChoose(index - 1);
          }}
        >
          <Trash2 size={15} aria-hidden /> Remove
        </Button>
      </div>
    </fieldset>
  );
}
