import type { Call, Tone } from "~/core/player/calls";

const TONES: Record<Tone, { hertz: number; seconds: number; gain: number }[]> = {
  begin: [{ hertz: 880, seconds: 0.32, gain: 0.35 }],
  count: [{ hertz: 520, seconds: 0.09, gain: 0.25 }],
  end: [{ hertz: 440, seconds: 0.36, gain: 0.35 }],
  beat: [{ hertz: 660, seconds: 0.05, gain: 0.12 }],
  over: [
    { hertz: 523, seconds: 0.22, gain: 0.3 },
    { hertz: 659, seconds: 0.22, gain: 0.3 },
    { hertz: 784, seconds: 0.5, gain: 0.3 },
  ],
};

export type SoundSettings = { tones: boolean; voice: boolean };

/** Tones made in the browser and calls through its voice, where it has one. Made on a tap, as browsers ask. */
export class Sound {
  private context: AudioContext | undefined;

  static hasVoice(): boolean {
    return typeof speechSynthesis !== "undefined";
  }

  /** Call it on a tap: browsers let sound begin only then. */
  wake(): void {
    if (typeof AudioContext === "undefined") return;
    this.context ??= new AudioContext();
    if (this.context.state === "suspended") void this.context.resume();
  }

  /** Whether somebody who is not looking could follow by ear: sound is on, and the device lets it play. */
  isPlaying(settings: SoundSettings): boolean {
    return (settings.tones || (settings.voice && Sound.hasVoice())) && this.context?.state === "running";
  }

  play(call: Call, settings: SoundSettings): void {
    if (call.tone && settings.tones) this.tone(call.tone);
    if (call.say && settings.voice && Sound.hasVoice()) this.say(call.say);
  }

  quiet(): void {
    if (Sound.hasVoice()) speechSynthesis.cancel();
  }

  private tone(tone: Tone): void {
    const context = this.context;
    if (!context || context.state !== "running") return;
    let at = context.currentTime;
    for (const { hertz, seconds, gain } of TONES[tone]) {
      const source = context.createOscillator();
      const level = context.createGain();
      source.frequency.value = hertz;
      level.gain.setValueAtTime(0, at);
      level.gain.linearRampToValueAtTime(gain, at + 0.012);
      level.gain.exponentialRampToValueAtTime(0.0001, at + seconds);
      source.connect(level).connect(context.destination);
      source.start(at);
      source.stop(at + seconds + 0.02);
      at += seconds * 0.8;
    }
  }

  private say(text: string): void {
    // A call that is still being spoken is overtaken: the newest one is the one that counts.
    speechSynthesis.cancel();
    const words = new SpeechSynthesisUtterance(text);
    words.lang = "en-GB";
    words.rate = 1.05;
    speechSynthesis.speak(words);
  }
}

const KEY = "mapset-sound";

export function readSound(): SoundSettings {
  try {
    return { tones: true, voice: true, ...(JSON.parse(localStorage.getItem(KEY) ?? "{}") as Partial<SoundSettings>) };
  } catch {
    return { tones: true, voice: true };
  }
}

export function keepSound(settings: SoundSettings): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(settings));
  } catch {
    // Without storage the choice lasts as long as the page.
  }
}
