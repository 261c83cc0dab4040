import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { cutTo } from "~/core/fit-to-keep";
import type { DeskCopy, SaveAnswer } from "./save";
import { dropDraft, isOnlyHere, keepDraft, keepDraftNow, readDraft } from "./drafts";
import type { Ensure } from "~/app/ui/own-drills";
import { AGAIN_MS, useAgain } from "~/app/ui/use-again";
import { holdForDesk } from "~/app/sync/browser";
import type { OfCoach } from "~/core/outbox/item";
import { sameJson } from "~/core/same-json";
import type { Session } from "~/core/session/schema";

/** How it stands with saving, for the person at the desk. */
export type SaveState =
  | { kind: "saved"; at: string }
  | { kind: "waiting" | "saving" | "signed-out" | "gone" }
  /** What is not sent yet is in the browser, or only on this page. */
  | { kind: "offline"; where: "browser" | "page" }
  | { kind: "newer"; stored: DeskCopy }
  | { kind: "refused"; message: string };

const WAIT_MS = 700;
/** So long somebody who goes on from the desk waits for what is left to be saved, before they hear that it is not. */
const FLUSH_MS = 10_000;
/** Browsers send at most about 64 kB from a page that is going away. */
export const KEEPALIVE_BYTES = 60_000;

type Options = {
  id: string;
  whose: OfCoach;
  first: DeskCopy;
  doc: Session;
  onReplace: (doc: Session, words: string) => void;
  ensure: Ensure;
};

/**
 * Saves the session on its own, a moment after each edit, always over the revision it was made from. A newer copy from
 * another tab stops it until the person has chosen. What is not saved yet is kept in the browser. No copy from elsewhere
 * comes to the desk before the drills in it are known here.
 */
