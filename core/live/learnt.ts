import { observedOf, PACE_KINDS, type ClassPaces, type PaceKind } from "./log";
import { atPace, isWorthOffering, paceOf, spreadOf, type Pace, type Spread } from "./pace";
import { USUAL_PACE, type Pace as SessionPace } from "~/core/dose/pace";
import type { Drill } from "~/core/drills/schema";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { CHANGE_BASE, CHANGE_PER_STEP } from "~/core/vocabulary/postures";
import type { EpochMs, Seconds } from "~/core/units";

const WEEK_MS = 7 * 24 * 3_600_000;

/** What was learnt of a group’s pace for one kind. */
export type Learnt = Pace & {
  kind: PaceKind;
  /** Classes in which things were started by hand; of the others it is only known that the plan was enough. */
  byHand: number;
};

export type PastPaces = {
  paces: ClassPaces;
  at: EpochMs;
  /** Who began it. */ by?: string | null;
};

/** How far groups and classes of a club spread, kind by kind: what is usual where it has few classes. */
export const spreadsOf = (groups: readonly (readonly PastPaces[])[]): Record<PaceKind, Spread> =>
  Object.fromEntries(
    PACE_KINDS.map((kind) => [
      kind,
      spreadOf(groups.map((list) => list.flatMap(({ paces }) => paces.kinds[kind] ?? []))),
    ]),
  ) as Record<PaceKind, Spread>;

/**
 * What a group’s classes say of its pace, kind by kind; kinds that nothing is known of are left out. How long drills are shown
 * for is how that coach shows them to that group: of the classes of others nothing is learnt for it.
 */
export function learntFrom(
  classes: readonly PastPaces[],
  now: EpochMs,
  { spreads, coach }: { spreads?: Readonly<Record<PaceKind, Spread>>; coach?: string } = {},
): Learnt[] {
  return PACE_KINDS.flatMap((kind): Learnt[] => {
    let byHand = 0;
    const told = kind === "showing" && coach !== undefined ? classes.filter(({ by }) => by === coach) : classes;
    const seen = told.flatMap(({ paces, at }) => {
      const one = paces.kinds[kind];
      const found = one && observedOf(one, Math.max(0, (now - at) / WEEK_MS));
      if (found && one.byHand) byHand++;
      return found ? [found] : [];
    });
    return seen.length > 0 ? [{ kind, byHand, ...paceOf(seen, spreads?.[kind]) }] : [];
  });
}

/** What is planned with for a kind in a session, against the usual. */
function usedBy(pace: SessionPace, kind: PaceKind): number {
  switch (kind) {
    case "moves": {
      const usual = CHANGE_BASE + CHANGE_PER_STEP;
      return ((pace.moveBase ?? CHANGE_BASE) + (pace.moveStep ?? CHANGE_PER_STEP)) / usual;
    }
    case "kit":
      return pace.kitChange / USUAL_PACE.kitChange;
    case "sides":
      return pace.switchSides / USUAL_PACE.switchSides;
    case "showing":
      return pace.demo / USUAL_PACE.demo;
  }
}

/** What a drill is shown for is one of these. */
const SHOWINGS: readonly Seconds[] = [0, 5, 10, 20];

/** The part of a session’s pace that a ratio comes to. */
function paceAt(kind: PaceKind, ratio: number): Partial<SessionPace> {
  switch (kind) {
    case "moves":
      return { moveBase: atPace(CHANGE_BASE, ratio), moveStep: atPace(CHANGE_PER_STEP, ratio) };
    case "kit":
      return { kitChange: atPace(USUAL_PACE.kitChange, ratio) };
    case "sides":
      return { switchSides: atPace(USUAL_PACE.switchSides, ratio) };
    case "showing": {
      const wanted = USUAL_PACE.demo * ratio;
      return { demo: SHOWINGS.reduce((a, b) => (Math.abs(b - wanted) < Math.abs(a - wanted) ? b : a)) };
    }
  }
}

