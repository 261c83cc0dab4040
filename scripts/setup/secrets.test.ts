import { mkdtempSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { keepFile, readSecrets } from "./secrets";

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(`${tmpdir()}/mapset-secrets-`);
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

describe("the secrets of an installation", () => {
  it("are made once, and are only its user's to read", () => {
    const made = readSecrets(folder);
    expect(readSecrets(folder)).toEqual(made);
    expect(statSync(`${folder}/secrets.json`).mode & 0o077).toBe(0);
    expect(statSync(`${folder}/secrets.second.json`).mode & 0o077).toBe(0);
  });
  it.each(["", "{", "{}", "null", '{"server":"short"}'])(
    "come back from the second file where a crash left %j",
    (left) => {
      const made = readSecrets(folder);
      writeFileSync(`${folder}/secrets.json`, left);
      expect(readSecrets(folder)).toEqual(made);
      expect(JSON.parse(readFileSync(`${folder}/secrets.json`, "utf8"))).toEqual(made);
    },
  );
  it("of before there was a second file get one", () => {
    const made = readSecrets(folder);
    rmSync(`${folder}/secrets.second.json`);
    readSecrets(folder);
    rmSync(`${folder}/secrets.json`);
    expect(readSecrets(folder)).toEqual(made);
  });
  it("are not made up where both are damaged, nor where there is a database they would not open", () => {
    readSecrets(folder);
    for (const name of ["secrets.json", "secrets.second.json"]) writeFileSync(`${folder}/${name}`, "{");
    expect(() => readSecrets(folder)).toThrow(/damaged/);
    for (const name of ["secrets.json", "secrets.second.json"]) rmSync(`${folder}/${name}`);
    mkdirSync(`${folder}/data`);
    writeFileSync(`${folder}/data/PG_VERSION`, "15");
    expect(() => readSecrets(folder)).toThrow(/missing/);
  });
});

it("a file is put in the place of the old one", () => {
  keepFile(`${folder}/running.json`, "one");
  keepFile(`${folder}/running.json`, "two");
  expect(readFileSync(`${folder}/running.json`, "utf8")).toBe("two");
});
