import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const ROOT = fileURLToPath(new URL("../..", import.meta.url));

/** The tests of the folder that is broken, which are what should notice: one worker each, since several mutations are tried beside each other. */
export default defineConfig({
  root: ROOT,
  resolve: { alias: { "~": ROOT.replace(/\/$/, "") } },
  test: {
    maxWorkers: 1,
    testTimeout: 40_000,
    hookTimeout: 40_000,
    include: [`${process.env["MAPSET_MUTATE"] ?? "core"}/**/*.test.ts`],
  },
});
