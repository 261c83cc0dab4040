import { defineConfig } from "drizzle-kit";

export default defineConfig({ dialect: "postgresql", schema: "./db/schema/index.ts", out: "./db/migrations" });
