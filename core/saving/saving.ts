import type { ValidationError } from "~/core/faults";
import { sameJson } from "~/core/same-json";

/*
 * How a document gets from the page that edits it to the server, over the revision it was made from: what has happened leads to
 * what is to be done, and nothing here does it. Nothing is ever written over a newer copy unseen.
 */

/** What the server holds: a document, its revision, and when that was kept. */
export type Copy<D> = { doc: D; revision: number; updatedAt: string };

/** What the browser holds of what has not reached the server. */
export type LocalCopy<D> = { basedOn: number; doc: D };

/** What an attempt came to. */
export type Answer<D> =
  | { kind: "saved"; revision: number; updatedAt: string }
  | { kind: "newer"; stored: Copy<D> }
  | { kind: "refused"; faults: readonly ValidationError[] }
  | { kind: "gone" | "signed-out" };

/** Where what is not sent yet is held: in the browser, or only by this page, and lost with it. */
export type Where = "browser" | "page";

/** Why something is not saved. Of `newer` and `gone` no attempt makes anything else; what was refused is tried again once it is edited. */
export type Trouble<D> = { kind: "offline"; where: Where } | Exclude<Answer<D>, { kind: "saved" }>;

/** `by itself` is saved a moment after each edit, `when told` only when somebody says so. */
export type How = "by itself" | "when told";

export type Saving<D> = {
  how: How;
  /** What is being edited. */
  doc: D;
  /** What of it the server holds, and the revision that what is edited was made from. */
  saved: Copy<D>;
  /** What is on its way. */
  sent: D | undefined;
  /** The revision that was based on. */
  sentFrom?: number | undefined;
  /** What of it the browser holds: all that is not saved where that goes by itself, otherwise what somebody has told to be saved. */
  drafted: D | undefined;
  /** Whether what an earlier visit left in the browser is still to come: until then nothing is written over it. */
  restoring: boolean;
  trouble: Trouble<D> | undefined;
};

/** What happens. Copies and drafts come with all that is needed to show them. */
export type Event<D> =
  | { kind: "edited"; doc: D }
  /** A moment has passed since the last edit, or somebody asks for it. */
  | { kind: "try" }
  /** There may be a connection again. */
  | { kind: "again" }
  | { kind: "answered"; answer: Answer<D> }
  /** There was no answer. */
  | { kind: "lost"; where: Where }
  /** What an earlier visit had left, where there was something. */
  | { kind: "restored"; draft?: LocalCopy<D> | undefined }
  /** Another page has saved this. */
  | { kind: "elsewhere"; stored: Copy<D> }
  /** Of a newer copy and this one somebody takes the newer, or keeps this one over it. */
  | { kind: "take" | "keep mine"; stored: Copy<D> }
  /** What is not saved is not wanted any more, nor is what the browser holds of it. */
  | { kind: "let go" }
  /** The page goes away. */
  | { kind: "leaving" };

/** What is to be done, in this order. */
export type Effect<D> =
  /** Try in a moment; a moment that was begun before does not count any more. */
  | { kind: "wait" }
  | { kind: "send"; basedOn: number; doc: D }
  /** Send without waiting for an answer: the page goes away. */
  | { kind: "send leaving"; basedOn: number; doc: D }
  | { kind: "keep draft"; draft: LocalCopy<D> }
  | { kind: "drop draft" }
  /** Tell other pages of this browser. */
  | { kind: "announce"; revision: number }
  /** Put this in the place of what is being edited, so that it can be undone. */
  | { kind: "replace"; doc: D; why: "restored" | "followed" | "taken" };

export type Step<D> = [Saving<D>, Effect<D>[]];

/** A document that has just been opened, as the server holds it. */
export const opened = <D>(first: Copy<D>, how: How): Saving<D> => ({
  how,
  doc: first.doc,
  saved: first,
  sent: undefined,
  drafted: undefined,
  restoring: true,
  trouble: undefined,
});

/** Whether all that was edited is saved. */
export const isSaved = <D>({ doc, saved }: Saving<D>): boolean => doc === saved.doc;

/** Whether no attempt would make anything else: somebody has to choose first. */
export const isStopped = <D>({ trouble }: Saving<D>): boolean => trouble?.kind === "newer" || trouble?.kind === "gone";

/** Whether what is edited could be sent just now. */
const canSend = <D>(s: Saving<D>): boolean => !s.restoring && !s.sent && !isStopped(s) && !isSaved(s);

const draftOf = <D>({ saved, doc }: Saving<D>): LocalCopy<D> => ({ basedOn: saved.revision, doc });

/** Where it goes by itself: with what is edited held by the browser, and sent in a moment. */
function afterEdit<D>(s: Saving<D>): Step<D> {
  if (s.how === "when told") return [s, []];
  const wait: Effect<D>[] = isStopped(s) ? [] : [{ kind: "wait" }];
  return [{ ...s, drafted: s.doc }, [{ kind: "keep draft", draft: draftOf(s) }, ...wait]];
}

/** Without a draft in the browser. */
const undrafted = <D>(s: Saving<D>): Step<D> => [
  { ...s, drafted: undefined },
  s.drafted === undefined ? [] : [{ kind: "drop draft" }],
];

const send = <D>(s: Saving<D>, doc: D): Step<D> => [
  { ...s, sent: doc, sentFrom: s.saved.revision },
  [{ kind: "send", basedOn: s.saved.revision, doc }],
];

/** What is being edited gives way to a copy from elsewhere. */
function replaced<D>(s: Saving<D>, stored: Copy<D>, why: "followed" | "taken"): Step<D> {
  const [now, drop] = undrafted({ ...s, doc: stored.doc, saved: stored, trouble: undefined });
  return [now, [...drop, { kind: "replace", doc: stored.doc, why }]];
}

