import { existsSync, readdirSync, readFileSync } from "node:fs";
import { expect, it } from "vitest";

const ROOT = `${import.meta.dirname}/..`;
const PAGES = [
  "README.md",
  ...readdirSync(import.meta.dirname)
    .filter((file) => file.endsWith(".md"))
    .map((file) => `docs/${file}`),
];
const FOLDERS = "core|app|db|library|scripts|tests|solver|cli|fixtures|docs";

it("what the documents name is there", () => {
  const named = PAGES.flatMap((page) =>
    [...readFileSync(`${ROOT}/${page}`, "utf8").matchAll(new RegExp(`\`((?:${FOLDERS})/[\\w/.-]+)\``, "g"))].map(
      ([, path]) => ({ page, path: path!.replace(/\/$/, "") }),
    ),
  );
  expect(named.length).toBeGreaterThan(60);
  const there = (path: string) => ["", ".ts", ".tsx", ".server.ts"].some((end) => existsSync(`${ROOT}/${path}${end}`));
  // Worked out before a build, and not in the tree.
  expect(named.filter(({ path }) => !path.startsWith("library/generated") && !there(path))).toEqual([]);
});
