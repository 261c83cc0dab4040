import { z } from "zod";

/** The zone that is taken while nobody has said one. */
export const NO_ZONE = "UTC";

/** Whether this is the name of a time zone that days and hours can be worked out in: one of the IANA list, never an offset. */
export function isZone(text: string): boolean {
  if (!/^[A-Za-z][\w+\-/]{1,59}$/.test(text)) return false;
  try {
    new Intl.DateTimeFormat("en", { timeZone: text });
    return true;
  } catch {
    return false;
  }
}

/** A time zone by its IANA name, as a browser gives it. */
export const zoneSchema = z.string().refine(isZone, "is not a time zone, such as Europe/London");

/** The zone this device or server is set to. */
export const zoneHere = (): string => {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  return timeZone && isZone(timeZone) ? timeZone : NO_ZONE;
};

/** A zone as people name it: the place, and where more is to be told, the region. */
export const zoneWords = (zone: string): string =>
  zone.includes("/") ? zone.slice(zone.lastIndexOf("/") + 1).replaceAll("_", " ") : zone;

const places = new Intl.Collator("en");

/** The zones there are here, as choices by place; also one that is not among them, when it has been chosen elsewhere. */
export function zoneChoices(chosen?: string): { value: string; words: string }[] {
  const all = new Set([...Intl.supportedValuesOf("timeZone"), NO_ZONE, ...(chosen ? [chosen] : [])]);
  const region = (zone: string) =>
    zone.includes("/") ? ` (${zone.slice(0, zone.lastIndexOf("/")).replaceAll("_", " ").replaceAll("/", ", ")})` : "";
  return [...all]
    .map((value) => ({ value, words: `${zoneWords(value)}${region(value)}` }))
    .sort((a, b) => places.compare(a.words, b.words));
}
