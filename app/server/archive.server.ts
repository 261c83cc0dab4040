import { createWriteStream } from "node:fs";
import { mkdtemp, open, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createInterface } from "node:readline";
import { Readable, Transform } from "node:stream";
import { finished, pipeline } from "node:stream/promises";
import { openPromise, type Entry, type ZipFile } from "yauzl";
import { ZipFile as ZipWriter } from "yazl";
import { LARGEST_ARCHIVE } from "./gate";
import { getServices } from "./services.server";
import { ArchiveFault, LONGEST_LINE, readArchive, type Restored } from "~/db/archive/read";
import { writeArchive } from "~/db/archive/write";
import type { Club } from "~/db/clubs";

/** What an archive may come to unpacked: a small file that unpacks without end is refused. */
const LARGEST_UNPACKED = 20 * LARGEST_ARCHIVE;
/** An archive has some dozen files. */
const MOST_FILES = 100;

const README = `This is everything a club keeps in Mapset.

about.json says of which club, when, and how many lines each file has. Each other file has a line of JSON for each thing; what belongs to what is said
by ids. Sessions, editions, drills, sport profiles and requests are documents of Mapset's open formats, as they were kept. Times are UTC.

It holds people's names and what they said of pain. Keep it where nobody else can read it, and delete it once it is not needed.
`;

/** A folder of its own for a file on its way, which is gone afterwards. */
async function withFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), "mapset-archive-"));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Clubs whose archives are under way: each once, and few at a time. */
const under = new Set<string>();
const MOST_AT_ONCE = 3;

/** Does one thing with a club's archive at a time; undefined where another is under way, or too many are. */
async function alone<T>(club: Club, work: () => Promise<T>): Promise<T | undefined> {
  if (under.has(club.id) || under.size >= MOST_AT_ONCE) return undefined;
  under.add(club.id);
  try {
    return await work();
  } finally {
    under.delete(club.id);
  }
}

/** Writes a club's archive into a file first, so that a slow connection holds up no database. Undefined where one is under way already. */
export async function packArchive(club: Club): Promise<{ bytes: number; stream: ReadableStream } | undefined> {
  return alone(club, () =>
    withFolder(async (folder) => {
      const path = join(folder, "club.zip");
      const zip = new ZipWriter();
      const written = pipeline(zip.outputStream as Readable, createWriteStream(path, { mode: 0o600 }));
      // Told below, wherever it happens: where the disk is full nothing that is still to be read would ever end.
      written.catch(() => undefined);
      zip.addBuffer(Buffer.from(README), "README.txt");
      await writeArchive(getServices().db, club, async ({ name, text }) => {
        const source = Readable.from(text, { objectMode: false, encoding: "utf8" });
        zip.addReadStream(source, name);
        await Promise.race([finished(source), written]);
      });
      zip.end();
      await written;
      // The file is taken off the disk now; what is open stays until it has been sent, or whoever asked goes away.
      const file = await open(path);
      const { size } = await file.stat();
      return { bytes: size, stream: Readable.toWeb(file.createReadStream()) as ReadableStream };
    }),
  );
}

/** Who is sending one: each one at a time, so that a slow connection holds up nobody else's, and nobody fills the disk. */
const sending = new Set<string>();
const UNDER_WAY = "An archive is being written or read already. Try again in a minute.";

/** What came of reading an archive: what it brought, or why nothing of it was kept. */
export type Unpacked = { restored: Restored } | { fault: string; status: number };

/** Reads an archive, as it is sent, into a club that has nothing in it. Nothing of it is held in memory as a whole. */
export async function unpackArchive(club: Club, body: ReadableStream<Uint8Array> | null): Promise<Unpacked> {
  const who = club.by ?? club.id;
  if (sending.has(who)) return { fault: UNDER_WAY, status: 429 };
  sending.add(who);
  return withFolder(async (folder): Promise<Unpacked> => {
    const path = join(folder, "sent.zip");
    if (!body || !(await takeTo(path, body)))
      return { fault: `An archive has at most ${LARGEST_ARCHIVE / 1_000_000} MB.`, status: 413 };
    return (await alone(club, () => readZip(club, path))) ?? { fault: UNDER_WAY, status: 429 };
  }).finally(() => sending.delete(who));
}

