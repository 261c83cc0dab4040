import { getTableColumns } from "drizzle-orm";
import type { PgColumn, PgTable } from "drizzle-orm/pg-core";
import { z } from "zod";
import { acceptedSchema } from "~/core/audit/accepted";
import { painPlaceSchema } from "~/core/checkin/pain-place";
import { tightnessSchema } from "~/core/checkin/schema";
import { choicesSchema } from "~/core/group/choices";
import { protectsListSchema } from "~/core/group/protect";
import { groupSettingSchema } from "~/core/group/schema";
import { commandSchema } from "~/core/live/command-schema";
import { MOST_COMMANDS } from "~/core/live/commands";
import { locksSchema } from "~/core/session/locks";
import { PURPOSES } from "~/core/session/schema";
import { MOST } from "../quota";
import {
  checkIn,
  draftRequest,
  edition,
  group,
  link,
  liveClass,
  liveCommand,
  liveHere,
  membership,
  ownArc,
  ownDrill,
  ownDrillRevision,
  painReport,
  person,
  run,
  sportProfile,
  trainingSession,
} from "../schema";

/*
 * What a club's archive holds: a file of lines for each kind of thing, a line of JSON for each. This is version 1 of the format;
 * it is a contract. What a table gets later has to be optional here, and what it loses has to be read and left out.
 *
 * Left out are what is worked out anew (what lists show, what own drills stress, which drills an edition has), who made what, since
 * accounts are not the club's, and the addresses of links.
 */

const id = z.uuid();
const at = z.iso.datetime({ precision: 3 }).transform((text) => new Date(text));
const text = (most: number, least = 0) => z.string().min(least).max(most);
const count = z.number().int().min(0).max(2_000_000_000);
const seconds = z.number().min(0).max(1e9);
/** A document is looked at by its reader whenever it is opened: also one that is damaged, or of a newer Mapset, comes along as it is. */
const doc = z.unknown().refine((value) => value !== undefined, "is missing");
const accepted = z.array(acceptedSchema).max(2_000);

export type Kind = {
  /** What its file is called, and it in words. */
  file: string;
  words: string;
  table: PgTable & { clubId: PgColumn };
  /** By which its lines are in order, and no two the same. */
  key: readonly string[];
  row: z.ZodObject;
  most: number;
  /** Archives of before have no such file. */
  later?: true;
  /** What lines of before have besides, and the row of another kind that it is kept as now. */
  before?: {
    fields: z.ZodRawShape;
    as: PgTable;
    row: (line: Record<string, unknown>) => Record<string, unknown> | undefined;
  };
};

