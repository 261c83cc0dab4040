import { tellOfUncaught } from "~/app/server/log";
import { serve } from "~/app/server/serve";

/**
 * Serves a build for the tests and measurements (scripts/setup/server-process), on PORT, with everything else from the environment.
 * Says so when ready.
 */
tellOfUncaught(() => process.exit(1));
await serve({
  port: Number(process.env["PORT"]),
  buildFolder: process.env["MAPSET_BUILD"] ?? "",
  earlierAssets: JSON.parse(process.env["MAPSET_EARLIER"] ?? "[]") as string[],
  baseUrl: process.env["MAPSET_URL"] ?? "",
  proxy: process.env["MAPSET_PROXY"] === "on",
});
process.stdout.write("serving\n");
