import { useEffect, useState } from "react";
import { Link, useFetcher } from "react-router";
import type { Outcome } from "./actions.server";
import { Button } from "~/app/ui/button";
import { FileButton, fileForm } from "~/app/ui/file-button";
import { FileFaults } from "~/app/ui/file-faults";

/** Takes a session from a file, and says what came of it. */
export function ImportButton() {
  const fetcher = useFetcher<Exclude<Outcome, { go: string }>>();
  const [shut, setShut] = useState(false);
  const answer = fetcher.data;
  useEffect(() => setShut(false), [answer]);
  const close = (
    <Button kind="quiet" onClick={() => setShut(true)}>
      Close
    </Button>
  );
  return (
    <>
      <FileButton
        words="Import"
        busyWords="Importing…"
        busy={fetcher.state !== "idle"}
        onFile={(file) =>
          void fetcher.submit(fileForm(file, { do: "import" }), { method: "post", encType: "multipart/form-data" })
        }
      />
      {answer && "already" in answer && !shut && (
        <p
          role="status"
          className="order-last flex basis-full items-center justify-between gap-4 rounded-md border border-line bg-land px-4 py-2"
        >
          <span>
            You already have this session:{" "}
            {answer.already.brought === ""
              ? "nothing was added."
              : `no second one was added. ${answer.already.brought}`}{" "}
            <Link to={`/sessions/${answer.already.id}`} className="font-medium underline underline-offset-2">
              Open “{answer.already.title}”
            </Link>
          </span>
          {close}
        </p>
      )}
      {answer && "faults" in answer && answer.faults && !shut && (
        <div
          role="alert"
          className="order-last flex basis-full items-start justify-between gap-4 rounded-md border border-plum bg-plum-wash px-4 py-3 text-ink"
        >
          <div className="min-w-0">
            <FileFaults file={answer.file} faults={answer.faults} what="imported" />
          </div>
          {close}
        </div>
      )}
    </>
  );
}
