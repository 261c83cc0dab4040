import pino from "pino";

/*
 * What happens, a line of JSON each, on standard error. Never what was sent or asked for: no address a link could be read
 * from, no name, no text of a query. An error's own words may hold any of these, so only its kind, code and place are told.
 */

/** Most places of an error's stack that are told. */
const PLACES = 12;
const LEVELS = new Set(["error", "warn", "info", "silent"]);
const asked = process.env["MAPSET_LOG"] ?? "";

export const log = pino(
  {
    level: LEVELS.has(asked) ? asked : "error",
    base: null,
    timestamp: pino.stdTimeFunctions.isoTime,
    messageKey: "what",
    formatters: { level: (label) => ({ level: label }) },
  },
  pino.destination({ fd: 2, sync: true }),
);

export type Told = { error: string; code?: string; at: string[] };

/** What may be told of an error: its kind, the code of what caused it, and where it was. */
export function told(error: unknown): Told {
  if (!(error instanceof Error)) return { error: typeof error, at: [] };
  let cause: unknown = error;
  let code: string | undefined;
  for (let depth = 0; depth < 5 && cause instanceof Error; depth++) {
    const own = (cause as { code?: unknown }).code;
    // Codes of the database and of the system: nothing that anybody wrote.
    if (typeof own === "string" && /^[A-Z0-9_]{3,40}$/.test(own)) code = own;
    cause = cause.cause;
  }
  // Its words come first in the stack, and may have lines that look like places.
  const stack = error.stack ?? "";
  const words = stack.indexOf(error.message);
  const places = words < 0 ? "" : stack.slice(words + error.message.length);
  const at = places
    .split("\n")
    .filter((line) => /^ +at .*(?:file:\/\/|node:|\/)\S*:\d+:\d+\)?$/.test(line))
    .slice(0, PLACES)
    .map((line) => line.trim());
  return { error: error.name.slice(0, 60), ...(code && { code }), at };
}

/** Tells of what nobody caught, in the same way; the process ends after an exception, since what state it is in is not known. */
export function tellOfUncaught(end: () => void): void {
  process.on("unhandledRejection", (reason) => log.error(told(reason), "nobody waited for this"));
  process.on("uncaughtException", (error) => {
    log.fatal(told(error), "ended by an error");
    end();
  });
}
