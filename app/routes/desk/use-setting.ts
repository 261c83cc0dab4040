import { useCallback, useRef, useState } from "react";
import { KEEPALIVE_BYTES } from "./use-saving";
import type { Accepted } from "~/core/audit/accepted";

/** What stands beside the document: who it is for, what is asked of it, what is let stand. */
export type DeskSetting = { teamId: string | null; demandId: string | null; accepted: Accepted[] };

/** Keeps every change at once, one after another, also when the page is left just then; says when it could not be kept. */
export function useSetting(id: string, first: DeskSetting) {
  const [setting, setSetting] = useState(first);
  const [trouble, setTrouble] = useState<string>();
  const latest = useRef(first);
  const queue = useRef(Promise.resolve());
  const change = useCallback(
    (part: Partial<DeskSetting>) => {
      const next = { ...latest.current, ...part };
      latest.current = next;
      setSetting(next);
      queue.current = queue.current.then(async () => {
        const body = JSON.stringify(next);
        try {
          const answer = await fetch(`/sessions/${id}/setting`, { method: "POST", headers: { "content-type": "application/json" }, body, keepalive: body.length < KEEPALIVE_BYTES });
          setTrouble(answer.ok ? undefined : "This was not kept. Reload the page and try again.");
        } catch {
          setTrouble("No connection: who it is for and what you let stand were not kept. Choose it again later.");
        }
      });
    },
    [id],
  );
  return { setting, change, trouble };
}
