import { KIT_FACTS, type Kit } from "~/core/vocabulary/kit";

/** What kit is needed besides, a few words for each piece: “2 chairs”. */
export const kitWords = (kit: Partial<Record<Kit, number>>): string[] =>
  (Object.entries(kit) as [Kit, number][]).map(([piece, n]) => {
    const { words } = KIT_FACTS[piece];
    if (n === 1 || piece === "wall") return /^some/.test(words) ? words : `a ${words}`;
    return `${n} ${MANY[piece] ?? plural(words)}`;
  });

const MANY: Partial<Record<Kit, string>> = { support: "things to hold on to", bar: "bars overhead" };

const plural = (words: string): string => (/(?:s|x|ch|sh)$/.test(words) ? `${words}es` : `${words}s`);
