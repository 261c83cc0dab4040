import { mergeFields, revisionOf, type Change, type Changes, type Marks } from "./fields";

/*
 * A page that chooses things which stand beside one another (core/saving/fields), and a browser that holds each choice until it has
 * been sent. A state and what happens give the next state and what is to be done; nothing in here does anything.
 */

/** What is there, and as what each part of it is marked. */
export type Marked<F> = { values: F; marks: Marks<F> };

/** What the browser holds and has not been taken yet. */
export type Waiting<F> = {
  fields: Changes<F>;
  /** Another one with every change. */
  stamp: string;
  state: "waiting" | "signed-out" | "newer" | "gone" | "refused";
  /** How often it was tried and not taken. */
  tries: number;
  /** Whether it is kept by this page alone. */
  onlyHere: boolean;
  words?: string | undefined;
};

/** Of what was changed elsewhere, too, somebody has to choose: which parts, and what is there. */
export type Conflict<F> = Marked<F> & { fields: (keyof F)[] };

export type Choosing<F> = {
  /** By what the changes of this page are told from those of others. */
  page: string;
  /** Of these fields whatever comes later counts. */
  later: readonly (keyof F)[];
  values: F;
  marks: Marks<F>;
  /** The how many-th change of this page was its latest. */
  seq: number;
  waiting: Waiting<F> | undefined;
  /** What the browser has been asked to hold and has not said yet that it does. */
  adding: number;
  /** Whether something is on its way. */
  sending: boolean;
  /** Why the browser cannot hold more. */
  full: string | undefined;
  /** What was chosen here while what an earlier visit left is still to come; undefined once that is here. */
  meanwhile: Partial<F> | undefined;
  conflict: Conflict<F> | undefined;
};

/** What happens. */
export type Event<F> =
  | { kind: "chosen"; part: Partial<F> }
  /** The browser holds one more change, or says why it does not. */
  | { kind: "held"; full: string | undefined }
  /** What the browser holds, and whether it is on its way. */
  | { kind: "waiting"; waiting: Waiting<F> | undefined; sending: boolean }
  /** Another page has sent something. */
  | { kind: "elsewhere" }
  /** What is there, where that could be had: asked for after so many changes of this page. */
  | { kind: "there"; there: Marked<F> | undefined; askedAt: number }
  /** Of a conflict somebody takes what is there, or keeps what was chosen here. */
  | { kind: "take" | "keep mine" };

/** What is to be done, in this order. */
export type Effect<F> =
  /** Hold these changes and send them. */
  | { kind: "hold"; fields: Changes<F> }
  /** Ask what is there; in a moment, where it could not be had just now. */
  | { kind: "ask"; askedAt: number; soon: boolean }
  /** What is held, as long as nothing was chosen since, is not to be sent any more. */
  | { kind: "drop"; stamp: string }
  /** Tell other pages that something has been sent. */
  | { kind: "announce" }
  /** Show what was not chosen here. */
  | { kind: "show"; values: F; why: "restored" | "followed" | "taken" };

export type Step<F> = [Choosing<F>, Effect<F>[]];

/** A page that has just been opened, with what the server holds. */
export const opened = <F>(first: Marked<F>, page: string, later: readonly (keyof F)[]): Choosing<F> => ({
  page,
  later,
  ...first,
  seq: 0,
  waiting: undefined,
  adding: 0,
  sending: false,
  full: undefined,
  meanwhile: {},
  conflict: undefined,
});

/** The values of changes. */
function valuesOf<F>(fields: Changes<F>): Partial<F> {
  const values: Partial<F> = {};
  for (const field of Object.keys(fields) as (keyof F)[]) {
    const change = fields[field];
    if (change) values[field] = change.value;
  }
  return values;
}

/** Values chosen on this page, each over the revision that the page knows. */
function chosen<F>(s: Choosing<F>, part: Partial<F>): Step<F> {
  const seq = s.seq + 1;
  const fields: Changes<F> = {};
  for (const field of Object.keys(part) as (keyof F)[])
    fields[field] = { value: part[field] as F[keyof F], basedOn: revisionOf(s.marks, field), by: s.page, seq };
  const meanwhile = s.meanwhile && { ...s.meanwhile, ...part };
  return [{ ...s, seq, adding: s.adding + 1, values: { ...s.values, ...part }, meanwhile }, [{ kind: "hold", fields }]];
}

const shows = <F>(s: Choosing<F>, { values, marks }: Marked<F>, why: "followed" | "taken"): Step<F> => [
  { ...s, values, marks },
  [{ kind: "show", values, why }],
];

