import { readdirSync, readFileSync } from "node:fs";
import { expect, it } from "vitest";

const ROUTES = `${import.meta.dirname}/routes`;
const LONGEST = 200;

const files = readdirSync(ROUTES, { recursive: true, encoding: "utf8" }).filter(
  (file) => /\.tsx?$/.test(file) && !file.includes(".test."),
);
const linesOf = (file: string) => readFileSync(`${ROUTES}/${file}`, "utf8").split("\n").length;

it("no route file is so long that it does more than glue", () => {
  const routes = files.filter((file) => file.endsWith("route.tsx"));
  expect(routes.length).toBeGreaterThan(15);
  expect(routes.filter((file) => linesOf(file) > LONGEST)).toEqual([]);
});

it("what a form may ask is a union, never a text compared here and there", () => {
  expect(
    files.filter((file) => /switch \(form\.get|= form\.get\("do"\)/.test(readFileSync(`${ROUTES}/${file}`, "utf8"))),
  ).toEqual([]);
});
