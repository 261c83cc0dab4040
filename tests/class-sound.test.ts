import { readFileSync } from "node:fs";
import type { Page } from "playwright-core";
import ts from "typescript";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { button, inStep, join, lead } from "./class-steps";
import { startWorld, type World } from "./harness";
import { editionDrills, type Edition } from "~/core/edition/edition";
import { FOLD, type Sent } from "~/core/live/commands";
import { fold } from "~/core/live/fold";
import { callsOf } from "~/core/player/calls";
import { median } from "~/core/statistics";
import { compile } from "~/core/timeline/compile";
import { liveClass, liveCommand, edition } from "~/db/schema";
import { asc, eq } from "drizzle-orm";

/* What is heard of a class: recorded from the audio graph of the browser, against the moments of the class by the server’s clock. */

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

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
const RECORDING = `(() => {
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

type Heard = { heard: number[]; said: { text: string; at: number }[]; laid: number[] };
const recordOf = (page: Page) =>
  page.evaluate(() => {
    const { heard, said, laid } = window as unknown as Heard;
    return { heard, said, laid };
  });

/** The moments of a class’s calls, in milliseconds since 1970, as its commands and its timeline have them. */
async function callsOfClass(id: string) {
  const commands = await world.db
    .select()
    .from(liveCommand)
    .where(eq(liveCommand.classId, id))
    .orderBy(asc(liveCommand.n));
  const [row] = await world.db
    .select({ doc: edition.doc })
    .from(liveClass)
    .innerJoin(edition, eq(edition.id, liveClass.editionId))
    .where(eq(liveClass.id, id));
  const doc = row!.doc as Edition;
  const drills = editionDrills(doc);
  const timeline = compile(doc.session, drills);
  const { run } = fold({ fold: FOLD, timeline }, commands as unknown as Sent[]);
  return callsOf(run.segments, run.total, (block, item) => ({
    name: drills(doc.session.blocks[block]!.items[item]!.drill)!.name,
    cues: [],
  })).map((call) => ({ ...call, moment: run.anchor + call.at * 1000 }));
}

describe("the sound of a class", () => {
  it("is as exact as it was laid, minutes ahead, in what an offline context renders", async () => {
    const { page } = await world.visitor();
    await page.goto("about:blank");
    const source = readFileSync(new URL("../app/sound/tones.ts", import.meta.url), "utf8");
    const { outputText } = ts.transpileModule(source, {
      compilerOptions: { module: ts.ModuleKind.ES2022, target: ts.ScriptTarget.ES2022 },
    });
    const moments = [0.5, 1.25, 2.001, 61.3, 120, 179.5];
    // Written out: what a test is made of would otherwise be put in the place of its import.
    const begins = await page.evaluate<number[]>(`(async () => {
      const { LaidTones } = await import(${JSON.stringify(`data:text/javascript,${encodeURIComponent(outputText)}`)});
      const rate = 22050, found = [];
      const out = new OfflineAudioContext(1, 181 * rate, rate);
      new LaidTones(out).lay(${JSON.stringify(moments.map((at) => ({ at, tone: "count" })))}, 0, false);
      const samples = (await out.startRendering()).getChannelData(0);
      for (let i = 0, quiet = rate; i < samples.length; i++) {
        if (Math.abs(samples[i]) < 1e-4) quiet++;
        else {
          if (quiet > 0.03 * rate) found.push(i / rate);
          quiet = 0;
        }
      }
      return found;
    })()`);
    expect(begins).toHaveLength(moments.length);
    moments.forEach((at, i) => expect(Math.abs(begins[i]! - at)).toBeLessThan(0.01));
  });

  it(
    "is heard at its moments from whichever device it is switched on, and from no other",
    { timeout: 90_000 },
    async () => {
      const { page, context, id, link } = await lead(world, "Rowers before the boat", { bypassCSP: true });
      await context.addInitScript(RECORDING);
      await page.reload();
      await inStep(page);
      const phone = await join(world, link, "Wren", { bypassCSP: true });
      await phone.evaluate(RECORDING);
      await button(page, "Start").click();
      await phone.getByTestId("drill").waitFor();
      expect((await recordOf(page)).laid).toEqual([]);
      await button(page, "Sound from this device").click();
      await button(phone, "Sound from this phone").click();
      // On to the first work, whose beats are seconds apart.
      for (const said of ["Next", "Next"]) await button(page, said).click();
      for (const device of [page, phone])
        await expect.poll(async () => (await recordOf(device)).heard.length, { timeout: 40_000 }).toBeGreaterThan(4);
      const calls = await callsOfClass(id);
      for (const device of [page, phone]) {
        const { heard, said, laid } = await recordOf(device);
        const off = (at: number, of: readonly { moment: number }[]) =>
          Math.min(...of.map(({ moment }) => Math.abs(at - moment)));
        const tones = heard.map((at) =>
          off(
            at,
            calls.filter(({ tone }) => tone),
          ),
        );
        // A command comes half a second before its effect, and tones are seconds apart. How exact they are depends on what else the
        // machine has to do: the bench measures it.
        expect(median(tones)!).toBeLessThan(200);
        // Spoken calls can’t be laid ahead; a call of these words is not far off.
        const late = said.map(({ text, at }) =>
          off(
            at,
            calls.filter(({ say }) => say === text),
          ),
        );
        expect(late.length).toBeGreaterThan(1);
        expect(median(late)!).toBeLessThan(1000);
        expect(Math.max(...laid)).toBeGreaterThan(90);
      }
      const before = (await recordOf(page)).laid.length;
      await button(page, "Skip this drill").click();
      await expect.poll(async () => (await recordOf(page)).laid.length).toBeGreaterThan(before);
    },
  );
});
