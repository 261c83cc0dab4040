import { mkdirSync, mkdtempSync, rmSync, utimesSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, it, onTestFinished } from "vitest";
import { earlierAssets } from "./build";
import { filesFor } from "./service-worker";

const manifest = {
  "app/page.tsx?route": {
    file: "assets/page-1.js",
    imports: ["_shared"],
    dynamicImports: ["app/later.tsx"],
    css: ["assets/page-1.css"],
  },
  _shared: { file: "assets/shared-1.js", imports: ["_circle"] },
  _circle: { file: "assets/circle-1.js", imports: ["_shared"], assets: ["assets/letters-1.woff2"] },
  "app/later.tsx": { file: "assets/later-1.js" },
  "app/other.tsx?route": { file: "assets/other-1.js" },
};

it("finds all that a page comes to need, and nothing of others", () => {
  expect(filesFor(manifest, [/^app\/page\.tsx/]).sort()).toEqual([
    "assets/circle-1.js",
    "assets/later-1.js",
    "assets/letters-1.woff2",
    "assets/page-1.css",
    "assets/page-1.js",
    "assets/shared-1.js",
  ]);
});

it("fails where what it begins from is gone", () => {
  expect(() => filesFor(manifest, [/^app\/renamed\.tsx/])).toThrow("renamed");
});

it("serves the assets of builds of the last seven days, and not its own twice", () => {
  const builds = mkdtempSync(join(tmpdir(), "mapset-builds-"));
  onTestFinished(() => rmSync(builds, { recursive: true, force: true }));
  const used = (name: string, days: number) => {
    mkdirSync(join(builds, name));
    writeFileSync(join(builds, name, ".whole"), "");
    const at = Date.now() / 1000 - days * 86_400;
    utimesSync(join(builds, name, ".whole"), at, at);
  };
  used("own", 0);
  used("older", 6.9);
  used("old", 1);
  used("past", 7.1);
  mkdirSync(join(builds, "broken"));
  expect(earlierAssets(join(builds, "own"))).toEqual([
    join(builds, "old/client/assets"),
    join(builds, "older/client/assets"),
  ]);
});
