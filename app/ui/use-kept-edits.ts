import { useEffect, useState } from "react";
import { useBlocker, type useFetcher } from "react-router";
import { useWarning } from "./use-warning";

/** So many steps can be undone. */
const MOST_STEPS = 200;

/**
 * Something that is changed on its page and kept by a press: what it is now, what of it is kept, and the way back. `same` says
 * when there is nothing to keep; what the fetcher answers with `kept` is what was shown when it was sent.
 */
export function useKeptEdits<Doc, Answer extends object>(
  first: Doc,
  same: (a: Doc, b: Doc) => boolean,
  fetcher: ReturnType<typeof useFetcher<Answer>>,
) {
  const [kept, setKept] = useState(first);
  const [doc, setDoc] = useState(first);
  const [past, setPast] = useState<Doc[]>([]);
  const dirty = !same(doc, kept);
  const blocker = useBlocker(dirty && fetcher.state === "idle");
  const answer = fetcher.data;
  const isKept = answer !== undefined && answer !== null && "kept" in answer;
  useEffect(() => {
    if (fetcher.state === "idle" && isKept) setKept(doc);
    // Only when an answer comes: what was sent is what is shown, the fields are locked while it is sent.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [fetcher.state, answer]);
  useWarning(dirty);
  return {
    doc,
    kept,
    dirty,
    blocker,
    change: (next: Doc) => {
      if (same(next, doc)) return;
      setPast([...past.slice(-MOST_STEPS), doc]);
      setDoc(next);
    },
    /** What is now is all there is to keep, as before it is deleted. */
    letGo: () => setKept(doc),
    /** Undefined where there is nothing to undo. */
    undo:
      past.length === 0
        ? undefined
        : () => {
            setDoc(past.at(-1)!);
            setPast(past.slice(0, -1));
          },
    status: fetcher.state !== "idle" ? "Saving…" : dirty ? "Unsaved" : isKept ? "Saved" : "",
  };
}
