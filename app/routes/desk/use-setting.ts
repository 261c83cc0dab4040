import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { SaveState } from "./use-saving";
import { browserOutbox } from "~/app/sync/browser";
import { newKey } from "~/app/sync/key";
import { useItems, useSending } from "~/app/sync/use-items";
import { AGAIN_MS } from "~/app/ui/use-again";
import { now } from "~/core/clock/clock";
import { LATER_COUNTS, type Setting, type SettingField } from "~/core/documents/setting";
import { isOf, settingItem, type Item, type OfCoach } from "~/core/outbox/item";
import { mergeFields, revisionOf, type Change, type Changes, type Marks } from "~/core/saving/fields";

type Marked = { setting: Setting; marks: Marks<Setting> };
type SettingItem = Item<"setting">;

/** Of what was changed elsewhere, too, somebody has to choose: which parts, and what is there. */
export type SettingConflict = Marked & { fields: SettingField[] };

const CHANNEL = "mapset-setting";
const LOOK_MS = 30;
const WAIT_MS = 10_000;

const changesOf = (item: SettingItem) => item.body.fields as Changes<Setting>;
const valuesOf = (item: SettingItem): Partial<Setting> =>
  Object.fromEntries(Object.entries(item.body.fields).map(([field, { value }]) => [field, value]));

/**
 * What stands beside a session. Every change is kept at once among what this browser has to send, only what was changed, over the
 * revision it was made from: so it gets there whatever becomes of the page, and over a choice made elsewhere nothing is written unseen.
 */
