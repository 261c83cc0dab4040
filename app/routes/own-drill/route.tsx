import { useRef } from "react";
import type { Route } from "./+types/route";
import { EditorBar } from "./editor-bar";
import { Facts } from "./facts";
import { Kin, type Named } from "./kin";
import { PoseEditor } from "./pose-editor";
import { useDrillEditor } from "./use-drill-editor";
import { Words } from "./words";
import { notHere, requireCoach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { Confirm } from "~/app/ui/dialog";
import { inFamilies } from "~/core/browse/browse";
import { readOwnId, ownDrillId } from "~/core/drills/own";
import { asDocument } from "~/core/drills/stresses";
import { DRILLS } from "~/library";
import { findOwnDrill } from "~/db/own-drills";
import { opening } from "~/app/server/opening.server";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Change ${loaderData?.first.doc.name ?? "a drill"} · Mapset` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const own = readOwnId(params.drill);
  const found = own && (await opening(findOwnDrill(getServices().db, coach.club, own.drill)));
  if (!found) throw notHere("There is no such drill among yours.");
  return {
    own: own.drill,
    whose: { coach: coach.id, club: coach.club.id },
    address: `/library/${params.drill}/keep`,
    families: families(),
    drills: DRILLS.map(({ id, name }) => ({ id, name })).sort(byName),
    first: { doc: asDocument(found.doc), revision: found.revision, updatedAt: found.updatedAt.toISOString() },
  };
}

const byName = (a: Named, b: Named) => a.name.localeCompare(b.name, "en-GB");

/** The families of the library, each by the plainest drill in it. */
const families = (): Named[] =>
  inFamilies(DRILLS)
    .flatMap(([lead]) => (lead?.family === undefined ? [] : [{ id: lead.family, name: lead.name }]))
    .sort(byName);

export const shouldRevalidate = () => false;

export default function OwnDrill({ loaderData }: Route.ComponentProps) {
  const editor = useDrillEditor(loaderData);
  const going = useRef(false);
  const page = `/library/${ownDrillId(loaderData.own, editor.revision)}`;
  return (
    <main id="main" className="flex flex-1 flex-col">
      <EditorBar editor={editor} page={page} />
      <Confirm
        open={editor.leaving.state === "blocked"}
        onOpenChange={(open) => !open && !going.current && editor.leaving.reset?.()}
        title="Leave without saving?"
        action="Leave without saving"
        keep="Stay here"
        text="Your changes since the last revision would be lost."
        onConfirm={() => {
          going.current = true;
          editor.letGo();
          editor.leaving.proceed?.();
        }}
      />
      <div className="mx-auto grid w-full max-w-[100rem] flex-1 gap-5 px-4 py-4 xl:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]">
        <PoseEditor editor={editor} />
        <div className="flex flex-col gap-5">
          <Words editor={editor} />
          <Facts editor={editor} />
          <Kin editor={editor} families={loaderData.families} drills={loaderData.drills} />
        </div>
      </div>
    </main>
  );
}