const asks = <F>(s: Choosing<F>, soon = false): Effect<F> => ({ kind: "ask", askedAt: s.seq, soon });

/** By which pages changes were chosen. */
const pagesOf = <F>(fields: Changes<F>): Set<string> =>
  new Set(Object.values(fields).map((change) => (change as Change<unknown>).by));

/** What the browser holds, as it says now. */
function waits<F>(s: Choosing<F>, waiting: Waiting<F> | undefined, sending: boolean): Step<F> {
  const had = s.waiting;
  let now: Choosing<F> = { ...s, waiting, sending, meanwhile: undefined };
  const effects: Effect<F>[] = [];
  // What an earlier visit, or another tab before this one came, has chosen and could not send yet.
  if (s.meanwhile && waiting) {
    now = { ...now, values: { ...s.values, ...valuesOf(waiting.fields), ...s.meanwhile } };
    effects.push({ kind: "show", values: now.values, why: "restored" });
  }
  if (had && !waiting) {
    const by = pagesOf(had.fields);
    if (by.delete(s.page)) effects.push({ kind: "announce" });
    // Another page's: what is there now, and over which revision the next is chosen.
    if (by.size > 0) effects.push(asks(now));
  }
  const isNewer = waiting?.state === "newer";
  if (!isNewer) now = { ...now, conflict: undefined };
  else if (had?.state !== "newer") effects.push(asks(now));
  return [now, effects];
}

/** What is there, as it was asked for. */
function seen<F>(s: Choosing<F>, there: Marked<F> | undefined, askedAt: number): Step<F> {
  if (s.waiting?.state !== "newer") {
    // Chosen here meanwhile, it may be older than what this page has sent since.
    const isOurs = s.seq !== askedAt || s.waiting !== undefined || s.adding > 0;
    return there && !isOurs ? shows(s, there, "followed") : [s, []];
  }
  if (!there) return [s, [asks(s, true)]];
  // Something is just being held besides: that is sent, and asked about if need be, first.
  if (s.adding > 0) return [s, []];
  const { newer } = mergeFields(there.values, there.marks, s.waiting.fields, s.later);
  if (newer.length > 0) return [{ ...s, conflict: { ...there, fields: newer } }, []];
  const [now, effects] = shows(s, there, "followed");
  return [now, [...effects, { kind: "drop", stamp: s.waiting.stamp }]];
}

/** What comes of what happens. */
export function step<F>(s: Choosing<F>, event: Event<F>): Step<F> {
  switch (event.kind) {
    case "chosen":
      return chosen(s, event.part);
    case "held": {
      const now = { ...s, adding: s.adding - 1, full: event.full };
      // What was to be asked about waited for it.
      return [now, event.full !== undefined && s.waiting?.state === "newer" && !s.conflict ? [asks(now)] : []];
    }
    case "waiting":
      return waits(s, event.waiting, event.sending);
    case "elsewhere":
      return [s, [asks(s)]];
    case "there":
      return seen(s, event.there, event.askedAt);
    case "take": {
      if (!s.conflict || !s.waiting || s.adding > 0) return [s, []];
      const [now, effects] = shows({ ...s, conflict: undefined }, s.conflict, "taken");
      return [now, [...effects, { kind: "drop", stamp: s.waiting.stamp }]];
    }
    case "keep mine": {
      if (!s.conflict || !s.waiting) return [s, []];
      const mine = valuesOf(s.waiting.fields);
      const { fields, marks } = s.conflict;
      const part: Partial<F> = {};
      for (const field of fields) part[field] = mine[field];
      return chosen({ ...s, marks, conflict: undefined }, part);
    }
  }
}

/** How it stands with what was chosen, for the person who chose it; undefined where all of it is there. */
export type Shown =
  | { kind: "saving" | "signed-out" | "gone" }
  | { kind: "offline"; where: "browser" | "page" }
  | { kind: "refused"; faults: { path: string; message: string }[] };

export function shown<F>({ full, adding, sending, waiting }: Choosing<F>): Shown | undefined {
  const refused = (message: string): Shown => ({ kind: "refused", faults: [{ path: "", message }] });
  if (full !== undefined) return refused(full);
  if (adding > 0 || sending) return { kind: "saving" };
  if (!waiting) return undefined;
  switch (waiting.state) {
    case "waiting":
      return waiting.tries > 0 ? { kind: "offline", where: waiting.onlyHere ? "page" : "browser" } : { kind: "saving" };
    case "refused":
      return refused(waiting.words ?? "Reload the page and choose it again.");
    case "newer":
      return refused("choose below which should count.");
    case "signed-out":
    case "gone":
      return { kind: waiting.state };
  }
}
