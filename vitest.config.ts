import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";
import { BaseSequencer, type TestSpecification } from "vitest/node";

const alias = { "~": fileURLToPath(new URL(".", import.meta.url)).replace(/\/$/, "") };

/** Test files that take longest, which are begun first so that none runs on alone at the end. */
const LONG = [
  "screens",
  "desk",
  "library",
  "draft",
  "building",
  "player-screens",
  "hostile",
  "follow",
  "instruments",
  "any-pose",
];

class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const rank = ({ moduleId }: TestSpecification) => {
      const at = LONG.findIndex((name) => moduleId.endsWith(`/${name}.test.ts`));
      return at < 0 ? LONG.length : at;
    };
    return (await super.sort(files)).sort((a, b) => rank(a) - rank(b));
  }
}

/** What is about days and hours is tested in processes that are set to each of these zones. */
const ZONES = ["UTC", "America/New_York", "Pacific/Auckland"];

export default defineConfig({
  test: {
    sequence: { sequencer: LongestFirst },
    projects: [
      {
        resolve: { alias },
        test: {
          name: "unit",
          // What they import is read once a worker, not once a file.
          isolate: false,
          globalSetup: ["scripts/setup/stresses-for-tests.ts"],
          maxWorkers: 2,
          testTimeout: 40_000,
          hookTimeout: 40_000,
          include: [
            "core/**/*.test.ts",
            "library/**/*.test.ts",
            "app/**/*.test.ts",
            "cli/**/*.test.ts",
            "docs/**/*.test.ts",
            "scripts/**/*.test.ts",
          ],
          exclude: ["**/*.zones.test.ts"],
        },
      },
      ...ZONES.map((zone) => ({
        resolve: { alias },
        test: {
          name: `zone ${zone}`,
          env: { TZ: zone, MAPSET_TEST_ZONE: zone },
          pool: "forks" as const,
          include: ["core/**/*.zones.test.ts"],
        },
      })),
      {
        resolve: { alias },
        test: {
          name: "database",
          isolate: false,
          include: ["db/**/*.test.ts"],
          fileParallelism: false,
          testTimeout: 20_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: "journeys",
          include: ["tests/**/*.test.ts"],
          // What they import is read once a worker, not once a file.
          isolate: false,
          maxWorkers: 2,
          testTimeout: 120_000,
          hookTimeout: 90_000,
          expect: { poll: { timeout: 20_000 } },
        },
      },
    ],
  },
});