/** A group’s pace for what is yet to be planned: what it would be set to. `moves` is what changes of position take these people against the usual, as long as nobody measured it. */
export function offersBefore(
  pace: SessionPace,
  learnt: readonly Learnt[],
  moves: number,
): { learnt: Learnt; pace: Partial<SessionPace> }[] {
  return learnt.flatMap((one) => {
    const unmeasured = one.kind === "moves" && pace.moveBase === undefined && pace.moveStep === undefined;
    const used = unmeasured ? moves : usedBy(pace, one.kind);
    const offered = paceAt(one.kind, one.ratio);
    return isWorthOffering(one, used) && !isAt(pace, offered) ? [{ learnt: one, pace: offered }] : [];
  });
}

const isAt = (pace: SessionPace, offered: Partial<SessionPace>): boolean =>
  Object.entries(offered).every(([key, value]) => pace[key as keyof SessionPace] === value);

/** Whether what is planned with is what was offered of a group’s pace. */
export const isUsed = (pace: SessionPace, offers: readonly { pace: Partial<SessionPace> }[]): boolean =>
  offers.every((offer) => isAt(pace, offer.pace));

/** A group’s pace offered for a session: what it would be set to, and what that does to its length. */
export type PaceOffer = {
  learnt: Learnt;
  pace: Partial<SessionPace>;
  /** Seconds of the kind as they are planned, and as they would be. */
  now: Seconds;
  then: Seconds;
  /** By so much the session would be longer. */
  more: Seconds;
};

/** What is worth offering for a session: from three classes on, and only what makes a difference that is no chance. */
export function offersFor(
  session: SessionPlan,
  drills: (id: string) => Drill | undefined,
  learnt: readonly Learnt[],
): PaceOffer[] {
  const before = compile(session, drills);
  return learnt.flatMap((one): PaceOffer[] => {
    if (!isWorthOffering(one, usedBy(session.pace, one.kind))) return [];
    const pace = paceAt(one.kind, one.ratio);
    if (isAt(session.pace, pace)) return [];
    const after = compile({ ...session, pace: { ...session.pace, ...pace } }, drills);
    const more = after.totalSeconds - before.totalSeconds;
    if (more === 0) return [];
    const now = before.segments.reduce(
      (sum, segment) =>
        sum + (KIND_OF[segment.kind] === (one.kind === "kit" ? "moves" : one.kind) ? segment.seconds : 0),
      0,
    );
    return [{ learnt: one, pace, now, then: now + more, more }];
  });
}

const KIND_OF: Readonly<Record<string, PaceKind>> = { move: "moves", switch: "sides", demo: "showing" };

/** Kinds as they are said. */
export const KIND_WORDS: Readonly<Record<PaceKind, { doing: string; of: string }>> = {
  moves: { doing: "moving", of: "moves" },
  kit: { doing: "getting kit", of: "moves and kit" },
  sides: { doing: "changing sides", of: "changes of sides" },
  showing: { doing: "being shown drills", of: "showing" },
};

const two = (n: number): string => n.toFixed(2);

/** What was learnt of a kind, in a line. */
export function learntWords(name: string, { kind, ratio, likely, classes, byHand }: Learnt): string {
  const many = classes === 1 ? "one class" : `${classes} classes`;
  if (byHand === 0 && Math.abs(ratio - 1) < 0.03)
    return `${name}: not known to be faster or slower at ${KIND_WORDS[kind].doing} (${many} led by the clock).`;
  const sure = `(${many}, likely ${two(likely[0])} to ${two(likely[1])})`;
  // How long drills are shown is whoever shows them, with this group.
  return kind === "showing"
    ? `You show ${name} drills for ${two(ratio)} × the usual time ${sure}.`
    : `${name} takes ${two(ratio)} × the usual time for ${KIND_WORDS[kind].doing} ${sure}.`;
}

/** What an offer comes to, in a line. */
export function offerWords({ learnt, now, then, more }: PaceOffer): string {
  const { of } = KIND_WORDS[learnt.kind];
  return `The ${Math.round(now)} s of ${of} in this session become ${Math.round(then)}: ${Math.abs(Math.round(more))} s ${more > 0 ? "more" : "less"}.`;
}
