import { fileURLToPath } from "node:url";
import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";
import { IN_ONE } from "./scripts/setup/in-one.ts";

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  resolve: { alias: { "~": fileURLToPath(new URL(".", import.meta.url)).replace(/\/$/, "") } },
  ssr: { noExternal: IN_ONE },
  // The manifest says which files a page needs, for the worker that keeps them (scripts/setup/service-worker).
  build: {
    target: "es2022",
    assetsInlineLimit: 0,
    manifest: true,
    // Each drawing is less than a kilobyte: a page would ask for dozens of files.
    rolldownOptions: {
      output: { codeSplitting: { groups: [{ name: "icons", test: /lucide-react/, minShareCount: 2 }] } },
    },
  },
});
