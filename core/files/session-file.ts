import { z } from "zod";
import { sportProfileSchema, type SportProfile } from "~/core/sport-profiles/schema";
import { readDrill } from "~/core/drills/read";
import { drillSchema, type Drill } from "~/core/drills/schema";
import { isNewer, isObject, MADE_BY_NEWER, parseWith, type ValidationError, type Read } from "~/core/faults";
import { readSession } from "~/core/session/read";
import { sessionSchema, type SessionPlan } from "~/core/session/schema";
import { asDocument } from "~/core/drills/stresses";
import type { DrillLookup, TimedDrill } from "~/core/drills/lookup";

/*
 * A session with everything it needs elsewhere: the coach's own drills that it uses, and its sport profile. Shipped drills
 * and profiles are named only, since they are everywhere.
 */

const FORMAT = "mapset/session-file";
/** More drills of one's own than this are in no session. */
export const MOST_DRILLS = 100;

/** Version 1 brought sessions and drills of their version 1 only; everything else is the same. */
const NEWEST = 2;

export const sessionFileSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(NEWEST),
  session: sessionSchema,
  drills: z
    .array(drillSchema)
    .max(MOST_DRILLS)
    .describe("Drills of the coach's own that the session uses, under the ids it uses"),
  profile: z
    .union([z.string().max(80), sportProfileSchema])
    .optional()
    .describe("Its sport profile: the name of a shipped one, or one of the coach's own"),
});

/** What a session brings along. The profile is a shipped one's id, or a document. */
export type SessionFile = { session: SessionPlan; drills: Drill[]; profile: string | SportProfile | undefined };

/** What is shipped, against which a file is read. */
export type Shipped = {
  drills: DrillLookup;
  isProfile: (id: string) => boolean;
};

const STANDING = { posture: "standing", endPosture: "standing", kit: [] } as const;
/** Takes the place of a drill that is brought and is not right, while the rest is read. */
const STAND_IN: TimedDrill = {
  id: "",
  sides: "together",
  directions: 1,
  levels: { easier: { ...STANDING, kit: [] }, standard: { ...STANDING, kit: [] }, harder: { ...STANDING, kit: [] } },
};

/** The document of a session file. */
export function sessionFile({ session, drills, profile }: SessionFile) {
  return {
    format: FORMAT,
    version: NEWEST,
    session,
    drills: drills.map(asDocument),
    ...(profile !== undefined && { profile }),
  };
}

/** Why a session with so many drills of one's own, and as a file of so many bytes, cannot leave: it could not come in again. Undefined where it can. */
export function cannotLeave(drills: number, bytes: number, largest: number): string | undefined {
  const help = "Copy the session, leave half of its drills in each, and export both. The session itself is untouched.";
  const mb = (n: number) => `${(n / 1_000_000).toLocaleString("en-GB", { maximumFractionDigits: 1 })} MB`;
  if (drills > MOST_DRILLS)
    return `This session uses ${drills} drills of your own, and a file takes at most ${MOST_DRILLS}. ${help}`;
  return bytes > largest
    ? `With the drawings of your own drills this session comes to ${mb(bytes)}, and a file takes at most ${mb(largest)}. ${help}`
    : undefined;
}

/** The drills a session uses that are in none of these, by their ids, in order. */
export const drillsUsed = (session: SessionPlan): string[] => [
  ...new Set(session.blocks.flatMap((block) => block.items.map((item) => item.drill))),
];

/** The drills that a document claims to bring, whether they are right or not: by them a session is read that names them. */
export function idsBrought(document: unknown): Set<string> {
  const { drills } = isObject(document) ? document : {};
  return new Set(
    Array.isArray(drills)
      ? drills
          .slice(0, MOST_DRILLS)
          .flatMap((drill: unknown) => (isObject(drill) && typeof drill["id"] === "string" ? [drill["id"]] : []))
      : [],
  );
}

/** Reads a session file, or a session alone. Every fault of every part, with its path. */
export function readSessionFile(document: unknown, shipped: Shipped): Read<SessionFile> {
  if (!isObject(document) || document["format"] !== FORMAT) {
    const read = readSession(document, shipped.drills);
    return read.ok ? { ok: true, value: { session: read.value, drills: [], profile: undefined } } : read;
  }
  const { session, drills = [], profile, ...head } = document;
  const faults: ValidationError[] = [];
  if (isNewer(document, NEWEST)) return { ok: false, faults: [{ path: "version", message: MADE_BY_NEWER }] };
  const outer = parseWith(z.strictObject({ format: z.literal(FORMAT), version: z.literal([1, NEWEST]) }), head);
  if (!outer.ok) faults.push(...outer.faults);

  const brought = readDrills(drills, shipped.drills);
  faults.push(...brought.faults);
  // A drill that is there and not right is told once: the session that uses it is read as if it were.
  const ids = idsBrought(document);
  const read = readSession(
    session,
    (id) => brought.drills.get(id) ?? shipped.drills(id) ?? (ids.has(id) ? STAND_IN : undefined),
  );
  if (!read.ok)
    faults.push(
      ...read.faults.map((fault) => ({
        ...fault,
        path: fault.path === "(document)" ? "session" : `session.${fault.path}`,
      })),
    );

  let own: string | SportProfile | undefined;
  if (typeof profile === "string") {
    own = profile;
    if (!shipped.isProfile(profile))
      faults.push({ path: "profile", message: `there is no sport profile “${profile.slice(0, 80)}”` });
  } else if (profile !== undefined) {
    const parsed = parseWith(sportProfileSchema, profile);
    if (parsed.ok) own = parsed.value;
    else
      faults.push(
        ...parsed.faults.map((fault) => ({
          ...fault,
          path: fault.path === "(document)" ? "profile" : `profile.${fault.path}`,
        })),
      );
  }
  if (faults.length > 0 || !read.ok) return { ok: false, faults };
  const used = new Set(drillsUsed(read.value));
  return {
    ok: true,
    value: {
      session: read.value,
      drills: [...brought.drills.values()].filter((drill) => used.has(drill.id)),
      profile: own,
    },
  };
}

function readDrills(
  documents: unknown,
  shipped: DrillLookup,
): { drills: Map<string, Drill>; faults: ValidationError[] } {
  const drills = new Map<string, Drill>();
  if (!Array.isArray(documents)) return { drills, faults: [{ path: "drills", message: "must be a list" }] };
  if (documents.length > MOST_DRILLS)
    return { drills, faults: [{ path: "drills", message: `must have at most ${MOST_DRILLS} entries` }] };
  const faults: ValidationError[] = [];
  documents.forEach((document: unknown, i) => {
    const read = readDrill(document, [`drills[${i}]`]);
    if (!read.ok) faults.push(...read.faults);
    else if (shipped(read.value.id))
      faults.push({
        path: `drills[${i}].id`,
        message: "is the id of a drill of the library; one of your own has another",
      });
    else if (drills.has(read.value.id)) faults.push({ path: `drills[${i}].id`, message: "is there twice" });
    else drills.set(read.value.id, read.value);
  });
  return { drills, faults };
}
