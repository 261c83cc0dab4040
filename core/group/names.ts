/** A name as it is told from others: without spaces around and between, in small letters. */
const told = (name: string): string => name.trim().replace(/\s+/g, " ").toLowerCase();

/** What keeps names from being put on a list, in words: one of them twice, or one that is on it already. Undefined where nothing does. */
export function namesFault(given: readonly string[], there: readonly string[]): string | undefined {
  const on = new Map(there.map((name) => [told(name), name]));
  const seen = new Set<string>();
  for (const name of given) {
    if (on.has(told(name)))
      return `${on.get(told(name))!} is on the list already. If this is somebody else, add a letter to tell them apart: “${name} B.”`;
    if (seen.has(told(name)))
      return `${name} is written twice. If they are two people, add a letter to tell them apart: “${name} B.”`;
    seen.add(told(name));
  }
  return undefined;
}

/** A text without a name that stands in it as a word of its own; “somebody” is there instead. */
export const withoutName = (text: string, name: string): string =>
  text.replace(
    new RegExp(`(?<![\\p{L}\\p{N}])${name.replace(/[.*+?^${}()|[\]\\]/g, "\\$&")}(?![\\p{L}\\p{N}])`, "gu"),
    "somebody",
  );
