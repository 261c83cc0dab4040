import { formatDistanceToNowStrict } from "date-fns";
import { useThere } from "./use-there";
import { useZone } from "./zone";
import { momentText } from "~/core/clock/calendar";
import { zoneWords } from "~/core/clock/zone";

/**
 * A moment by the clock of the club, or of a group that is elsewhere, which is then said beside it. `as` is a pattern of
 * date-fns.
 */
export function When({
  at,
  as,
  zone,
  className,
}: {
  at: Date | string;
  as: string;
  zone?: string | undefined;
  className?: string;
}) {
  const club = useZone();
  const moment = new Date(at);
  const elsewhere = zone !== undefined && zone !== club;
  return (
    <time dateTime={moment.toISOString()} className={className}>
      {momentText(moment, zone ?? club, as)}
      {elsewhere && ` (${zoneWords(zone)})`}
    </time>
  );
}

/** How long ago a moment was: "3 minutes ago". By the time the page is there it may be longer; so it is written anew once it is. */
export function Ago({ at }: { at: Date | string }) {
  const there = useThere();
  const moment = new Date(at);
  return (
    <time key={String(there)} dateTime={moment.toISOString()} suppressHydrationWarning>
      {formatDistanceToNowStrict(moment, { addSuffix: true })}
    </time>
  );
}
