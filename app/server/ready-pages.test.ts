import { describe, expect, it } from "vitest";
import { keepText, readyPage, readyText } from "./ready-pages";

describe("a page that is kept ready", () => {
  it("is made once, and drawn with each answer's own mark", async () => {
    let made = 0;
    const make = () => Promise.resolve({ n: ++made });
    const page = await readyPage("one", make);
    expect(readyText(page, "dark", "m2")).toBeUndefined();
    keepText("one", "dark", '<script nonce="m1">a</script><script nonce="m1">b</script>', "m1");
    const again = await readyPage("one", make);
    expect([again.data.n, readyText(again, "dark", "m2"), readyText(again, "light", "m2")]).toEqual([
      1,
      '<script nonce="m2">a</script><script nonce="m2">b</script>',
      undefined,
    ]);
  });
  it("is another one where anything it is drawn from is otherwise", async () => {
    keepText("one", "dark", "old", "m");
    const other = await readyPage("one, a person more", () => Promise.resolve({ n: 7 }));
    expect([other.data.n, readyText(other, "dark", "m")]).toEqual([7, undefined]);
  });
  it("keeps few looks, and lets go of pages that nobody asks for when there are many", async () => {
    await readyPage("looks", () => Promise.resolve({}));
    for (let i = 0; i < 10; i++) keepText("looks", `look ${i}`, "text", "m");
    expect((await readyPage("looks", () => Promise.resolve({}))).texts.size).toBe(4);
    for (let i = 0; i < 400; i++) await readyPage(`many ${i}`, () => Promise.resolve({}));
    let made = false;
    await readyPage("looks", () => Promise.resolve((made = true)));
    expect(made).toBe(true);
  });
  it("takes no page that is longer than all there is room for", async () => {
    await readyPage("long", () => Promise.resolve({}));
    keepText("long", "dark", "x".repeat(50_000_000), "m");
    expect((await readyPage("long", () => Promise.resolve({}))).texts.size).toBe(0);
  });
});
