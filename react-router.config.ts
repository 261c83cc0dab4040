import type { Config } from "@react-router/dev/config";

export default { appDirectory: "app", ssr: true, buildDirectory: process.env["MAPSET_BUILD"] ?? "build/app/by-hand" } satisfies Config;