function answered<D>(s: Saving<D>, answer: Answer<D>): Step<D> {
  const { sent } = s;
  if (sent === undefined) return [s, []];
  // What is newer there and just what was sent has been saved: by a page that went away, say.
  const same = answer.kind === "newer" && sameJson(answer.stored.doc, sent) ? answer.stored : undefined;
  const kept = answer.kind === "saved" ? answer : same;
  if (!kept) return [{ ...s, sent: undefined, trouble: answer as Exclude<Answer<D>, { kind: "saved" }> }, []];
  const { revision, updatedAt } = kept;
  // A copy that was heard of meanwhile, and is newer than this one, still has to be chosen about.
  const stays = s.trouble?.kind === "newer" && s.trouble.stored.revision > revision ? s.trouble : undefined;
  const now: Saving<D> = { ...s, sent: undefined, saved: { doc: sent, revision, updatedAt }, trouble: stays };
  const done = isSaved(now) || (s.how === "when told" && s.drafted === sent);
  const [then, effects] = done ? undrafted(now) : afterEdit(now);
  return [then, [{ kind: "announce", revision }, ...effects]];
}

function restored<D>(s: Saving<D>, draft: LocalCopy<D> | undefined): Step<D> {
  const now = { ...s, restoring: false };
  if (!draft || sameJson(draft.doc, s.saved.doc)) {
    const [then, drop] = undrafted({ ...now, drafted: draft?.doc });
    if (isSaved(then)) return [then, drop];
    const [last, effects] = afterEdit(then);
    return [last, [...drop, ...effects]];
  }
  // Made from an older copy: until somebody has chosen, they stay edits of that one, also when the page is left again.
  const older = draft.basedOn !== s.saved.revision && {
    saved: { ...s.saved, revision: draft.basedOn },
    trouble: { kind: "newer", stored: s.saved } as const,
  };
  const then = { ...now, doc: draft.doc, drafted: draft.doc, ...older };
  return [then, [{ kind: "replace", doc: draft.doc, why: "restored" }, ...(older ? [] : [{ kind: "wait" } as const])]];
}

/** What comes of what happens. */
export function step<D>(s: Saving<D>, event: Event<D>): Step<D> {
  switch (event.kind) {
    case "edited": {
      if (event.doc === s.doc) return [s, []];
      // Where it goes by itself, what stood in the way is tried once more with the edit.
      const passing = s.how === "by itself" && (s.trouble?.kind === "offline" || s.trouble?.kind === "refused");
      const now = { ...s, doc: event.doc, ...(passing && { trouble: undefined }) };
      if (s.restoring) return [now, []];
      // Undone, back to what is saved.
      if (isSaved(now) && !s.sent) return undrafted({ ...now, ...(!isStopped(s) && { trouble: undefined }) });
      return afterEdit(now);
    }
    case "try": {
      if (!canSend(s)) return [s, []];
      if (s.how === "by itself") return send(s, s.doc);
      // What somebody has told to be saved is held by the browser until it is.
      const [then, effects] = send({ ...s, drafted: s.doc, trouble: undefined }, s.doc);
      return [then, [{ kind: "keep draft", draft: draftOf(s) }, ...effects]];
    }
    case "again": {
      const doc = s.how === "by itself" ? s.doc : s.drafted;
      return canSend(s) && doc !== undefined ? send(s, doc) : [s, []];
    }
    case "answered":
      return answered(s, event.answer);
    case "lost": {
      if (s.sent === undefined) return [s, []];
      // A newer copy was taken while it was on its way: the server would have refused it, and nothing is left to be sent.
      const overtaken = isSaved(s) && s.sentFrom !== undefined && s.sentFrom < s.saved.revision;
      const trouble = isStopped(s) || overtaken ? s.trouble : ({ kind: "offline", where: event.where } as const);
      return [{ ...s, sent: undefined, trouble }, []];
    }
    case "restored":
      return s.restoring ? restored(s, event.draft) : [s, []];
    case "elsewhere": {
      if (event.stored.revision <= s.saved.revision) return [s, []];
      if (isSaved(s) && !s.sent) return replaced(s, event.stored, "followed");
      return [{ ...s, trouble: { kind: "newer", stored: event.stored } }, []];
    }
    case "take":
      return replaced(s, event.stored, "taken");
    case "keep mine": {
      const now = { ...s, saved: event.stored, trouble: undefined };
      if (isSaved(now)) return undrafted(now);
      return s.how === "by itself" ? afterEdit(now) : step(now, { kind: "try" });
    }
    case "let go":
      return undrafted(s);
    case "leaving": {
      if (s.how === "when told" || s.restoring || isSaved(s)) return [s, []];
      const hold: Effect<D> = { kind: "keep draft", draft: draftOf(s) };
      const leave: Effect<D>[] = canSend(s) ? [{ kind: "send leaving", basedOn: s.saved.revision, doc: s.doc }] : [];
      return [s, [hold, ...leave]];
    }
  }
}

/** How it stands with saving, for the person who edits. */
export type Shown<D> = { kind: "saved"; at: string } | { kind: "changed" | "waiting" | "saving" } | Trouble<D>;

export function shown<D>(s: Saving<D>): Shown<D> {
  if (s.trouble && isStopped(s)) return s.trouble;
  if (s.sent !== undefined) return { kind: "saving" };
  if (s.trouble) return s.trouble;
  if (isSaved(s)) return { kind: "saved", at: s.saved.updatedAt };
  return { kind: s.how === "by itself" ? "waiting" : "changed" };
}
