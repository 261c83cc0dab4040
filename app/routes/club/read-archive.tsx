import { useRef, useState } from "react";
import { useRevalidator } from "react-router";
import { FileButton } from "~/app/ui/file-button";

type State =
  | { kind: "idle" }
  | { kind: "sending"; share: number }
  | { kind: "reading" }
  | { kind: "done"; words: string }
  | { kind: "fault"; fault: string };

/** Sends an archive as it is, and says how far that is. Once something is in the club it says so, and what was read. */
export function ReadArchive({ empty }: { empty: boolean }) {
  const [state, setState] = useState<State>({ kind: "idle" });
  const { revalidate } = useRevalidator();
  const asked = useRef<XMLHttpRequest>(undefined);
  const send = (file: File) => {
    // Of the two ways to send, only this one tells how much has gone.
    const request = new XMLHttpRequest();
    asked.current = request;
    request.open("POST", "/club/archive");
    request.setRequestHeader("content-type", "application/zip");
    request.responseType = "json";
    request.upload.onprogress = (event) =>
      setState({ kind: "sending", share: event.total > 0 ? event.loaded / event.total : 0 });
    request.upload.onload = () => setState({ kind: "reading" });
    request.onerror = () =>
      setState({ kind: "fault", fault: "The connection broke off. Nothing was saved: try again." });
    request.onload = () => {
      const told = request.response as { counts?: Record<string, number>; fault?: string } | null;
      if (request.status === 200 && told?.counts) {
        setState({
          kind: "done",
          words: `Read: ${told.counts["sessions"] ?? 0} sessions, ${told.counts["people"] ?? 0} people, ${told.counts["runs"] ?? 0} reports. Hand its links out again.`,
        });
        void revalidate();
      } else setState({ kind: "fault", fault: told?.fault ?? "That didn’t work. Nothing was saved: try again." });
    };
    setState({ kind: "sending", share: 0 });
    request.send(file);
  };
  const busy = state.kind === "sending" || state.kind === "reading";
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-3">
        {empty && (
          <FileButton
            words="Read an archive into this club"
            busyWords="Reading…"
            busy={busy}
            accept=".zip,application/zip"
            onFile={send}
          />
        )}
        {state.kind === "sending" && (
          <progress aria-label="Sent" value={state.share} max={1} className="h-2 w-40 accent-(--depth-5)" />
        )}
        <span role="status" className="text-sm text-ink-soft">
          {state.kind === "sending"
            ? `${Math.round(state.share * 100)} % sent`
            : state.kind === "reading"
              ? "Sent. It is being looked through…"
              : state.kind === "done"
                ? state.words
                : ""}
        </span>
      </div>
      {!empty && state.kind !== "done" && (
        <p className="text-sm text-ink-faint">
          Such a file is read back into a club that has nothing in it yet. Start another club for it, below.
        </p>
      )}
      {state.kind === "fault" && (
        <p role="alert" className="text-sm font-medium text-plum">
          {state.fault}
        </p>
      )}
    </div>
  );
}
