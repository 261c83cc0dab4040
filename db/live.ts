import { randomBytes, randomUUID } from "node:crypto";
import { and, asc, desc, eq, gt, isNull, lt, or, sql } from "drizzle-orm";
import type { Db } from "./client";
import { clubOfEntry, type Club } from "./clubs";
import { edition, entry, group, liveClass, liveCommand, livePass, liveVersion, member } from "./schema";
import { tokenHash, wallCode, wallHash } from "./tokens";
import { now, nowDate } from "~/core/clock/clock";
import type { Choice } from "~/core/group/choices";
import { FOLD, MOST_COMMANDS, type Pressed, type Sent } from "~/core/live/commands";
import { mergeApart, takesEffect, type PressedApart } from "~/core/live/merge";
import type { EpochMs } from "~/core/units";

/** On this channel every process hears that a class has a new command: “club:class:number”. */
export const LIVE_CHANNEL = "mapset_live";

/** A class ends by itself after so long. */
export const CLASS_HOURS = 12;
/** After its end it can be taken back for so long, and its screens say that it is over. */
const AFTERWARDS_MS = 15_000;

export type LiveClass = {
  id: string;
  editionId: string;
  groupId: string | null;
  fold: number;
  lastN: number;
  wallCode: number;
  choices: Choice[];
  createdAt: Date;
  endedAt: Date | null;
};

const columns = {
  id: liveClass.id,
  editionId: liveClass.editionId,
  groupId: liveClass.groupId,
  fold: liveClass.fold,
  lastN: liveClass.lastN,
  wallCode: liveClass.wallCode,
  choices: liveClass.choices,
  createdAt: liveClass.createdAt,
  endedAt: liveClass.endedAt,
};

const ofClass = (club: Club, id: string) => and(eq(liveClass.clubId, club.id), eq(liveClass.id, id));

/** Starts a class from an edition. Undefined where the edition is not the club’s. */
export async function startClass(
  db: Db,
  club: Club,
  { editionId, groupId }: { editionId: string; groupId: string | null },
  secret: string,
): Promise<string | undefined> {
  return db.transaction(async (tx) => {
    const [own] = await tx
      .select({ id: edition.id })
      .from(edition)
      .where(and(eq(edition.clubId, club.id), eq(edition.id, editionId)));
    if (!own) return undefined;
    const id = randomUUID();
    await tx
      .insert(liveClass)
      .values({ clubId: club.id, id, madeBy: club.by, editionId, groupId, fold: FOLD, createdAt: nowDate() });
    await giveCode(tx, club, id, 1, secret);
    return id;
  });
}

/** Gives a class a code that no other open class has; numbers count up until one is free. */
async function giveCode(
  tx: Pick<Db, "insert" | "update" | "delete">,
  club: Club,
  id: string,
  from: number,
  secret: string,
) {
  await tx.delete(entry).where(and(eq(entry.clubId, club.id), eq(entry.kind, "wall"), eq(entry.target, id)));
  for (let number = from; ; number++) {
    const hash = wallHash(secret, wallCode(secret, club.id, id, number));
    const rows = await tx
      .insert(entry)
      .values({ tokenHash: hash, kind: "wall", clubId: club.id, target: id })
      .onConflictDoNothing()
      .returning({ hash: entry.tokenHash });
    if (rows.length === 0) continue;
    await tx.update(liveClass).set({ wallCode: number }).where(ofClass(club, id));
    return;
  }
}

/** The code that opens a class’s wall, to be shown; undefined where none does, as after its end or in a club read back from an archive. */
export async function shownWallCode(
  db: Db,
  club: Club,
  { id, wallCode: number }: Pick<LiveClass, "id" | "wallCode">,
  secret: string,
): Promise<string | undefined> {
  const code = wallCode(secret, club.id, id, number);
  // Of a class that was running when Mapset was renewed: its code did not depend on the club.
  const before = wallCode(secret, undefined, id, number);
  const rows = await db
    .select({ hash: entry.tokenHash })
    .from(entry)
    .where(and(eq(entry.clubId, club.id), eq(entry.kind, "wall"), eq(entry.target, id)));
  const opens = (one: string) => rows.some(({ hash }) => hash === wallHash(secret, one));
  return opens(code) ? code : opens(before) ? before : undefined;
}

/** A new code for the wall: what was opened with the one before is shut. */
export async function renewWallCode(db: Db, club: Club, id: string, secret: string): Promise<boolean> {
  return db.transaction(async (tx) => {
    const [one] = await tx
      .select({ number: liveClass.wallCode })
      .from(liveClass)
      .where(ofClass(club, id))
      .for("update");
    if (!one) return false;
    await giveCode(tx, club, id, one.number + 1, secret);
    return true;
  });
}

