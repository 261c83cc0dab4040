import type { Call, Tone } from "~/core/player/calls";
import type { Seconds } from "~/core/units";

type Note = { hertz: number; seconds: Seconds; gain: number };

/** What each tone sounds like: notes one after the other, each begun while the one before rings out. */
const TONES: Readonly<Record<Tone, readonly Note[]>> = {
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

/** A note is begun when so much of the one before has passed. */
const OVERLAP = 0.8;
/** A note swells in this long, so that it does not click. */
const SWELL: Seconds = 0.012;

/**
 * Tones are laid this far ahead, so that a page out of sight, which may be woken once a minute only, has more than a minute and
 * a half of them left.
 */
export const LAID_AHEAD: Seconds = 180;
/** How far two clocks may part between one laying and the next, with much to spare. */
const SLIP: Seconds = 0.05;

/** A browser that tells of its output something this far from what its clock says is not believed. */
const UNLIKELY: Seconds = 0.5;

/** What of the browser's audio this needs; an offline context has it, too. */
export type AudioOut = Pick<BaseAudioContext, "currentTime" | "createOscillator" | "createGain" | "destination"> & {
  outputLatency?: number;
  getOutputTimestamp?: () => { contextTime?: Seconds; performanceTime?: number };
};

/**
 * The moment of the audio clock that is heard just now. The clock itself goes on in steps of a buffer, a hundredth of a second
 * and more; the browser knows which of its moments left the device when.
 */
export function heardNow(out: AudioOut): Seconds {
  const usual = out.currentTime - (out.outputLatency ?? 0);
  const { contextTime, performanceTime } = out.getOutputTimestamp?.() ?? {};
  if (!contextTime || !performanceTime) return usual;
  const exact = contextTime + (performance.now() - performanceTime) / 1000;
  return Math.abs(exact - usual) < UNLIKELY ? exact : usual;
}

/**
 * Tones on the audio clock: laid ahead at their exact moments, so that no timer of the page has a part in when they sound, and
 * taken back when something is changed. Laid anew now and then, since the clock of the sound and that of the page part by some
 * milliseconds in minutes.
 */
export class LaidTones {
  private laid: { source: OscillatorNode; call: Seconds; from: Seconds; until: Seconds }[] = [];

  constructor(private readonly out: AudioOut) {}

  /**
   * Lays the tones of calls from a position of the run on, taking back all that have not begun; what sounds already rings out.
   * `goingOn` where nothing was done to the run since: then what has begun is not begun again, and nothing is left out.
   */
  lay(calls: readonly Call[], position: Seconds, goingOn: boolean): void {
    const { currentTime } = this.out;
    const heard = heardNow(this.out);
    const begun = goingOn
      ? Math.max(-1, ...this.laid.filter(({ from }) => from <= currentTime).map(({ call }) => call))
      : -1;
    const first = position - (goingOn ? SLIP : 0);
    this.takeBack(begun);
    for (const { at, tone } of calls)
      if (tone && at >= first && at > begun && at < position + LAID_AHEAD)
        this.play(tone, at, Math.max(currentTime, heard + at - position));
  }

  /** Takes back every note that has not begun; those of calls up to `spare`, which are being sounded, are left. */
  takeBack(spare: Seconds = -1): void {
    const { currentTime } = this.out;
    const goes = ({ call, from }: { call: Seconds; from: Seconds }) => from > currentTime && call > spare;
    for (const one of this.laid) if (goes(one)) one.source.stop(0);
    // What has begun is remembered for a little, so that it is not begun again.
    this.laid = this.laid.filter((one) => !goes(one) && one.until > currentTime - 1);
  }

  private play(tone: Tone, call: Seconds, from: Seconds): void {
    let at = from;
    for (const { hertz, seconds, gain } of TONES[tone]) {
      const source = this.out.createOscillator();
      const level = this.out.createGain();
      const until = at + seconds + 0.02;
      source.frequency.value = hertz;
      level.gain.setValueAtTime(0, at);
      level.gain.linearRampToValueAtTime(gain, at + SWELL);
      level.gain.exponentialRampToValueAtTime(0.0001, at + seconds);
      source.connect(level).connect(this.out.destination);
      source.start(at);
      source.stop(until);
      this.laid.push({ source, call, from: at, until });
      at += seconds * OVERLAP;
    }
  }
}