/** In an order in which each has what it points to before it. */
export const KINDS: readonly Kind[] = [
  {
    file: "groups",
    words: "groups",
    table: group,
    key: ["id"],
    most: MOST.groups,
    row: z.strictObject({ id, name: text(80, 1), setting: groupSettingSchema, createdAt: at }),
  },
  {
    file: "people",
    words: "people",
    table: person,
    key: ["id"],
    most: MOST.people,
    row: z.strictObject({ id, name: text(40, 1), areas: protectsListSchema, createdAt: at }),
  },
  {
    file: "memberships",
    words: "memberships",
    table: membership,
    key: ["groupId", "personId"],
    most: 10 * MOST.people,
    row: z.strictObject({ groupId: id, personId: id, from: at, until: at.nullable() }),
  },
  {
    file: "drills",
    words: "drills",
    table: ownDrill,
    key: ["id"],
    most: MOST.drills,
    row: z.strictObject({
      id,
      name: text(80, 3),
      revision: count.min(1),
      archivedAt: at.nullable(),
      createdAt: at,
      updatedAt: at,
    }),
  },
  {
    file: "drill-revisions",
    words: "revisions of drills",
    table: ownDrillRevision,
    key: ["drillId", "number"],
    most: MOST.revisions,
    row: z.strictObject({ drillId: id, number: count.min(1), doc, createdAt: at }),
  },
  {
    file: "profiles",
    words: "sport profiles",
    table: sportProfile,
    key: ["id"],
    most: MOST.profiles,
    row: z.strictObject({ id, name: text(80, 3), doc, createdAt: at, updatedAt: at }),
  },
  {
    file: "arcs",
    words: "arcs of its own",
    later: true,
    table: ownArc,
    key: ["purpose"],
    most: PURPOSES.length,
    row: z.strictObject({ purpose: z.enum(PURPOSES), doc, updatedAt: at }),
  },
  {
    file: "sessions",
    words: "sessions",
    table: trainingSession,
    key: ["id"],
    most: MOST.sessions,
    row: z.strictObject({
      id,
      doc,
      revision: count.min(1),
      title: text(400),
      purpose: z.enum(PURPOSES),
      totalSeconds: seconds,
      groupId: id.nullable(),
      demandId: text(80).nullable(),
      accepted,
      locks: locksSchema,
      choices: choicesSchema,
      template: z.boolean(),
      archivedAt: at.nullable(),
      createdAt: at,
      updatedAt: at,
    }),
  },
  {
    file: "editions",
    words: "editions",
    table: edition,
    key: ["id"],
    most: 4 * MOST.links,
    row: z.strictObject({
      id,
      sessionId: id,
      number: count,
      doc,
      totalSeconds: seconds,
      accepted,
      choices: choicesSchema,
      createdAt: at,
    }),
  },
  {
    file: "links",
    words: "links",
    table: link,
    key: ["id"],
    most: MOST.links,
    row: z.strictObject({
      id,
      editionId: id,
      groupId: id.nullable(),
      createdAt: at,
      withdrawnAt: at.nullable(),
      openings: count,
      openedAt: at.nullable(),
      uncounted: count,
    }),
  },
  {
    file: "classes",
    words: "classes",
    later: true,
    table: liveClass,
    key: ["id"],
    most: 100_000,
    row: z.strictObject({
      id,
      editionId: id,
      groupId: id.nullable(),
      fold: count.min(1),
      lastN: count,
      lastFrom: z.number(),
      others: z.number().int().min(0).max(200),
      choices: choicesSchema,
      createdAt: at,
      endedAt: at.nullable(),
      closedAt: at.nullable(),
      paces: z.unknown(),
    }),
  },
  {
    file: "class-commands",
    words: "things done to classes",
    later: true,
    table: liveCommand,
    key: ["classId", "n"],
    most: 2_000_000,
    row: z.strictObject({
      classId: id,
      n: count.min(1).max(MOST_COMMANDS),
      key: id,
      seen: count,
      on: text(24).nullable(),
      from: z.number(),
      apart: z.boolean(),
      command: commandSchema,
      arrivedAt: at,
    }),
  },
  {
    file: "class-people",
    words: "people ticked in classes",
    later: true,
    table: liveHere,
    key: ["classId", "personId"],
    most: 1_000_000,
    row: z.strictObject({ classId: id, personId: id, here: z.boolean() }),
  },
  {
    file: "runs",
    words: "runs",
    table: run,
    key: ["id"],
    most: 1_000_000,
    row: z.strictObject({
      id,
      linkId: id,
      clientKey: id,
      personId: id.nullable(),
      classId: id.nullable().default(null),
      name: text(40, 1),
      startedAt: at,
      deviceAt: at.nullable(),
      arrivedAt: at,
      updatedAt: at,
      finishedAt: at.nullable(),
      shareDone: z.number().min(0).max(1),
      folded: z.boolean(),
      removedAt: at.nullable(),
      notTheirs: z.boolean(),
    }),
  },
  {
    file: "check-ins",
    words: "check-ins",
    table: checkIn,
    key: ["runId"],
    most: 1_000_000,
    row: z.strictObject({
      runId: id,
      effort: z.number().int().min(0).max(10).nullable(),
      tightness: z.array(tightnessSchema).max(6),
      pain: z.boolean(),
      note: text(500).nullable(),
      sentAt: at,
      deviceAt: at.nullable(),
      arrivedAt: at,
      seenAt: at.nullable(),
    }),
    before: {
      // The one thing that hurt, which is a report of its own now.
      fields: { painWhere: text(120).nullable().optional(), painAt: painPlaceSchema.nullable().optional() },
      as: painReport,
      row: ({ runId, pain, painWhere, painAt, sentAt, deviceAt, arrivedAt, seenAt }) =>
        pain && painWhere !== undefined
          ? { runId, id: runId, place: painAt ?? null, where: painWhere, saidAt: sentAt, deviceAt, arrivedAt, seenAt }
          : undefined,
    },
  },
  {
    file: "pains",
    words: "reports of pain",
    later: true,
    table: painReport,
    key: ["runId", "id"],
    most: 1_000_000,
    row: z.strictObject({
      runId: id,
      id,
      place: painPlaceSchema.nullable(),
      where: text(120).nullable(),
      saidAt: at,
      deviceAt: at.nullable(),
      arrivedAt: at,
      noticedAt: at.nullable(),
      seenAt: at.nullable(),
    }),
  },
  {
    file: "requests",
    words: "requests for drafts",
    table: draftRequest,
    key: ["id"],
    most: 2_000,
    row: z.strictObject({ id, title: text(120, 1), doc, groupId: id.nullable(), createdAt: at, updatedAt: at }),
  },
];

/** The columns of a kind that go into its lines, and those it is in order by. */
export function columnsOf(kind: Kind): { all: Record<string, PgColumn>; key: PgColumn[] } {
  const columns = getTableColumns(kind.table) as Record<string, PgColumn>;
  return {
    all: Object.fromEntries(Object.keys(kind.row.shape).map((name) => [name, columns[name]!])),
    key: kind.key.map((name) => columns[name]!),
  };
}
