import { readFileSync } from "node:fs";
import ts from "typescript";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { button, inStep, join, lead } from "./class-steps";
import { startWorld, type World } from "./harness";
import { median } from "~/core/statistics";
import { callsOfClass, offBy, RECORDING, recordOf } from "~/scripts/setup/recorded-sound";

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());

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
      const calls = await callsOfClass(world.db, id);
      for (const device of [page, phone]) {
        const record = await recordOf(device);
        const { tones, spoken } = offBy(record, calls);
        // A command comes half a second before its effect, and tones are seconds apart. How exact they are depends on what else the
        // machine has to do: the bench measures it.
        expect(median(tones)!).toBeLessThan(200);
        // Spoken calls can’t be laid ahead; a call of these words is not far off.
        expect(spoken.length).toBeGreaterThan(1);
        expect(median(spoken)!).toBeLessThan(1000);
        expect(Math.max(...record.laid)).toBeGreaterThan(90);
      }
      const before = (await recordOf(page)).laid.length;
      await button(page, "Skip this drill").click();
      await expect.poll(async () => (await recordOf(page)).laid.length).toBeGreaterThan(before);
    },
  );
});
