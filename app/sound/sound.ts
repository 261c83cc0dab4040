import { LaidTones } from "~/app/sound/tones";
import type { Call } from "~/core/player/calls";
import { tried } from "~/core/tried";
import type { Seconds } from "~/core/units";

const inConsole = (error: unknown): void => console.error("Mapset: no sound", error);

export type SoundSettings = { tones: boolean; voice: boolean };

/** Tones on the device's audio clock, and calls through the browser's voice, where it has one. Made on a tap, as browsers ask. */
export class Sound {
  private context: AudioContext | undefined;
  private tones: LaidTones | undefined;

  /** `onReady` is called when the device lets sound play, at first and after it was taken away. */
  constructor(private readonly onReady: () => void) {}

  static hasVoice(): boolean {
    return typeof speechSynthesis !== "undefined";
  }

  /** Call it on a tap: browsers let sound begin only then. */
  wake(): void {
    if (typeof AudioContext === "undefined") return;
    // A device that has no sound to give makes none: what is followed goes on.
    tried(() => {
      if (!this.context) {
        const context = new AudioContext();
        this.tones = new LaidTones(context);
        context.addEventListener("statechange", () => context.state === "running" && this.onReady());
        this.context = context;
      }
      if (this.context.state === "suspended") void this.context.resume().catch(() => undefined);
    }, inConsole);
  }

  /** Whether somebody who is not looking could follow by ear: sound is on, and the device lets it play. */
  isPlaying(settings: SoundSettings): boolean {
    return (settings.tones || (settings.voice && Sound.hasVoice())) && this.context?.state === "running";
  }

  /** How long the device has been playing sound, in seconds. It stands still while the device sleeps, whatever the page's timers do. */
  get played(): Seconds {
    return this.context?.currentTime ?? 0;
  }

  /** Lays the tones of a run from where it is on, or takes them all back; `goingOn` where nothing was done to it since. */
  lay(calls: readonly Call[], position: Seconds, settings: SoundSettings, goingOn: boolean): void {
    tried(() => {
      if (settings.tones && this.context?.state === "running") this.tones?.lay(calls, position, goingOn);
      else this.tones?.takeBack();
    }, inConsole);
  }

  say(call: Call, settings: SoundSettings): void {
    if (!call.say || !settings.voice || !Sound.hasVoice()) return;
    const { say } = call;
    tried(() => {
      // A call that is still being spoken is overtaken: the newest one is the one that counts.
      speechSynthesis.cancel();
      const words = new SpeechSynthesisUtterance(say);
      words.lang = "en-GB";
      words.rate = 1.05;
      speechSynthesis.speak(words);
    }, inConsole);
  }

  quiet(): void {
    tried(() => {
      this.tones?.takeBack();
      if (Sound.hasVoice()) speechSynthesis.cancel();
    }, inConsole);
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
