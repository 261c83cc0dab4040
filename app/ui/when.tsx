import { format, formatDistanceToNowStrict } from "date-fns";
import { useThere } from "./use-there";

/**
 * A moment, in the reader's own clock. The server writes it in its own, and by the time the page is
 * there a second or a zone may lie between; so it is written anew once it is there.
 * `as` is a pattern of date-fns, or "ago": "3 minutes ago".
 */
export function When({ at, as, className }: { at: Date | string; as: string; className?: string }) {
  const there = useThere();
  const moment = new Date(at);
  return (
    <time key={String(there)} dateTime={moment.toISOString()} className={className} suppressHydrationWarning>
      {as === "ago" ? formatDistanceToNowStrict(moment, { addSuffix: true }) : format(moment, as)}
    </time>
  );
}
