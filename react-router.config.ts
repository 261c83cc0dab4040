import type { Config } from "@react-router/dev/config";

export default {
  appDirectory: "app",
  ssr: true,
  // Pages know all routes from the start: asking for them bit by bit lets one address hold the server.
  routeDiscovery: { mode: "initial" },
  buildDirectory: process.env["MAPSET_BUILD"] ?? "build/app/by-hand",
} satisfies Config;
