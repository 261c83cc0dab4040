import type { Club } from "~/db/clubs";
import { z } from "zod";
import { changeStored, importSession, keepSession, LARGEST_IMPORT, mustRead } from "~/app/server/session-docs.server";
import { targetField, titleField } from "../new-session/about";
import { askedIn } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { idOf, notHere } from "~/app/server/coach.server";
import { PURPOSES, type SessionPlan } from "~/core/session/schema";
import { faultLine } from "~/core/faults";
import type { PlacedFault } from "~/core/files/places";
import { newSession } from "~/core/session/start";
import { broughtHash, broughtWords } from "~/core/wording/brought";
import { clockText } from "~/core/lengths";
import { deleteArchived, findSession, setArchived, setTemplate } from "~/db/sessions";
import { findSetting } from "~/db/session-setting";
import { OUTLINES, outlineBlocks } from "~/library/outlines";
import { cutTo } from "~/core/fit-to-keep";
import { TEMPLATES, templateSession } from "~/library/templates";
import { opening } from "~/app/server/opening.server";

/** What came of it, for the page to say. */
export type Outcome =
  | { go: string }
  | { done: true }
  | { already: { id: string; title: string; brought: string } }
  | { file: string; faults: PlacedFault[] }
  | { fields: Record<string, string>; faults?: undefined };

const newForm = z.object({
  title: titleField,
  purpose: z.enum(PURPOSES),
  target: targetField,
  /** An outline, a template of Mapset's, or one of the coach's own. */
  outline: z.string().max(120),
  /** Whose it is: a group, anybody's, or the group of what it begins with. */
  group: z.union([z.uuid(), z.literal(""), z.literal("as-begun")]),
});

const id = z.string().default("");
const text = z.string().default("");

const asked = z.discriminatedUnion("do", [
  z.object({
    do: z.literal("new"),
    title: text,
    purpose: text,
    target: text,
    outline: text,
    group: z.string().default("as-begun"),
  }),
  z.object({ do: z.literal("import") }),
  z.object({ do: z.literal("copy"), id }),
  z.object({ do: z.literal("rename"), id, title: text }),
  z.object({ do: z.literal("template"), id }),
  z.object({ do: z.literal("no-template"), id }),
  z.object({ do: z.literal("archive"), id }),
  z.object({ do: z.literal("restore"), id }),
  z.object({ do: z.literal("delete"), id }),
]);

/** A session without drills: it is made with the first of them. */
const EMPTY = "empty";

/** Everything that can be done from the list of sessions. */
export async function actOnSessions(club: Club, form: FormData): Promise<Outcome> {
  const { db } = getServices();
  const ask = askedIn(form, asked);
  switch (ask.do) {
    case "new": {
      const read = newForm.safeParse(ask);
      if (!read.success)
        return { fields: Object.fromEntries(read.error.issues.map((i) => [String(i.path[0]), i.message])) };
      const { outline, group, ...about } = read.data;
      if (outline === EMPTY)
        return {
          go: `/sessions/new?${new URLSearchParams({ title: about.title, purpose: about.purpose, target: about.target ? clockText(about.target) : "", group: group === "as-begun" ? "" : group }).toString()}`,
        };
      const begin = await beginningOf(club, outline);
      const doc = {
        ...begin.session,
        ...newSession({ ...about, target: about.target ?? begin.session.target }, begin.session.blocks),
        pace: begin.session.pace,
        firstSide: begin.session.firstSide,
      };
      const id = await keepSession(club, await mustRead(club, doc), {
        groupId: group === "as-begun" ? begin.groupId : group || null,
        demandId: begin.demandId,
      });
      return { go: `/sessions/${id}` };
    }
    case "import": {
      const file = form.get("file");
      if (!(file instanceof File))
        return { file: "Nothing", faults: [{ path: "(file)", place: "the file", message: "choose a file to import" }] };
      if (file.size > LARGEST_IMPORT)
        return {
          file: file.name,
          faults: [
            { path: "(file)", place: "the file", message: "is larger than 2 MB; a session file is far smaller" },
          ],
        };
      const outcome = await importSession(club, file.name, await file.text());
      if ("faults" in outcome) return outcome;
      return outcome.already
        ? { already: { id: outcome.id, title: outcome.title, brought: broughtWords(outcome) } }
        : { go: `/sessions/${outcome.id}${broughtHash(outcome)}` };
    }
    case "copy": {
      const id = idOf(ask.id);
      const [stored, beside] = await Promise.all([opening(findSession(db, club, id)), findSetting(db, club, id)]);
      if (!stored) throw notHere();
      return {
        go: `/sessions/${await keepSession(club, { ...stored.doc, title: copyTitle(stored.doc.title) }, beside)}`,
      };
    }
    case "rename":
      return rename(club, idOf(ask.id), ask.title);
    case "template":
    case "no-template":
      if (!(await setTemplate(db, club, idOf(ask.id), ask.do === "template"))) throw notHere();
      return { done: true };
    case "archive":
    case "restore":
      if (!(await setArchived(db, club, idOf(ask.id), ask.do === "archive"))) throw notHere();
      return { done: true };
    case "delete":
      if (!(await deleteArchived(db, club, idOf(ask.id)))) throw notHere();
      return { done: true };
  }
}

type Beginning = { session: SessionPlan; groupId: string | null; demandId: string | null };

/** What a new session begins with: a few drills, a template, or a session the coach offers as one. */
async function beginningOf(club: Club, asked: string): Promise<Beginning> {
  const own = /^own:(.+)$/.exec(asked)?.[1];
  if (own) {
    const { db } = getServices();
    const [stored, setting] = await Promise.all([
      opening(findSession(db, club, idOf(own))),
      findSetting(db, club, idOf(own)),
    ]);
    if (!stored || !setting) throw notHere();
    return { session: stored.doc, groupId: setting.groupId, demandId: setting.demandId };
  }
  const template = TEMPLATES.find((t) => `template:${t.id}` === asked);
  if (template) return { session: templateSession(template), groupId: null, demandId: template.demand };
  const outline = OUTLINES.find((o) => o.id === asked);
  if (!outline) throw notHere("There is no such template.");
  return {
    session: newSession({ title: "New", purpose: "off-day" }, outlineBlocks(outline)),
    groupId: null,
    demandId: null,
  };
}

async function rename(club: Club, id: string, title: string): Promise<Outcome> {
  const read = titleField.safeParse(title);
  if (!read.success) return { fields: { title: read.error.issues[0]?.message ?? "" } };
  const changed = await changeStored(club, id, (doc) => ({ ...doc, title: read.data }));
  if ("saved" in changed) return { done: true };
  if (changed.refused === "gone") throw notHere();
  return {
    fields: {
      title:
        changed.refused === "busy"
          ? "The session is being changed elsewhere right now. Try again."
          : faultLine(changed.refused[0]!),
    },
  };
}

function copyTitle(title: string): string {
  return `${cutTo(title, 112)}, copy`;
}
