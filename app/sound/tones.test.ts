import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { heardNow, LAID_AHEAD, LaidTones, type AudioOut } from "./tones";
import type { Call } from "~/core/player/calls";

/** An audio clock that is turned by hand, and everything that was begun on it and not taken back in time. */
function recorded(outputLatency = 0) {
  const state = { currentTime: 0 };
  const notes: { from: number; until: number; hertz: number }[] = [];
  const param = () => ({
    value: 0,
    setValueAtTime: () => undefined,
    linearRampToValueAtTime: () => undefined,
    exponentialRampToValueAtTime: () => undefined,
  });
  const out = {
    get currentTime() {
      return state.currentTime;
    },
    outputLatency,
    destination: {},
    createGain: () => ({ gain: param(), connect: (to: unknown) => to }),
    createOscillator: () => {
      const frequency = param();
      const note = { from: 0, until: 0, hertz: 0 };
      return {
        frequency,
        connect: (to: unknown) => to,
        start: (at: number) => {
          note.from = Math.max(at, state.currentTime);
          note.hertz = frequency.value;
          notes.push(note);
        },
        stop: (at: number) => {
          note.until = Math.max(at, state.currentTime);
        },
      };
    },
  } as unknown as AudioOut;
  /** First notes only, which were really heard. */
  const heard = (hertz: number) =>
    notes
      .filter((note) => note.until > note.from && note.hertz === hertz)
      .map((note) => note.from)
      .sort((a, b) => a - b);
  return { out, state, heard };
}

const counts = (...at: number[]): Call[] => at.map((one) => ({ at: one, tone: "count" as const }));
const COUNT = 520;

describe("tones laid ahead", () => {
  it("sound at their moments on the audio clock, less the latency of the output, at least a minute and a half ahead", () => {
    const { out, state, heard } = recorded(0.03);
    state.currentTime = 5;
    new LaidTones(out).lay([...counts(2, 12, 90, 179, 181), { at: 20, say: "Halfway." }], 10, false);
    const ahead = heard(COUNT).map((from) => from - (5 - 0.03));
    expect(ahead).toHaveLength(4);
    [12, 90, 179, 181].forEach((at, i) => expect(ahead[i]).toBeCloseTo(at - 10, 9));
    expect(LAID_AHEAD).toBeGreaterThanOrEqual(60 + 90);
  });
  it("go by what the browser tells of its output, where that can be right", () => {
    const told = (contextTime: number, ago: number) =>
      heardNow({
        ...recorded().out,
        currentTime: 7,
        outputLatency: 0.05,
        getOutputTimestamp: () => ({ contextTime, performanceTime: contextTime && performance.now() - ago }),
      });
    // A tenth of a second ago 6.87 left the device: now it is 6.97, though the clock, a buffer late, makes it 6.95.
    expect(told(6.87, 100)).toBeCloseTo(6.97, 2);
    // Nothing has been heard yet, or it is no time at all: the clock less the latency.
    expect(told(0, 0)).toBeCloseTo(6.95, 9);
    expect(told(1, 100)).toBeCloseTo(6.95, 9);
  });
  it("are taken back at a pause, and laid anew from where the run is then", () => {
    const { out, state, heard } = recorded();
    const tones = new LaidTones(out);
    tones.lay(counts(1, 3, 5), 0, false);
    state.currentTime = 2;
    tones.takeBack();
    expect(heard(COUNT)).toEqual([1]);
    state.currentTime = 10;
    tones.lay(counts(1, 3, 5), 2, false);
    expect(heard(COUNT)).toEqual([1, 11, 13]);
  });
  it("let ring out what has begun, and begin again what the run goes back to", () => {
    const { out, state, heard } = recorded();
    const tones = new LaidTones(out);
    tones.lay(counts(1, 2), 0, false);
    state.currentTime = 1.02;
    tones.lay(counts(1, 2), 1.02, true);
    expect(heard(COUNT)).toEqual([1, 2]);
    state.currentTime = 1.5;
    tones.lay(counts(1, 2), 0.5, false);
    expect(heard(COUNT)).toEqual([1, 2, 3]);
  });
  it("a tone of several notes gives one after the other", () => {
    const { out, heard } = recorded();
    new LaidTones(out).lay([{ at: 4, tone: "over" }], 0, false);
    expect([heard(523), heard(659), heard(784)]).toEqual([[4], [4 + 0.22 * 0.8], [4 + 2 * 0.22 * 0.8]]);
  });
  it("sound all their notes when they are laid anew in the middle of them, and none of the rest at a pause", () => {
    const { out, state, heard } = recorded();
    const tones = new LaidTones(out);
    const last: Call[] = [{ at: 4, tone: "over" }];
    tones.lay(last, 0, false);
    state.currentTime = 4.05;
    tones.lay(last, 4.05, true);
    expect([heard(523), heard(659), heard(784)].map((notes) => notes.length)).toEqual([1, 1, 1]);
    tones.takeBack();
    expect([heard(523), heard(659), heard(784)].map((notes) => notes.length)).toEqual([1, 0, 0]);
  });
  it("sound once each, within 10 ms, however the clocks part and however seldom they are laid anew", () => {
    const script = fc.record({
      calls: fc
        .uniqueArray(fc.integer({ min: 1, max: 4000 }), { minLength: 1, maxLength: 40 })
        .map((all) => all.sort((a, b) => a - b).map((n) => n / 10)),
      // The audio clock may be off by 50 parts in a million, and a page out of sight is woken once a minute at worst.
      skew: fc.double({ min: -5e-5, max: 5e-5, noNaN: true }),
      waits: fc.array(
        fc.integer({ min: 1, max: 600 }).map((n) => n / 10),
        { minLength: 10, maxLength: 60 },
      ),
    });
    fc.assert(
      fc.property(script, ({ calls, skew, waits }) => {
        const { out, state, heard } = recorded();
        const tones = new LaidTones(out);
        const list = counts(...calls);
        let run = 0;
        tones.lay(list, run, false);
        for (const wait of waits) {
          run += wait;
          state.currentTime = run * (1 + skew);
          tones.lay(list, run, true);
        }
        const due = calls.filter((at) => at < run);
        const begun = heard(COUNT).filter((at) => at < run * (1 + skew) - 1e-9);
        expect(begun.length).toBeGreaterThanOrEqual(due.length - 1);
        due.slice(0, begun.length).forEach((at, i) => expect(Math.abs(begun[i]! / (1 + skew) - at)).toBeLessThan(0.01));
      }),
    );
  });
});