export function useSetting(id: string, whose: OfCoach, title: string, first: Marked) {
  const [setting, setSetting] = useState(first.setting);
  const [conflict, setConflict] = useState<SettingConflict>();
  const [full, setFull] = useState<string>();
  const [adding, setAdding] = useState(0);
  const marks = useRef(first.marks);
  const [page] = useState(newKey);
  const seq = useRef(0);
  /** What is being put among what there is to send. */
  const adds = useRef<{ count: number; last: Promise<unknown> }>({ count: 0, last: Promise.resolve() });
  const named = useRef(title);
  useEffect(() => {
    named.current = title;
  }, [title]);
  const key = `setting:${id}`;
  /** What waits to be sent, as this page last saw it. */
  const waiting = useCallback(
    () =>
      browserOutbox()
        .outbox.items()
        .find((one): one is SettingItem => one.key === key && isOf(one, whose)),
    [key, whose],
  );
  const item = useItems().find((one): one is SettingItem => one.key === key && isOf(one, whose));
  const sending = useSending() === key;

  const keep = useCallback(
    async (part: Partial<Setting>) => {
      const at = ++seq.current;
      const change = ([field, value]: [string, unknown]): [string, Change<unknown>] => [
        field,
        { value, basedOn: revisionOf(marks.current, field as SettingField), by: page, seq: at },
      ];
      const fields = Object.fromEntries(Object.entries(part).map(change));
      const body = { fields, title: named.current };
      const making = { now: now(), stamp: newKey() };
      const add = browserOutbox().outbox.add(settingItem(id, whose, body, making));
      adds.current = { count: adds.current.count + 1, last: Promise.all([adds.current.last, add]) };
      setAdding(adds.current.count);
      try {
        setFull(await add);
      } finally {
        setAdding(--adds.current.count);
      }
    },
    [id, whose, page],
  );

  const change = useCallback(
    (part: Partial<Setting>) => {
      setSetting((before) => ({ ...before, ...part }));
      void keep(part);
    },
    [keep],
  );

  const fetchThere = useCallback(async (): Promise<Marked | undefined> => {
    const answer = await fetch(`/sessions/${id}/setting`).catch(() => undefined);
    return answer?.ok ? ((await answer.json()) as Marked) : undefined;
  }, [id]);

  const show = useCallback((there: Marked) => {
    marks.current = there.marks;
    setSetting(there.setting);
  }, []);

  // What an earlier visit chose and could not send.
  useEffect(() => {
    void browserOutbox()
      .outbox.look()
      .then(() => {
        const left = waiting();
        if (left) setSetting((before) => ({ ...before, ...valuesOf(left) }));
      });
  }, [waiting]);

  // What was sent is told to other tabs, and what they sent is followed where nothing of this one's waits.
  const had = useRef(false);
  useEffect(() => {
    if (had.current && !item) tell({ id, page });
    had.current = item !== undefined;
  }, [id, item, page]);
  useEffect(() => {
    const channel = new BroadcastChannel(CHANNEL);
    channel.onmessage = async ({ data }: MessageEvent<Told>) => {
      if (data.id !== id || data.page === page) return;
      const before = seq.current;
      const there = await fetchThere();
      // Chosen here meanwhile, it may be older than what this page has sent since.
      if (there && before === seq.current && !waiting()) show(there);
    };
    return () => channel.close();
  }, [id, page, fetchThere, show, waiting]);

  // What was changed elsewhere, too, is looked at.
  const isNewer = item?.state === "newer";
  useEffect(() => {
    if (!isNewer) return setConflict(undefined);
    let left = false;
    const look = async () => {
      const there = await fetchThere();
      const mine = waiting();
      if (left || !mine) return;
      if (!there) return void setTimeout(() => void look(), AGAIN_MS);
      const { newer } = mergeFields(there.setting, there.marks, changesOf(mine), LATER_COUNTS);
      if (newer.length > 0) return setConflict({ ...there, fields: newer });
      show(there);
      void browserOutbox().outbox.drop(key);
    };
    void look();
    return () => {
      left = true;
    };
  }, [isNewer, key, fetchThere, show, waiting]);

  const takeTheirs = () => {
    if (conflict) show(conflict);
    void browserOutbox().outbox.drop(key);
  };
  const keepMine = () => {
    if (!conflict || !item) return;
    marks.current = conflict.marks;
    const mine = valuesOf(item);
    void keep(Object.fromEntries(conflict.fields.map((field) => [field, mine[field]])));
  };

  /** Sends what is left. Returns whether it is all there now; false after some seconds without an answer. */
  const keepNow = useCallback(async (): Promise<boolean> => {
    const { outbox } = browserOutbox();
    await adds.current.last;
    const before = waiting()?.tries ?? 0;
    void outbox.wake();
    for (const until = performance.now() + WAIT_MS; performance.now() < until;) {
      const left = waiting();
      if (!left) return true;
      if (left.tries > before && outbox.sending() !== key) return false;
      await new Promise((over) => setTimeout(over, LOOK_MS));
    }
    return false;
  }, [key, waiting]);

  const kept = useMemo((): SaveState | undefined => {
    if (full) return { kind: "refused", faults: [{ path: "", message: full }] };
    if (adding > 0 || sending) return { kind: "saving" };
    return item && stateOf(item, browserOutbox().onlyHere().has(key));
  }, [full, adding, sending, item, key]);
  return { setting, change, kept, keepNow, conflict, takeTheirs, keepMine };
}

/** A page has sent something of a session’s. */
type Told = { id: string; page: string };

function tell(told: Told): void {
  const channel = new BroadcastChannel(CHANNEL);
  channel.postMessage(told);
  channel.close();
}

function stateOf(item: SettingItem, onlyHere: boolean): SaveState {
  switch (item.state) {
    case "waiting":
      return item.last === undefined ? { kind: "saving" } : { kind: "offline", where: onlyHere ? "page" : "browser" };
    case "signed-out":
    case "gone":
      return { kind: item.state };
    case "refused":
      return { kind: "refused", faults: [{ path: "", message: item.words ?? "Reload the page and choose it again." }] };
    case "newer":
      return { kind: "refused", faults: [{ path: "", message: "choose below which should count." }] };
  }
}

/** How it stands with saving the document and what is beside it together: what is wrong goes before what is under way. */
export function bothSaved(doc: SaveState, setting: SaveState | undefined): SaveState {
  if (!setting || (doc.kind !== "saved" && doc.kind !== "waiting" && doc.kind !== "saving")) return doc;
  return doc.kind === "saved" || setting.kind !== "saving" ? setting : doc;
}