/** A class by its id. */
export async function findClass(db: Pick<Db, "select">, club: Club, id: string): Promise<LiveClass | undefined> {
  const [row] = await db.select(columns).from(liveClass).where(ofClass(club, id));
  return row;
}

/** A class that nobody ended is taken to be over so long after it could last have ended. */
const LEFT_OPEN_MS = 30 * 60_000;

/** Whether a class can still be going on: by its length, from the last thing that was done to it. */
const goesOn = () =>
  and(
    isNull(liveClass.endedAt),
    sql`greatest(${liveClass.lastFrom}, extract(epoch from ${liveClass.createdAt}) * 1000) + ${edition.totalSeconds} * 1000 > ${now() - LEFT_OPEN_MS}`,
  );

const ofEdition = and(eq(edition.clubId, liveClass.clubId), eq(edition.id, liveClass.editionId));

export type OpenClass = { id: string; title: string; groupName: string | null; createdAt: Date };

/** The classes that are running, the newest first. */
export async function openClasses(db: Pick<Db, "select">, club: Club): Promise<OpenClass[]> {
  return db
    .select({
      id: liveClass.id,
      title: sql<string>`coalesce(${edition.doc} -> 'session' ->> 'title', '')`,
      groupName: group.name,
      createdAt: liveClass.createdAt,
    })
    .from(liveClass)
    .innerJoin(edition, ofEdition)
    .leftJoin(group, and(eq(group.clubId, liveClass.clubId), eq(group.id, liveClass.groupId)))
    .where(and(eq(liveClass.clubId, club.id), goesOn()))
    .orderBy(desc(liveClass.createdAt))
    .limit(20);
}

/** The class that whoever holds a link can join: of its edition, or of its group. The newest, where there are several. */
export async function runningFor(
  db: Pick<Db, "select">,
  club: Club,
  { editionId, groupId }: { editionId: string; groupId: string | null },
): Promise<LiveClass | undefined> {
  const [row] = await db
    .select(columns)
    .from(liveClass)
    .innerJoin(edition, ofEdition)
    .where(
      and(
        eq(liveClass.clubId, club.id),
        goesOn(),
        groupId === null
          ? eq(liveClass.editionId, editionId)
          : or(eq(liveClass.groupId, groupId), and(eq(liveClass.editionId, editionId), isNull(liveClass.groupId))),
      ),
    )
    .orderBy(desc(liveClass.createdAt))
    .limit(1);
  return row;
}

/** The commands of a class after a number, in order. */
export async function listCommands(db: Pick<Db, "select">, club: Club, classId: string, after = 0): Promise<Sent[]> {
  let asking = commandsAsked.get(db);
  if (!asking) commandsAsked.set(db, (asking = askForCommands(db)));
  const rows = await asking.execute({ club: club.id, class: classId, after });
  return rows.map(sentOf);
}

/** Each process asks this at each command of each class it is watched for: put together once, it costs half. */
const askForCommands = (db: Pick<Db, "select">) =>
  db
    .select(ofCommand)
    .from(liveCommand)
    .where(
      and(
        eq(liveCommand.clubId, sql.placeholder("club")),
        eq(liveCommand.classId, sql.placeholder("class")),
        gt(liveCommand.n, sql.placeholder("after")),
      ),
    )
    .orderBy(asc(liveCommand.n))
    .prepare("commands-of-a-class");
const commandsAsked = new WeakMap<object, ReturnType<typeof askForCommands>>();

const ofCommand = {
  n: liveCommand.n,
  key: liveCommand.key,
  madeBy: liveCommand.madeBy,
  seen: liveCommand.seen,
  on: liveCommand.on,
  from: liveCommand.from,
  command: liveCommand.command,
  apart: liveCommand.apart,
};

const sentOf = (row: Pick<typeof liveCommand.$inferSelect, keyof typeof ofCommand>): Sent => ({
  n: row.n,
  key: row.key,
  by: row.madeBy ?? "",
  seen: row.seen,
  on: row.on,
  from: row.from,
  command: row.command,
  ...(row.apart && { apart: true as const }),
});

export type Added =
  | { kind: "added"; sent: Sent[] }
  /** It has ended, takes no more, or is not there. */
  | { kind: "over" | "full" | "gone" }
  /** Of what was pressed apart: somebody else led on meanwhile, or it is too long ago. */
  | { kind: "others" | "old" }
  /** Of what was worked out from the class as it was: something was done to it since. */
  | { kind: "moved" };

/**
 * Adds a command, to take effect a little later for everybody. One whose key is there already is answered with what it was given
 * then. What was worked out from the commands up to a number is only added where that is still the newest.
 */
