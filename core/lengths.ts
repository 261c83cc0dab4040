import type { Seconds } from "./units";

/** `m:ss`, or `h:mm:ss` from an hour on. Counts whole seconds, rounding to the nearest. */
export function clockText(seconds: Seconds): string {
  return clockOfWhole(Math.round(Math.max(0, seconds)));
}

/** `m:ss` of the time that is left, rounding up, so that 0:00 is shown only at the end. */
export function countdownText(seconds: Seconds): string {
  return clockOfWhole(Math.ceil(Math.max(0, seconds) - 1e-6));
}

function clockOfWhole(whole: number): string {
  const hours = Math.floor(whole / 3600);
  const minutes = Math.floor((whole % 3600) / 60);
  const two = (n: number) => String(n).padStart(2, "0");
  return hours > 0 ? `${hours}:${two(minutes)}:${two(whole % 60)}` : `${minutes}:${two(whole % 60)}`;
}

/** Seconds as people say them: `45 s`, `1 min`, `1 min 20 s`. At most one decimal. */
export function secondsText(seconds: Seconds): string {
  const whole = Math.round(seconds * 10) / 10;
  if (whole < 60) return `${whole} s`;
  const minutes = Math.floor(whole / 60);
  const rest = Math.round((whole - minutes * 60) * 10) / 10;
  return rest === 0 ? `${minutes} min` : `${minutes} min ${rest} s`;
}

/** A length said in words: `12 min`, `12m`, `90 s`, `1 h 5 min`, `12 min 30`. */
const SAID =
  /^(?:(\d{1,2}(?:[.,]\d+)?)\s*(?:h|hrs?|hours?)\.?)?\s*(?:(\d{1,4}(?:[.,]\d+)?)\s*(?:m|mins?|minutes?)\.?)?\s*(?:(\d{1,5}(?:[.,]\d+)?)\s*(s|secs?|seconds?)?\.?)?$/i;

/** Reads `12`, `12:30`, `1:02:30`, `12 min` or `90 s` as seconds; plain numbers are minutes. Undefined when it is none of these. */
export function readClock(text: string): Seconds | undefined {
  const trimmed = text.trim();
  const number = (part: string | undefined) => Number((part ?? "0").replace(",", "."));
  const said = SAID.exec(trimmed);
  // A bare number at the end is seconds only after minutes.
  if (
    said &&
    trimmed !== "" &&
    (said[4] || said[1] || said[2]) &&
    (said[3] === undefined || said[4] || (said[2] && number(said[3]) < 60))
  )
    return Math.round(number(said[1]) * 3600 + number(said[2]) * 60 + number(said[3]));
  if (/^\d{1,3}([.,]\d+)?$/.test(trimmed)) return Math.round(Number(trimmed.replace(",", ".")) * 60);
  const parts = /^(?:(\d{1,2}):)?(\d{1,3}):([0-5]\d)$/.exec(trimmed);
  if (!parts) return undefined;
  return Number(parts[1] ?? 0) * 3600 + Number(parts[2]) * 60 + Number(parts[3]);
}
