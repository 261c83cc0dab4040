import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const alias = { "~": fileURLToPath(new URL(".", import.meta.url)).replace(/\/$/, "") };

export default defineConfig({
  test: {
    projects: [
      { resolve: { alias }, test: { name: "unit", maxWorkers: 2, testTimeout: 40_000, hookTimeout: 40_000, include: ["core/**/*.test.ts", "library/**/*.test.ts", "app/**/*.test.ts", "cli/**/*.test.ts", "docs/**/*.test.ts"] } },
      { resolve: { alias }, test: { name: "database", include: ["db/**/*.test.ts"], fileParallelism: false, testTimeout: 20_000 } },
      { resolve: { alias }, test: { name: "journeys", include: ["tests/**/*.test.ts"], maxWorkers: 2, testTimeout: 120_000, hookTimeout: 90_000 } },
    ],
  },
});