export function useSaving({ id, whose, first, doc, onReplace, ensure }: Options) {
  const [state, setState] = useState<SaveState>({ kind: "saved", at: first.updatedAt });
  const [asked, setAsked] = useState(0);
  const saved = useRef({ doc: first.doc, revision: first.revision });
  const drafted = useRef(false);
  const savedAt = useRef(first.updatedAt);
  const latest = useRef(doc);
  const busy = useRef(false);
  const blocked = useRef(false);
  /** Whether what an earlier visit left in the browser is still to come: until then nothing is written over it. */
  const restoring = useRef(true);
  useLayoutEffect(() => {
    latest.current = doc;
  }, [doc]);

  const send = useCallback(
    (body: object, init: RequestInit = {}) =>
      fetch(`/sessions/${id}/save`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify(body),
        ...init,
      }),
    [id],
  );

  const save = useCallback(async () => {
    if (busy.current || blocked.current || restoring.current || latest.current === saved.current.doc) return;
    busy.current = true;
    setState({ kind: "saving" });
    const sent = latest.current;
    try {
      const answer = settled(
        (await (await send({ basedOn: saved.current.revision, doc: sent })).json()) as SaveAnswer,
        sent,
      );
      if (answer.kind === "saved") {
        saved.current = { doc: sent, revision: answer.revision };
        savedAt.current = answer.updatedAt;
        announce(id, answer.revision);
        if (latest.current === sent) {
          dropDraft(id);
          setState({ kind: "saved", at: answer.updatedAt });
        } else setAsked((n) => n + 1);
      } else {
        if (answer.kind === "newer") await ensure(answer.stored.doc);
        blocked.current = answer.kind !== "signed-out";
        setState(stateOf(answer));
      }
    } catch {
      await keepDraftNow(id);
      setState({ kind: "offline", where: isOnlyHere(id) ? "page" : "browser" });
    } finally {
      busy.current = false;
    }
  }, [id, send, ensure]);

  // Save a moment after the last edit; keep a copy in the browser at once.
  useEffect(() => {
    if (doc === saved.current.doc) {
      // Undone back to what is saved already; on opening there is nothing to undo, and a kept draft must stay.
      if (drafted.current) dropDraft(id);
      drafted.current = false;
      setState((s) => (s.kind === "waiting" || s.kind === "offline" ? { kind: "saved", at: savedAt.current } : s));
      return;
    }
    if (restoring.current) return;
    drafted.current = true;
    keepDraft(id, whose, { basedOn: saved.current.revision, doc });
    if (!blocked.current && !busy.current) setState({ kind: "waiting" });
    const timer = setTimeout(() => void save(), WAIT_MS);
    return () => clearTimeout(timer);
  }, [doc, asked, id, whose, save]);

  // Without a connection, or signed out in between, try again until it goes through.
  useAgain(state.kind === "offline" || state.kind === "signed-out", save);

  // A page that goes away sends what is left, keeps it besides, and asks when it cannot.
  useEffect(() => {
    const leave = () => {
      void keepDraftNow(id);
      if (blocked.current || restoring.current || latest.current === saved.current.doc) return;
      const body = { basedOn: saved.current.revision, doc: latest.current };
      if (JSON.stringify(body).length < KEEPALIVE_BYTES && !busy.current)
        void send(body, { keepalive: true }).catch(() => undefined);
    };
    const ask = (event: BeforeUnloadEvent) => {
      if (latest.current !== saved.current.doc) event.preventDefault();
    };
    window.addEventListener("pagehide", leave);
    window.addEventListener("beforeunload", ask);
    return () => {
      window.removeEventListener("pagehide", leave);
      window.removeEventListener("beforeunload", ask);
    };
  }, [id, send]);

  // As long as the desk is open it saves by itself. Left, it hands over what is not saved to the page it is left for.
  useEffect(() => {
    const letGo = holdForDesk(id);
    const handOver = async () => {
      while (busy.current) await new Promise((over) => setTimeout(over, 30));
      if (!restoring.current && latest.current !== saved.current.doc)
        keepDraft(id, whose, { basedOn: saved.current.revision, doc: latest.current });
      await keepDraftNow(id);
    };
    return () => void handOver().finally(letGo);
  }, [id, whose]);

  const take = useCallback(
    async (copy: DeskCopy, words: string) => {
      if (!(await had(ensure(copy.doc)))) return;
      saved.current = { doc: copy.doc, revision: copy.revision };
      savedAt.current = copy.updatedAt;
      blocked.current = false;
      dropDraft(id);
      setState({ kind: "saved", at: copy.updatedAt });
      onReplace(copy.doc, words);
    },
    [id, onReplace, ensure],
  );

  // Another tab has saved: follow it when nothing is unsaved here, otherwise say so at once.
  useEffect(() => {
    const channel = new BroadcastChannel("mapset-saved");
    channel.onmessage = async (event: MessageEvent<{ id: string; revision: number }>) => {
      if (event.data.id !== id || event.data.revision <= saved.current.revision) return;
      const answer = await fetch(`/sessions/${id}/save`).catch(() => undefined);
      if (!answer?.ok) return;
      const copy = (await answer.json()) as DeskCopy;
      if (!(await had(ensure(copy.doc)))) return;
      if (copy.revision <= saved.current.revision) return;
      if (latest.current === saved.current.doc) await take(copy, "change from another tab");
      else {
        blocked.current = true;
        setState({ kind: "newer", stored: copy });
      }
    };
    return () => channel.close();
  }, [id, take, ensure]);

  // What an earlier visit could not save.
  useEffect(() => {
    let left = false;
    const restore = async () => {
      const draft = await readDraft(id, whose).catch(() => undefined);
      if (!draft) return;
      if (sameJson(draft.doc, first.doc)) return dropDraft(id);
      const known = ensure(draft.doc);
      for (let asked = known; ; asked = ensure(draft.doc)) {
        const answer = asked === true ? true : await had(asked);
        if (left) return;
        if (answer === false) return dropDraft(id);
        if (answer) break;
        await new Promise((over) => setTimeout(over, AGAIN_MS));
      }
      restoring.current = false;
      onReplace(draft.doc, "edits that had not been saved");
      if (draft.basedOn === first.revision) return;
      // Until the coach has chosen they stay edits of what they were made from, also when the desk is left again.
      saved.current = { doc: first.doc, revision: draft.basedOn };
      blocked.current = true;
      setState({ kind: "newer", stored: first });
    };
    void restore().finally(() => {
      if (left) return;
      restoring.current = false;
      // What was edited meanwhile is saved now.
      setAsked((n) => n + 1);
    });
    return () => {
      left = true;
    };
    // Only when the desk opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);

  const keepMine = useCallback((stored: DeskCopy) => {
    saved.current = { doc: stored.doc, revision: stored.revision };
    blocked.current = false;
    setAsked((n) => n + 1);
  }, []);

  const keepAsCopy = useCallback(
    async (stored: DeskCopy): Promise<string | undefined> => {
      const answer = (await (
        await send({
          basedOn: stored.revision,
          doc: { ...latest.current, title: `${cutTo(latest.current.title, 108)}, my copy` },
          asCopy: true,
        })
      ).json()) as SaveAnswer;
      if (answer.kind !== "copied") return undefined;
      await take(stored, "newer copy from another tab");
      return answer.id;
    },
    [send, take],
  );

  /** Keeps what is on the desk as another session and returns its id; undefined when it could not be. */
  const duplicate = useCallback(async (): Promise<string | undefined> => {
    const doc = { ...latest.current, title: `${cutTo(latest.current.title, 112)}, copy` };
    const answer = await send({ basedOn: saved.current.revision, doc, asCopy: true })
      .then((r) => r.json() as Promise<SaveAnswer>)
      .catch(() => undefined);
    return answer?.kind === "copied" ? answer.id : undefined;
  }, [send]);

  /** Saves what is left, edits made meanwhile too. Returns whether everything on the desk is saved now; false after some seconds without an answer. */
  const flush = useCallback(async (): Promise<boolean> => {
    const until = performance.now() + FLUSH_MS;
    while (busy.current || latest.current !== saved.current.doc) {
      if (blocked.current || performance.now() > until) return false;
      if (restoring.current) {
        await new Promise((over) => setTimeout(over, 30));
        continue;
      }
      const { revision } = saved.current;
      if (!busy.current) void save();
      while (busy.current && performance.now() < until) await new Promise((over) => setTimeout(over, 30));
      if (!busy.current && saved.current.revision === revision) return false;
    }
    return true;
  }, [save]);

  return { state, saveNow: save, flush, take, keepMine, keepAsCopy, duplicate };
}

/** What came of it; undefined where there was no connection. */
const had = (known: true | Promise<boolean>): Promise<boolean | undefined> =>
  Promise.resolve(known).catch(() => undefined);

/** What is newer there and just what was sent has been saved: by a page that went away, say. */
const settled = (answer: SaveAnswer, sent: Session): SaveAnswer =>
  answer.kind === "newer" && sameJson(answer.stored.doc, sent)
    ? { kind: "saved", revision: answer.stored.revision, updatedAt: answer.stored.updatedAt }
    : answer;

function stateOf(answer: Exclude<SaveAnswer, { kind: "saved" }>): SaveState {
  switch (answer.kind) {
    case "newer":
      return { kind: "newer", stored: answer.stored };
    case "refused":
      return { kind: "refused", message: answer.faults.map((f) => `${f.path} ${f.message}`).join("; ") };
    case "copied":
      return { kind: "gone" };
    default:
      return { kind: answer.kind };
  }
}

function announce(id: string, revision: number): void {
  const channel = new BroadcastChannel("mapset-saved");
  channel.postMessage({ id, revision });
  channel.close();
}
