import { CAUTION_KINDS, type Caution } from "~/core/drills/schema";

/** What a caution asks, as its heading. */
export const CAUTION_WORDS: Readonly<Record<Caution["kind"], string>> = {
  "leave out": "Who leaves it out",
  "take care": "Take care",
  "stop now": "Stop and act",
};

/** Cautions by what they ask: who must leave it out, what to take care of, the signs to stop at. Those kept before they had a kind ask to take care. */
export const cautionsByKind = <C extends { kind?: Caution["kind"] | undefined }>(
  cautions: readonly C[],
): { kind: Caution["kind"]; of: C[] }[] =>
  CAUTION_KINDS.map((kind) => ({ kind, of: cautions.filter((one) => (one.kind ?? "take care") === kind) })).filter(
    ({ of }) => of.length > 0,
  );
