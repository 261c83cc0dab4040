import { useCallback, useEffect, useRef, useState } from "react";
import type { SettingAnswer } from "./setting";
import { KEEPALIVE_BYTES, type SaveState } from "./use-saving";
import { useAgain } from "~/app/ui/use-again";
import type { Accepted } from "~/core/audit/accepted";
import type { Choice } from "~/core/group/choices";
import type { Lock } from "~/core/session/locks";

/** What stands beside the document: who it is for, what is asked of it, what is let stand, what fitting leaves as it is, what is chosen for single people. */
export type DeskSetting = {
  teamId: string | null;
  demandId: string | null;
  accepted: Accepted[];
  locks: Lock[];
  choices: Choice[];
};

type Kept = "kept" | "keeping" | "offline" | "signed-out" | "refused";

/**
 * Keeps every change at once and only what was changed, so that another tab's choices stay; changes made while one is on
 * its way go together after it, also when the page is left just then. Without a connection it tries again until it gets through.
 */
export function useSetting(id: string, first: DeskSetting) {
  const [setting, setSetting] = useState(first);
  const [kept, setKept] = useState<Kept>("kept");
  const unsent = useRef<Partial<DeskSetting>>({});
  const busy = useRef(false);

  const send = useCallback(
    (part: Partial<DeskSetting>) => {
      const body = JSON.stringify(part);
      return fetch(`/sessions/${id}/setting`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body,
        keepalive: body.length < KEEPALIVE_BYTES,
      });
    },
    [id],
  );

  const keep = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    while (Object.keys(unsent.current).length > 0) {
      const part = unsent.current;
      unsent.current = {};
      setKept("keeping");
      const result = await send(part)
        .then(async (answer) => keptOf(((await answer.json()) as SettingAnswer).kind))
        .catch(() => "offline" as const);
      setKept(result);
      if (result === "offline" || result === "signed-out") {
        unsent.current = { ...part, ...unsent.current };
        break;
      }
    }
    busy.current = false;
  }, [send]);

  const change = useCallback(
    (part: Partial<DeskSetting>) => {
      setSetting((now) => ({ ...now, ...part }));
      unsent.current = { ...unsent.current, ...part };
      void keep();
    },
    [keep],
  );

  useAgain(kept === "offline" || kept === "signed-out", keep);

  // A page that goes away sends what waits behind a change that is on its way, and asks when it cannot send.
  useEffect(() => {
    const leave = () => {
      if (Object.keys(unsent.current).length === 0) return;
      void send(unsent.current).catch(() => undefined);
      unsent.current = {};
    };
    const ask = (event: BeforeUnloadEvent) => {
      if (!busy.current && Object.keys(unsent.current).length > 0) event.preventDefault();
    };
    window.addEventListener("pagehide", leave);
    window.addEventListener("beforeunload", ask);
    return () => {
      window.removeEventListener("pagehide", leave);
      window.removeEventListener("beforeunload", ask);
      // One that is on its way takes the rest along after it: sent now, the rest could arrive before it and be written over.
      if (!busy.current) leave();
    };
  }, [send]);

  return { setting, change, kept, keepNow: keep };
}

function keptOf(kind: SettingAnswer["kind"]): Kept {
  return kind === "kept" || kind === "signed-out" ? kind : "refused";
}

/** How it stands with saving the document and its setting together: what is wrong goes before what is under way. */
export function bothSaved(doc: SaveState, setting: Kept): SaveState {
  if (doc.kind !== "saved" && doc.kind !== "waiting" && doc.kind !== "saving") return doc;
  if (setting === "offline") return { kind: "offline", where: "page" };
  if (setting === "signed-out") return { kind: setting };
  if (setting === "refused")
    return {
      kind: "refused",
      message:
        "who it is for, what is asked, what is let stand or what fitting leaves alone. Reload the page and choose it again.",
    };
  return doc.kind === "saved" && setting === "keeping" ? { kind: "saving" } : doc;
}