async function readZip(club: Club, path: string): Promise<Unpacked> {
  let zip: ZipFile;
  try {
    zip = await openPromise(path, { lazyEntries: true, validateEntrySizes: true, autoClose: false });
  } catch {
    return { fault: "This is no zip file, or not all of one. Choose the file as it was downloaded.", status: 422 };
  }
  try {
    const entries = await entriesOf(zip);
    return {
      restored: await readArchive(getServices().db, club, (name) =>
        entries.has(name) ? linesOf(zip, entries.get(name)!) : undefined,
      ),
    };
  } catch (error) {
    if (error instanceof ArchiveFault) return { fault: error.message, status: 422 };
    throw error;
  } finally {
    zip.close();
  }
}

/** Takes what is sent into a file, up to the limit. Returns whether it was within it. */
async function takeTo(path: string, body: ReadableStream<Uint8Array>): Promise<boolean> {
  let seen = 0;
  const measured = new Transform({
    transform(chunk: Buffer, _, done) {
      seen += chunk.length;
      done(seen > LARGEST_ARCHIVE ? new Error("too large") : null, chunk);
    },
  });
  try {
    await pipeline(Readable.fromWeb(body as never), measured, createWriteStream(path, { mode: 0o600 }));
    return true;
  } catch (error) {
    if (seen > LARGEST_ARCHIVE) return false;
    throw error;
  }
}

/** Reads what nobody wants, so that the connection can be used again; not for longer than an archive may be. */
export async function throwAway(body: ReadableStream<Uint8Array> | null): Promise<void> {
  if (!body || body.locked) return;
  let seen = 0;
  const reader = body.getReader();
  while (seen <= LARGEST_ARCHIVE) {
    const { done, value } = await reader.read().catch(() => ({ done: true, value: undefined }));
    if (done) return;
    seen += value?.length ?? 0;
  }
}

const BROKEN = "The zip file is broken. Choose the file as it was downloaded.";

/** The files of an archive by name, once it is sure that they come to no more than they may. */
async function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  if (zip.entryCount > MOST_FILES)
    throw new ArchiveFault("The zip file has more files in it than a club’s archive has.");
  const entries = new Map<string, Entry>();
  let bytes = 0;
  await new Promise<void>((resolve, reject) => {
    zip.on("entry", (entry: Entry) => {
      entries.set(entry.fileName, entry);
      bytes += entry.uncompressedSize;
      zip.readEntry();
    });
    zip.once("end", resolve);
    zip.on("error", () => reject(new ArchiveFault(BROKEN)));
    zip.readEntry();
  });
  if (bytes > LARGEST_UNPACKED) throw new ArchiveFault("The zip file unpacks to more than a club’s archive can be.");
  return entries;
}

/** The lines of one file. One that is longer than any may be ends it. */
async function* linesOf(zip: ZipFile, entry: Entry): AsyncGenerator<string> {
  let stream: Readable;
  try {
    stream = await zip.openReadStreamPromise(entry);
  } catch {
    throw new ArchiveFault(BROKEN);
  }
  let line = 0;
  const bounded = new Transform({
    transform(chunk: Buffer, _, done) {
      const end = chunk.lastIndexOf(10);
      line = end < 0 ? line + chunk.length : chunk.length - end - 1;
      done(
        line > 4 * LONGEST_LINE
          ? new ArchiveFault(`${entry.fileName} has a line that is longer than it can be.`)
          : null,
        chunk,
      );
    },
  });
  // The reader of lines would not tell of a fault of what it reads from.
  let fault: unknown;
  const failed = (error: unknown) => {
    fault ??= error instanceof ArchiveFault ? error : new ArchiveFault(BROKEN);
    bounded.end();
  };
  stream.once("error", failed);
  bounded.once("error", failed);
  stream.pipe(bounded);
  try {
    for await (const text of createInterface({ input: bounded, crlfDelay: Infinity })) yield text;
  } finally {
    stream.destroy();
  }
  if (fault) throw fault as Error;
}
