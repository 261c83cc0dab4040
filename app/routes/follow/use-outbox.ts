import { useCallback, useEffect, useMemo, useState } from "react";
import { keep, keptOf } from "./kept";
import { newKey } from "~/app/sync/key";
import { browserOutbox } from "~/app/sync/browser";
import { useItems, useSending } from "~/app/sync/use-items";
import { now } from "~/core/clock/clock";
import type { CheckIn } from "~/core/checkin/schema";
import { checkInItem, isSettled, type Item } from "~/core/outbox/item";
import { withGiven, withoutUnsent } from "~/core/player/kept";
import { useWarning } from "~/app/ui/use-warning";

/** Where a check-in is: under way, waiting for a connection or for Mapset itself, arrived, or refused for good. */
export type SendState = "sending" | "offline" | "busy" | "sent" | "refused";

export type CheckInItem = Item<"check-in">;

const making = () => ({ now: now(), stamp: newKey() });

/** Check-ins that an earlier version of this page kept beside its runs are the outbox’s from now on; what was refused then is tried once more. */
async function takeOver(token: string): Promise<void> {
  const { unsent = [] } = keptOf(token);
  for (const { message } of unsent) {
    await browserOutbox().outbox.add(checkInItem(token, message, making()));
    keep(token, (kept) => withoutUnsent(kept, [message.run.key]));
  }
}

/** Asks that what is kept is not thrown away when a device runs short: somebody has told something on it. */
const askToStay = () => void navigator.storage?.persist?.().catch(() => undefined);

/** The check-ins of a link that are on their way from this device, everybody’s. */
export function useOutbox(token: string) {
  const items = useItems();
  const sending = useSending();
  /** Given on this page, and whether they are kept yet. */
  const [given, setGiven] = useState<Readonly<Record<string, "keeping" | "kept">>>({});
  const unsent = useMemo(
    () => items.filter((item): item is CheckInItem => item.kind === "check-in" && item.whose.link === token),
    [items, token],
  );
  const onlyHere = typeof window === "undefined" ? undefined : browserOutbox().onlyHere();
  const atRisk = unsent.some((item) => !isSettled(item) && onlyHere?.has(item.key));

  useEffect(() => void takeOver(token), [token]);

  const send = useCallback(
    (message: CheckIn) => {
      const { key } = message.run;
      setGiven((all) => ({ ...all, [key]: "keeping" }));
      void browserOutbox()
        .outbox.add(checkInItem(token, message, making()))
        .then(() => {
          keep(token, (kept) => withGiven(kept, key));
          setGiven((all) => ({ ...all, [key]: "kept" }));
        });
      askToStay();
    },
    [token],
  );

  const told = useCallback((item: CheckInItem) => void browserOutbox().outbox.drop(item.key), []);

  const stateOf = (key: string): SendState | undefined => {
    const item = unsent.find((one) => one.body.run.key === key);
    if (item) return item.key === sending ? "sending" : stateWords(item);
    return given[key] === "kept" ? "sent" : given[key] && "sending";
  };

  useWarning(atRisk);
  return { unsent, stateOf, atRisk, send, told };
}

/** How it stands with a check-in that is still here. */
export const stateWords = (item: Item): SendState =>
  isSettled(item) ? "refused" : (item.last ?? (item.state === "waiting" ? "sending" : "busy"));
