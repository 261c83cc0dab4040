import { serve, type ServeSettings } from "~/app/server/serve";
import { tellOfUncaught } from "~/app/server/log";

/*
 * One of several processes that serve one Mapset: started by scripts/setup/many.ts, which has made everything ready and shares
 * the port and the limits among them.
 */

tellOfUncaught(() => process.exit(1));
process.on("disconnect", () => process.exit(0));
// Whoever started them ends them: Ctrl-C goes to all processes of a terminal.
for (const signal of ["SIGINT", "SIGHUP"] as const) process.on(signal, () => undefined);
await serve(JSON.parse(process.env["MAPSET_SERVES"] ?? "{}") as ServeSettings);
