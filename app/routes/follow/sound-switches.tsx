import { useEffect, useState } from "react";
import { Sound, type SoundSettings } from "~/app/sound/sound";

/** Tones and spoken calls, each on or off. */
export function SoundSwitches({ sound, onSound }: { sound: SoundSettings; onSound: (sound: SoundSettings) => void }) {
  const [hasVoice, setHasVoice] = useState(true);
  useEffect(() => setHasVoice(Sound.hasVoice()), []);
  return (
    <fieldset className="flex flex-wrap gap-x-6">
      <legend className="sr-only">Sound</legend>
      <Switch label="Tones" on={sound.tones} onChange={(tones) => onSound({ ...sound, tones })} />
      {hasVoice ? (
        <Switch label="Spoken calls" on={sound.voice} onChange={(voice) => onSound({ ...sound, voice })} />
      ) : (
        <p className="flex min-h-11 items-center text-ink-soft">This browser has no voice; the calls are shown.</p>
      )}
    </fieldset>
  );
}

function Switch({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2.5 text-lg">
      <input
        type="checkbox"
        role="switch"
        className="size-6 accent-(--depth-5)"
        checked={on}
        onChange={(e) => onChange(e.target.checked)}
      />
      {label}
    </label>
  );
}