export async function addCommand(
  db: Db,
  club: Club,
  classId: string,
  pressed: Pressed,
  newest?: number,
): Promise<Added> {
  return adding(db, club, classId, async (tx, last, lastN) => {
    const [known] = await tx
      .select()
      .from(liveCommand)
      .where(and(eq(liveCommand.clubId, club.id), eq(liveCommand.classId, classId), eq(liveCommand.key, pressed.key)));
    if (!known && newest !== undefined && newest !== lastN) return "moved";
    return known
      ? { known: [sentOf(known)], fresh: [] }
      : { known: [], fresh: [{ ...pressed, from: takesEffect(now(), last) }] };
  });
}

/** Adds what was pressed without a connection: all of it at its own times where nobody else led on, or none. */
export async function addApart(db: Db, club: Club, classId: string, pressed: readonly PressedApart[]): Promise<Added> {
  return adding(db, club, classId, async (tx) => {
    const have = await listCommands(tx, club, classId);
    const merged = mergeApart(have, pressed, now());
    if (merged.kind !== "taken") return merged.kind;
    const keys = new Set(pressed.map(({ key }) => key));
    return {
      known: have.filter(({ key }) => keys.has(key)),
      fresh: merged.commands.map(({ at: _, ...one }) => ({ ...one, apart: true as const })),
    };
  });
}

type Fresh = Pressed & { from: EpochMs; apart?: true };

/** Numbers and keeps commands under the lock of the class’s row, and tells every process. */
async function adding(
  db: Db,
  club: Club,
  classId: string,
  work: (
    tx: Pick<Db, "select">,
    last: EpochMs | undefined,
    lastN: number,
  ) => Promise<{ known: Sent[]; fresh: Fresh[] } | "others" | "old" | "moved">,
): Promise<Added> {
  return db.transaction(async (tx): Promise<Added> => {
    const [row] = await tx
      .select({ lastN: liveClass.lastN, lastFrom: liveClass.lastFrom, endedAt: liveClass.endedAt })
      .from(liveClass)
      .where(ofClass(club, classId))
      .for("update");
    if (!row) return { kind: "gone" };
    const worked = await work(tx, row.lastN > 0 ? row.lastFrom : undefined, row.lastN);
    if (typeof worked === "string") return { kind: worked };
    const { known, fresh } = worked;
    if (fresh.length === 0) return { kind: "added", sent: known };
    const { ended, reopens } = await endAfter(tx, club, classId, fresh, row);
    if (row.endedAt && !(reopens && now() - row.endedAt.getTime() <= AFTERWARDS_MS)) return { kind: "over" };
    if (row.lastN + fresh.length > MOST_COMMANDS) return { kind: "full" };
    const at = nowDate();
    const values = fresh.map((one, i) => ({
      clubId: club.id,
      classId,
      n: row.lastN + i + 1,
      key: one.key,
      madeBy: club.by,
      seen: one.seen,
      on: one.on,
      from: one.from,
      apart: one.apart ?? false,
      command: one.command,
      arrivedAt: at,
    }));
    await tx.insert(liveCommand).values(values);
    const last = values.at(-1)!;
    await tx
      .update(liveClass)
      .set({ lastN: last.n, lastFrom: last.from, endedAt: ended })
      .where(ofClass(club, classId));
    await tx.execute(sql`select pg_notify(${LIVE_CHANNEL}, ${`${club.id}:${classId}:${last.n}`})`);
    return { kind: "added", sent: [...known, ...values.map(sentOf)] };
  });
}

/**
 * When a class has ended, after these commands, and whether they opened it again: by taking back the end that ended it. Another
 * end that came later ended nothing, and taking it back opens nothing.
 */
async function endAfter(
  tx: Pick<Db, "select">,
  club: Club,
  classId: string,
  fresh: readonly Fresh[],
  { endedAt, lastN }: { endedAt: Date | null; lastN: number },
): Promise<{ ended: Date | null; reopens: boolean }> {
  if (!fresh.some(({ command }) => command.do === "end" || command.do === "undo"))
    return { ended: endedAt, reopens: false };
  const before = await tx
    .select({ n: liveCommand.n, from: liveCommand.from, command: liveCommand.command })
    .from(liveCommand)
    .where(
      and(
        eq(liveCommand.clubId, club.id),
        eq(liveCommand.classId, classId),
        sql`${liveCommand.command} ->> 'do' in ('end', 'undo')`,
      ),
    )
    .orderBy(asc(liveCommand.n));
  let by: number | undefined;
  let ended = endedAt;
  let reopens = false;
  for (const { n, from, command } of [...before, ...fresh.map((one, i) => ({ ...one, n: lastN + i + 1 }))]) {
    if (command.do === "end" && by === undefined) {
      by = n;
      if (n > lastN) ended = new Date(from);
    } else if (command.do === "undo" && command.of === by) {
      by = undefined;
      if (n > lastN) [ended, reopens] = [null, true];
    }
  }
  return { ended, reopens };
}

