import { readdirSync, readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { ClubCache, ClubPromises, keyOf } from "./club-cache";
import type { Club } from "./clubs";
import type { Db } from "./client";
import { addOwnDrill, findRevision } from "./own-drills";
import { ownDrill, ownDrillRevision } from "./schema";
import { freshDatabase } from "./testing";
import { madeDrill } from "~/fixtures/drills";

/* Two clubs that hold things of the same ids, as one does that was read from the other’s archive. */

let db: Db, ana: Club, ben: Club, end: () => Promise<void>;
beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

describe("what is remembered", () => {
  it("is one club’s, whatever the other’s is called", () => {
    const cache = new ClubCache<{ of: string }>(10);
    cache.set(ana, "x", { of: "ana" });
    expect(cache.get(ben, "x")).toBeUndefined();
    cache.set(ben, "x", { of: "ben" });
    cache.set("shipped", "x", { of: "nobody" });
    expect([ana, ben, "shipped" as const].map((whose) => cache.get(whose, "x")!.of)).toEqual(["ana", "ben", "nobody"]);
    cache.delete(ana, "x");
    expect(cache.get(ana, "x")).toBeUndefined();
    expect(cache.get(ben, "x")).toEqual({ of: "ben" });
    expect(keyOf(ana, "x")).not.toBe(keyOf(ben, "x"));
  });

  it("is made once for all who ask, anew for another club, and again after it failed", async () => {
    const promises = new ClubPromises<string>(10);
    let made = 0;
    const make = (of: string) => () => Promise.resolve(`${of} ${++made}`);
    expect(await Promise.all([promises.of(ana, "x", make("ana")), promises.of(ana, "x", make("ana"))])).toEqual([
      "ana 1",
      "ana 1",
    ]);
    expect(await promises.of(ben, "x", make("ben"))).toBe("ben 2");
    await expect(promises.of(ana, "y", () => Promise.reject(new Error("no")))).rejects.toThrow("no");
    expect(await promises.of(ana, "y", make("ana"))).toBe("ana 3");
  });

  it("of a drill is looked through for each club by itself", async () => {
    const id = await addOwnDrill(db, ana, madeDrill("theirs"));
    expect((await findRevision(db, ana, id, 1))?.name).toBe(madeDrill("theirs").name);
    // Read back into another club, where it was damaged on the way.
    const [row] = await db.select().from(ownDrill);
    await db.insert(ownDrill).values({ ...row!, clubId: ben.id, madeBy: null });
    const [revision] = await db.select().from(ownDrillRevision);
    await db.insert(ownDrillRevision).values({ ...revision!, clubId: ben.id, doc: { format: "mapset/drill" } });
    await expect(findRevision(db, ben, id, 1)).rejects.toThrow();
  });

  it("is remembered by no other way: nothing beside a module’s functions holds a club’s things", () => {
    // Each with the reason why it needs no club.
    const KNOWN: Readonly<Record<string, string>> = {
      "app/server/ready-pages.ts pages":
        "pages of shipped drills and templates, and of links by their own token’s edition",
      "app/server/archive.server.ts under": "clubs by their own ids, which are nobody else’s",
      "app/server/archive.server.ts sending": "who is sending an archive just now, by account",
      "db/live.ts commandsAsked": "a prepared statement for each connection",
    };
    const found = ["app/server", "app/routes", "db"]
      .flatMap((folder) =>
        readdirSync(folder, { recursive: true, encoding: "utf8" }).map((file) => `${folder}/${file}`),
      )
      .filter((file) => file.endsWith(file.startsWith("app/routes/") ? ".server.ts" : ".ts"))
      .filter((file) => !/\.test\.ts$|testing\.ts$/.test(file))
      .flatMap((file) =>
        [
          ...readFileSync(file, "utf8").matchAll(
            /^(?:export )?(?:const|let) (\w+)[^=\n]*= new (Map|Set|WeakMap|LRUCache)\b(.*)$/gm,
          ),
        ]
          // A list that is written down holds nobody’s things.
          .filter(([, , kind, rest]) => !(kind === "Set" && /^[^(]*\(\s*[^)\s]/.test(rest!)))
          .map(([, name]) => `${file} ${name}`),
      );
    expect(found.filter((one) => !(one in KNOWN))).toEqual([]);
  });
});
