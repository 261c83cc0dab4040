import { AlertDialog as Alert } from "radix-ui";
import { useState } from "react";
import { useDrills } from "~/app/ui/drills";
import type { useSaving } from "./use-saving";
import { Button } from "~/app/ui/button";
import { When } from "~/app/ui/when";
import { itemCount } from "~/core/session/edits";
import type { SessionPlan } from "~/core/session/schema";
import { clockText } from "~/core/lengths";
import { compile } from "~/core/timeline/compile";

/** Another tab or device has saved a newer copy: nothing is overwritten until the coach has chosen. */
export function NewerDialog({ saving, mine }: { saving: ReturnType<typeof useSaving>; mine: SessionPlan }) {
  const [failed, setFailed] = useState(false);
  if (saving.state.kind !== "newer") return null;
  const { stored } = saving.state;
  const copy = async () => {
    const id = await saving.keepAsCopy(stored).catch(() => undefined);
    setFailed(id === undefined);
    if (id) window.open(`/sessions/${id}`, "_blank", "noopener");
  };
  return (
    <Alert.Root open>
      <Alert.Portal>
        <Alert.Overlay className="fixed inset-0 z-40 bg-[#0a1620]/55" />
        <Alert.Content className="fixed top-1/2 left-1/2 z-50 flex w-[min(36rem,calc(100vw-2rem))] -translate-x-1/2 -translate-y-1/2 flex-col gap-4 rounded-lg border border-line bg-land p-5 text-ink shadow-2xl">
          <Alert.Title className="wide-type text-xl font-semibold">There is a newer copy of this session</Alert.Title>
          <Alert.Description className="text-ink-soft">
            It was saved from another tab or device at <When at={stored.updatedAt} as="HH:mm, d MMM" />. Your edits here
            have not been saved over it.
          </Alert.Description>
          <dl className="grid grid-cols-2 gap-3">
            <Copy words="Here, not saved" doc={mine} />
            <Copy words="The newer one" doc={stored.doc} />
          </dl>
          {failed && (
            <p role="alert" className="text-plum">
              The duplicate could not be saved. Check the connection and try again.
            </p>
          )}
          <div className="flex flex-wrap justify-end gap-2">
            <Button onClick={() => saving.keepMine(stored)}>Save mine over it</Button>
            <Button onClick={() => void copy()}>Save mine as a duplicate</Button>
            <Button kind="primary" onClick={() => void saving.take(stored)}>
              Use the newer one
            </Button>
          </div>
          <p className="text-sm text-ink-faint">
            If you use the newer one you can undo it: your edits stay in the undo history.
          </p>
        </Alert.Content>
      </Alert.Portal>
    </Alert.Root>
  );
}

function Copy({ words, doc }: { words: string; doc: SessionPlan }) {
  const drills = useDrills();
  return (
    <div className="rounded-md border border-line bg-paper px-3 py-2">
      <dt className="text-sm text-ink-faint">{words}</dt>
      <dd className="font-medium">{doc.title}</dd>
      <dd className="text-sm text-ink-soft">
        {clockText(compile(doc, drills).totalSeconds)} · {itemCount(doc)} drills
      </dd>
    </div>
  );
}
