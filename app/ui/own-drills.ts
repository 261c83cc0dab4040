import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useAgain } from "./use-again";
import { ownIdsIn } from "~/core/drills/own";
import { readOwnList, type OwnListed } from "~/core/documents/own-drills";
import type { Drill } from "~/core/drills/schema";

const NONE: readonly Drill[] = [];
/** So many ids fit into one address. */
const AT_ONCE = 60;

/**
 * Sees to it that the own drills a document names are known, and says whether they are: at once where it is so already.
 * Rejects where they cannot be had.
 */
export type Ensure = (document: unknown) => true | Promise<boolean>;

export type OwnDrills = {
  /** All that the page knows, older revisions too. */
  known: readonly Drill[];
  /** Those a coach can choose: the newest revisions, without those shelved. */
  offered: readonly Drill[];
  state: "coming" | "there" | "failed";
  ensure: Ensure;
  /** Those a coach can choose, once they are there; rejects where they cannot be had. */
  all: () => Promise<readonly Drill[]>;
};

/**
 * A coach's own drills: what the page itself needs comes with it, the rest is fetched once it is there, and again
 * until it goes through. A coach may have hundreds, which would hold up the page and everybody else.
 */
export function useOwnDrills(first: readonly Drill[]): OwnDrills {
  const [{ known, offered, state }, set] = useState<Pick<OwnDrills, "known" | "offered" | "state">>({
    known: first,
    offered: NONE,
    state: "coming",
  });
  const ids = useRef(new Set(first.map((drill) => drill.id)));
  const coming = useRef<Promise<readonly Drill[]>>(undefined);
  const load = useCallback(() => {
    const loaded = fetchOwn([]).then((listed) => {
      const choose = listed.filter((one) => one.offered).map((one) => one.drill);
      for (const { id } of choose) ids.current.add(id);
      set((now) => ({
        known: joined(now.known, choose),
        offered: choose.length === 0 ? NONE : choose,
        state: "there",
      }));
      return choose;
    });
    coming.current = loaded;
    loaded.catch(() => {
      coming.current = undefined;
      set((now) => ({ ...now, state: "failed" }));
    });
    return loaded;
  }, []);
  useEffect(() => void load().catch(() => undefined), [load]);
  useAgain(state === "failed", load);
  const all = useCallback(() => coming.current ?? load(), [load]);
  const ensure = useCallback(
    (document: unknown) => {
      const missing = () => ownIdsIn(document).filter((id) => !ids.current.has(id));
      if (missing().length === 0) return true;
      return (async () => {
        await all();
        for (let left = missing(); left.length > 0; left = left.slice(AT_ONCE)) {
          const named = (await fetchOwn(left.slice(0, AT_ONCE))).map((one) => one.drill);
          for (const { id } of named) ids.current.add(id);
          set((now) => ({ ...now, known: joined(now.known, named) }));
        }
        return missing().length === 0;
      })();
    },
    [all],
  );
  return useMemo(() => ({ known, offered, state, ensure, all }), [known, offered, state, ensure, all]);
}

async function fetchOwn(named: readonly string[]): Promise<OwnListed[]> {
  const answer = await fetch(`/own-drills${named.length > 0 ? `?named=${named.join()}` : ""}`);
  if (!answer.ok) throw new Error(`own drills: ${answer.status}`);
  return readOwnList(await answer.text());
}

/** Both, each once. The same list where there is nothing new. */
function joined(known: readonly Drill[], more: readonly Drill[]): readonly Drill[] {
  const there = new Set(known.map((drill) => drill.id));
  const fresh = more.filter((drill) => !there.has(drill.id));
  return fresh.length === 0 ? known : [...known, ...fresh];
}
