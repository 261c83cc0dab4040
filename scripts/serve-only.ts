import { serve } from "~/app/server/serve";
import { buildIfChanged } from "./setup/build";

/** Serves the build for the tests and measurements, on PORT, with everything else from the environment. Says so when ready. */
await serve({ port: Number(process.env["PORT"]), buildFolder: buildIfChanged(), baseUrl: process.env["MAPSET_URL"] ?? "" });
process.stdout.write("serving\n");