/** Lets a device see a class from now on; returns the token by which it does. */
export async function givePass(
  db: Db,
  club: Club,
  classId: string,
  pass: { kind: "remote" } | { kind: "wall"; wallCode: number } | { kind: "athlete"; personId: string | null },
): Promise<string> {
  const token = randomBytes(24).toString("base64url");
  const id = randomUUID();
  await db.transaction(async (tx) => {
    await tx.insert(livePass).values({
      clubId: club.id,
      id,
      classId,
      kind: pass.kind,
      personId: pass.kind === "athlete" ? pass.personId : null,
      madeBy: pass.kind === "remote" ? club.by : null,
      wallCode: pass.kind === "wall" ? pass.wallCode : null,
      createdAt: nowDate(),
    });
    await tx.insert(entry).values({ tokenHash: tokenHash(token), kind: "pass", clubId: club.id, target: id });
  });
  return token;
}

export type Pass = { club: Club; classId: string; kind: "remote" | "wall" | "athlete"; personId: string | null };

/** What a device’s token lets it see; undefined where that is nothing any more: the class ended a while ago, or its code was replaced. */
export async function passOf(db: Db, token: string): Promise<Pass | undefined> {
  const [row] = await db
    .select({
      clubId: entry.clubId,
      classId: livePass.classId,
      kind: livePass.kind,
      personId: livePass.personId,
      code: livePass.wallCode,
      current: liveClass.wallCode,
      endedAt: liveClass.endedAt,
      member: member.coachId,
    })
    .from(entry)
    .innerJoin(livePass, and(eq(livePass.clubId, entry.clubId), eq(livePass.id, entry.target)))
    .innerJoin(liveClass, and(eq(liveClass.clubId, livePass.clubId), eq(liveClass.id, livePass.classId)))
    .leftJoin(member, and(eq(member.clubId, livePass.clubId), eq(member.coachId, livePass.madeBy)))
    .where(and(eq(entry.tokenHash, tokenHash(token)), eq(entry.kind, "pass")));
  // Who leads has to be in the club still: a remote is told of people.
  if (row?.kind === "remote" && !row.member) return undefined;
  if (!row || (row.kind === "wall" && row.code !== row.current)) return undefined;
  if (row.endedAt && now() - row.endedAt.getTime() > CLASS_HOURS * 3_600_000) return undefined;
  const { classId, kind, personId } = row;
  return { club: clubOfEntry(row.clubId), classId, kind, personId };
}

/** The class that a wall’s code opens, as long as it runs. */
export async function classOfCode(
  db: Db,
  code: string,
  secret: string,
): Promise<{ club: Club; classId: string; wallCode: number } | undefined> {
  const [row] = await db
    .select({ clubId: entry.clubId, classId: liveClass.id, number: liveClass.wallCode })
    .from(entry)
    .innerJoin(liveClass, and(eq(liveClass.clubId, entry.clubId), eq(liveClass.id, entry.target)))
    .where(and(eq(entry.tokenHash, wallHash(secret, code)), eq(entry.kind, "wall"), isNull(liveClass.endedAt)));
  return row && { club: clubOfEntry(row.clubId), classId: row.classId, wallCode: row.number };
}

/** Ends what has run too long, and takes away codes, passes and what people did instead of what ended a day ago. */
export async function endOldClasses(db: Db): Promise<void> {
  const since = (hours: number) => new Date(now() - hours * 3_600_000);
  await db
    .update(liveClass)
    .set({ endedAt: nowDate() })
    .where(and(isNull(liveClass.endedAt), lt(liveClass.createdAt, since(CLASS_HOURS))));
  const ended = lt(liveClass.endedAt, since(24));
  await db.execute(sql`
    delete from ${entry} using ${liveClass}
    where ${entry.kind} = 'wall' and ${entry.clubId} = ${liveClass.clubId} and ${entry.target} = ${liveClass.id} and ${ended}`);
  await db.execute(sql`
    delete from ${entry} using ${livePass}, ${liveClass}
    where ${entry.kind} = 'pass' and ${entry.clubId} = ${livePass.clubId} and ${entry.target} = ${livePass.id}
      and ${livePass.clubId} = ${liveClass.clubId} and ${livePass.classId} = ${liveClass.id} and ${ended}`);
  await db.execute(sql`
    delete from ${liveVersion} using ${liveClass}
    where ${liveVersion.clubId} = ${liveClass.clubId} and ${liveVersion.classId} = ${liveClass.id} and ${ended}`);
  await db.execute(sql`
    delete from ${livePass} using ${liveClass}
    where ${livePass.clubId} = ${liveClass.clubId} and ${livePass.classId} = ${liveClass.id} and ${ended}`);
}
