import { serve } from "~/app/server/serve";
import { ROOT } from "./setup/places";

/** Serves the build for the tests and measurements, on PORT, with everything else from the environment. Says so when ready. */
await serve({ port: Number(process.env["PORT"]), buildFolder: `${ROOT}/build`, baseUrl: process.env["MAPSET_URL"] ?? "" });
process.stdout.write("serving\n");
