import { asc, eq } from "drizzle-orm";
import type { Page } from "playwright-core";
import { editionDrills, type Edition } from "~/core/edition/edition";
import { type Sent } from "~/core/live/commands";
import { fold } from "~/core/live/fold";
import { callsOf, type Call } from "~/core/player/calls";
import { freeze } from "~/core/live/frozen";
import type { EpochMs } from "~/core/units";
import type { Db } from "~/db/client";
import { edition, liveClass, liveCommand } from "~/db/schema";

/* What is heard of a class: recorded from the audio graph of the browser, against the moments of the class by the server’s clock. */

/** Everything that is led to the speakers goes through a recorder, too, which notes when something begins to sound after a little silence. */
const RECORDER = `
  class Recorder extends AudioWorkletProcessor {
    constructor() { super(); this.quiet = sampleRate; }
    process([[heard]]) {
      if (!heard) this.quiet += 128;
      else for (let i = 0; i < heard.length; i++) {
        if (Math.abs(heard[i]) < 1e-4) this.quiet++;
        else {
          if (this.quiet > 0.03 * sampleRate) this.port.postMessage(currentTime + i / sampleRate);
          this.quiet = 0;
        }
      }
      return true;
    }
  }
  registerProcessor("recorder", Recorder);`;
/** A script for a page that is yet to be opened: from then on it keeps what sounds, what is said and what is laid ahead. */
export const RECORDING = `(() => {
  const heard = (window.heard = []), said = (window.said = []), laid = (window.laid = []);
  const taps = new WeakMap();
  const connect = AudioNode.prototype.connect, start = OscillatorNode.prototype.start;
  const tapOf = (context) => {
    const tap = context.createGain();
    taps.set(context, tap);
    connect.call(tap, context.destination);
    context.audioWorklet.addModule(URL.createObjectURL(new Blob([${JSON.stringify(RECORDER)}], { type: "text/javascript" }))).then(() => {
      const recorder = new AudioWorkletNode(context, "recorder", { numberOfOutputs: 0 });
      recorder.port.onmessage = ({ data }) => {
        // When that moment of the audio clock left the device, by the device’s own clock.
        const { contextTime, performanceTime } = context.getOutputTimestamp();
        heard.push(performance.timeOrigin + performanceTime + (data - contextTime) * 1000);
      };
      connect.call(tap, recorder);
    });
    return tap;
  };
  AudioNode.prototype.connect = function (to, ...more) {
    return connect.call(this, to === this.context.destination ? (taps.get(this.context) ?? tapOf(this.context)) : to, ...more);
  };
  OscillatorNode.prototype.start = function (when = 0) {
    laid.push(when - this.context.currentTime);
    return start.call(this, when);
  };
  if (window.speechSynthesis) window.speechSynthesis.speak = ({ text }) => void said.push({ text, at: performance.timeOrigin + performance.now() });
})()`;

type Recorded = {
  /** When something began to sound, in milliseconds since 1970. */
  heard: EpochMs[];
  said: { text: string; at: EpochMs }[];
  /** How far ahead each note was laid, in seconds. */
  laid: number[];
};

/** What a page has kept by `RECORDING`. */
export const recordOf = (page: Page): Promise<Recorded> =>
  page.evaluate(() => {
    const { heard, said, laid } = window as unknown as Recorded;
    return { heard, said, laid };
  });

type ClassCall = Call & { moment: EpochMs };

/** The moments of a class’s calls, in milliseconds since 1970, as its commands and its timeline have them. */
export async function callsOfClass(db: Db, id: string): Promise<ClassCall[]> {
  const commands = await db.select().from(liveCommand).where(eq(liveCommand.classId, id)).orderBy(asc(liveCommand.n));
  const [row] = await db
    .select({ doc: edition.doc })
    .from(liveClass)
    .innerJoin(edition, eq(edition.id, liveClass.editionId))
    .where(eq(liveClass.id, id));
  const doc = row!.doc as Edition;
  const drills = editionDrills(doc);
  const { run } = fold(freeze(doc.session, drills), commands as unknown as Sent[]);
  return callsOf(run.segments, run.total, (block, item) => ({
    name: drills(doc.session.blocks[block]!.items[item]!.drill)!.name,
    cues: [],
  })).map((call) => ({ ...call, moment: run.anchor + call.at * 1000 }));
}

/** How far each tone and each spoken call was from the nearest moment that the class has for it, in milliseconds. */
export function offBy({ heard, said }: Recorded, calls: readonly ClassCall[]): { tones: number[]; spoken: number[] } {
  const off = (at: EpochMs, is: (call: ClassCall) => boolean) =>
    Math.min(...calls.filter(is).map(({ moment }) => Math.abs(at - moment)));
  return {
    tones: heard.map((at) => off(at, ({ tone }) => tone !== undefined)),
    spoken: said.map(({ text, at }) => off(at, ({ say }) => say === text)),
  };
}
