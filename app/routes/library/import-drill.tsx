import { useSubmit, useNavigation } from "react-router";
import { FileButton, fileForm } from "~/app/ui/file-button";
import { FileFaults } from "~/app/ui/file-faults";
import type { PlacedFault } from "~/core/files/places";

/** Takes a drill file; a file with faults keeps nothing and says each with its place. */
export function ImportDrill({ outcome }: { outcome: { file: string; faults: PlacedFault[] } | undefined }) {
  const submit = useSubmit();
  const busy = useNavigation().state !== "idle";
  return (
    <div className="relative">
      <FileButton
        words="Import a drill"
        busyWords="Importing…"
        busy={busy}
        onFile={(file) => void submit(fileForm(file), { method: "post", encType: "multipart/form-data" })}
      />
      {outcome && (
        <div
          role="alert"
          className="absolute right-0 z-20 mt-2 w-[min(34rem,90vw)] rounded-lg border-2 border-plum bg-land p-3 text-sm shadow-xl"
        >
          <FileFaults file={outcome.file} faults={outcome.faults} what="imported" />
        </div>
      )}
    </div>
  );
}
