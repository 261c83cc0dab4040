import { CloudOff } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { keepsNothing, stopKeeping } from "./kept";
import { forgetDevice } from "~/app/sync/forget";
import { keepThisPage } from "~/app/sync/offline";
import { useItems } from "~/app/sync/use-items";
import { isSettled } from "~/core/outbox/item";

type Stage = "no" | "asking" | "forgetting" | "forgotten";

/** What this device has of the session: whether it opens without a connection, and a way to leave nothing behind on a phone that others use, too. */
export function ThisDevice({
  awaited,
  onForgotten,
}: {
  /** Check-ins that have not been given. */ awaited: number;
  onForgotten: () => void;
}) {
  const [kept, setKept] = useState(false);
  const [nothing, setNothing] = useState(false);
  const [stage, setStage] = useState<Stage>("no");
  const no = useRef<HTMLButtonElement>(null);
  const items = useItems();
  const unsent = items.filter((item) => item.kind === "check-in" && !isSettled(item)).length;
  const edited = items.some((item) => item.kind === "session");
  useEffect(() => {
    let left = false;
    setNothing(keepsNothing());
    // Once the page itself is there: it must not share a thin connection with what is only for later.
    const timer = setTimeout(() => void keepThisPage().then((is) => !left && setKept(is)), 1_000);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, []);
  useEffect(() => {
    if (stage === "asking") no.current?.focus();
  }, [stage]);
  const forget = async () => {
    setStage("forgetting");
    stopKeeping();
    await forgetDevice();
    setKept(false);
    setStage("forgotten");
    onForgotten();
  };
  const lost = unsent + awaited;
  return (
    <section className="flex flex-col gap-2 text-ink-soft" aria-label="This device">
      {kept && (
        <p className="flex items-center gap-2" data-testid="offline-ready">
          <CloudOff size={18} aria-hidden className="shrink-0" /> Works without a connection on this device.
        </p>
      )}
      {nothing && (
        <p className="rounded-lg border-l-4 border-plum bg-plum-wash p-4 text-ink">
          This browser can’t store anything, as in a private window. Leave the page open until you have sent your
          check-in: close it before and it is lost.
        </p>
      )}
      {stage === "asking" || stage === "forgetting" ? (
        <div
          role="alertdialog"
          aria-label="Clear everything on this device?"
          aria-describedby="forget"
          className="flex flex-col gap-2 rounded-lg border-l-4 border-plum bg-land px-4 py-3 text-ink"
          onKeyDown={(event) => event.key === "Escape" && setStage("no")}
        >
          <p className="font-semibold">Clear everything on this device?</p>
          <p id="forget" className="text-ink-soft">
            Sessions you started, who followed them and pages saved for later are removed from this browser.
            {edited && <span className="font-semibold text-plum"> So are a coach’s unsaved changes to a session.</span>}
            {lost > 0 && (
              <span className="font-semibold text-plum">
                {" "}
                {lost === 1
                  ? "One check-in that your coach hasn’t seen goes"
                  : `${lost} check-ins that your coach hasn’t seen go`}{" "}
                with it. If anything hurt, tell them in person.
              </span>
            )}{" "}
            What your coach has stays with them.
          </p>
          <div className="flex flex-wrap justify-end gap-2">
            <button
              ref={no}
              type="button"
              disabled={stage === "forgetting"}
              onClick={() => setStage("no")}
              className="min-h-11 rounded-lg border border-line bg-paper px-3 font-medium hover:bg-land-deep"
            >
              Cancel
            </button>
            <button
              type="button"
              disabled={stage === "forgetting"}
              onClick={() => void forget()}
              className="min-h-11 rounded-lg border border-line bg-paper px-3 font-medium hover:bg-land-deep"
            >
              {stage === "forgetting" ? "Clearing…" : "Clear it"}
            </button>
          </div>
        </div>
      ) : stage === "forgotten" ? (
        <p role="status">Nothing is left on this device. Close the page, or start again.</p>
      ) : (
        <button
          type="button"
          onClick={() => setStage("asking")}
          className="min-h-11 self-start underline underline-offset-4"
        >
          Clear this device
        </button>
      )}
    </section>
  );
}
