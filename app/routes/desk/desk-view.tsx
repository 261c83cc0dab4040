import { useCallback, useEffect, useMemo, useRef } from "react";
import { AddDrill } from "./add-drill";
import { DeskBar } from "./desk-bar";
import { DrillPanel } from "./drill-panel";
import { DrillsContext, lookupOf, OwnIdsContext } from "./drills";
import { NewerDialog } from "./newer-dialog";
import { Outline } from "./outline";
import { ProfileChart } from "./profile-chart";
import type { DeskCopy } from "./save";
import { SessionPanel } from "./session-panel";
import { nameAt, useDesk, type Place } from "./use-desk";
import { useDeskKeys } from "./use-desk-keys";
import { useSaving } from "./use-saving";
import { cx } from "~/app/ui/classes";
import type { Drill } from "~/core/drills/schema";
import type { Session } from "~/core/session/schema";

export type NewestEdition = { number: number; createdAt: string; session: Session; open: boolean };

type Props = { id: string; copy: DeskCopy; archived: boolean; edition: NewestEdition | undefined; ownDrills: Drill[]; offered: string[] };

/** On a narrow screen a drill's numbers come up from below, and the list stays in sight above them. */
const NARROW_SHEET = "max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 max-lg:z-20 max-lg:max-h-[56dvh] max-lg:border-t-2 max-lg:border-ink-faint max-lg:shadow-[0_-8px_24px_rgb(0_0_0/0.18)]";

/** The desk: the profile on top, the list on the left, the selected drill or the session on the right. */
export function DeskView({ id, copy, archived, edition, ownDrills, offered }: Props) {
  const drills = useMemo(() => lookupOf(ownDrills), [ownDrills]);
  const own = useMemo(() => ownDrills.filter((drill) => offered.includes(drill.id)), [ownDrills, offered]);
  const ownIds = useMemo(() => ownDrills.map((drill) => drill.id), [ownDrills]);
  const desk = useDesk(copy.doc, drills);
  const saving = useSaving({ id, first: copy, doc: desk.session, onReplace: desk.replace });
  useDeskKeys(desk);
  const { session, selection, select } = desk;
  const names = useCallback((place: Place) => nameAt(session, place, drills), [session, drills]);
  const list = useRef<HTMLDivElement>(null);

  // A drill chosen on the profile comes into view in the list.
  useEffect(() => {
    if (selection) list.current?.querySelector('[aria-pressed="true"]')?.scrollIntoView({ block: "nearest" });
  }, [selection]);

  const after = selection ? nameAt(session, selection, drills) : "the last one";
  return (
    <DrillsContext value={drills}>
    <OwnIdsContext value={ownIds}>
    <main id="main" className="flex flex-1 flex-col lg:h-[calc(100dvh-3.1rem)] lg:overflow-hidden">
      <h1 className="sr-only">Desk: {session.title}</h1>
      <DeskBar id={id} desk={desk} saving={saving} edition={edition} archived={archived} />
      <section aria-label="Profile" className="border-b border-line-water bg-land px-3 pt-2 pb-1">
        <ProfileChart profile={desk.profile} timeline={desk.timeline} selection={selection} names={names} onSelect={select} target={session.target} />
      </section>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_24rem] max-lg:grid-cols-1">
        <section aria-label="Drills" className={cx("flex min-h-0 flex-col border-r border-line-water", selection && "max-lg:pb-[56dvh]")}>
          <AddDrill own={own} after={after} onAdd={desk.addDrill} onAddBlock={desk.addBlock} />
          <div ref={list} className="min-h-0 flex-1 overflow-y-auto">
            <Outline desk={desk} />
          </div>
        </section>
        <aside aria-label={selection ? "Selected drill" : "Session"} className={cx("min-h-0 overflow-y-auto bg-land", selection && NARROW_SHEET)} tabIndex={-1}>
          {selection ? <DrillPanel key={`${selection.block}.${selection.item}`} desk={desk} place={selection} /> : <SessionPanel desk={desk} />}
        </aside>
      </div>
      <NewerDialog saving={saving} mine={session} />
    </main>
    </OwnIdsContext>
    </DrillsContext>
  );
}
