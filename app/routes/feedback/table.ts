import { stringify } from "csv-stringify/sync";
import type { Route } from "./+types/table";
import { askedOf } from "./asked.server";
import { requireCoach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { TABLE_HEADINGS, tableLine } from "~/core/checkin/table";
import { dayOf, momentText } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { listFeedback } from "~/db/feedback";

/** So many reports are read at a time, and so many there are at most in a table: others are served in between. */
const AT_A_TIME = 500;
const MOST = 20_000;

/** Lines of a table that a spreadsheet takes for text: what begins like a formula is not reckoned. */
const csv = (lines: readonly (readonly string[])[]): string =>
  // A line feed alone begins a new row for some programs, too: what holds one is quoted.
  stringify(lines as string[][], { escape_formulas: true, record_delimiter: "windows", quoted_match: /[\r\n]/ });

/** Feedback as a table, what the address asks for, the newest first. */
export async function loader({ request }: Route.LoaderArgs) {
  const { club, zone } = await requireCoach(request);
  const { db } = getServices();
  const { sessionId, ...which } = askedOf(new URL(request.url).searchParams);
  const encoder = new TextEncoder();
  let at = 0;
  const body = new ReadableStream<Uint8Array>({
    start(stream) {
      // By this mark a spreadsheet knows that it is UTF-8.
      stream.enqueue(encoder.encode(`\uFEFF${csv([TABLE_HEADINGS])}`));
    },
    async pull(stream) {
      const rows = await listFeedback(db, club, sessionId, Math.min(AT_A_TIME, MOST - at), which, at);
      at += rows.length;
      if (rows.length > 0)
        stream.enqueue(
          encoder.encode(
            csv(
              rows.map(({ checkIn, ...row }) =>
                tableLine({
                  ...row,
                  begun: momentText(row.startedAt, row.zone ?? zone, "yyyy-MM-dd HH:mm"),
                  finished: row.finishedAt !== null,
                  checkIn: checkIn && { ...checkIn, seen: checkIn.seenAt !== null },
                }),
              ),
            ),
          ),
        );
      if (rows.length < AT_A_TIME || at >= MOST) stream.close();
    },
  });
  return new Response(body, {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": `attachment; filename="feedback-${dayOf(now(), zone)}.csv"`,
      "cache-control": "private, no-store",
    },
  });
}
