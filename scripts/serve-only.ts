import { tellOfUncaught } from "~/app/server/log";
import { serve } from "~/app/server/serve";
import { buildIfChanged, earlierAssets } from "./setup/build";
import { workOutStresses } from "./setup/stresses";

/** Serves the build for the tests and measurements, on PORT, with everything else from the environment. Says so when ready. */
tellOfUncaught(() => process.exit(1));
await workOutStresses();
const buildFolder = buildIfChanged();
await serve({
  port: Number(process.env["PORT"]),
  buildFolder,
  earlierAssets: earlierAssets(buildFolder),
  baseUrl: process.env["MAPSET_URL"] ?? "",
  proxy: process.env["MAPSET_PROXY"] === "on",
});
process.stdout.write("serving\n");
