import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { AddDrill } from "./add-drill";
import { commandsOf } from "./commands";
import { DeskBar } from "./desk-bar";
import { PersonPart } from "./person-part";
import { DrillPanel } from "./drill-panel";
import { ShownTo } from "~/app/ui/figure/look";
import { DrillsContext, OwnIdsContext } from "~/app/ui/drills";
import { useOwnDrills } from "~/app/ui/own-drills";
import type { WrittenBefore } from "~/core/audit/known-better";
import { renewedWords } from "~/core/wording/renewed";
import { DeskTabs } from "./desk-tabs";
import { FindingsPanel } from "./findings-panel";
import { FitPanel } from "./fit-panel";
import { NewerDialog } from "./newer-dialog";
import { Outline } from "./outline";
import { ProfileChart } from "./profile-chart";
import { RangesPanel } from "./ranges-panel";
import type { DeskCopy } from "./save";
import { useOffered } from "~/app/ui/palette";
import { KeyList } from "./key-list";
import { SessionPanel } from "./session-panel";
import { SeveralPanel } from "./several-panel";
import { nameAt, useDesk, type Place } from "./use-desk";
import { useWide } from "./use-wide";
import { useBrought } from "./use-brought";
import { useDeskKeys } from "./use-desk-keys";
import { useKeptHistory } from "./use-kept-history";
import { useInsights } from "./use-insights";
import { type NewestEdition, type Tab } from "./tabs";
import { useSaving } from "./use-saving";
import { SettingNewer, Told } from "./told";
import { useChoicesFollowed, useLocksKept } from "./use-followed";
import { bothSaved, useSetting } from "./use-setting";
import { useWarning } from "~/app/ui/use-warning";
import { SettingDialog } from "~/app/ui/setting-dialog";
import { cx } from "~/app/ui/classes";
import type { OwnArcs } from "~/core/arc/own";
import type { Lead } from "~/core/audit/types";
import type { MarkedSetting } from "~/db/session-setting";
import type { SportProfile } from "~/core/sport-profiles/schema";
import type { Motion } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import type { Group, GroupSetting } from "~/core/group/schema";
import { withChoices } from "~/core/group/choices";
import type { OfCoach } from "~/core/outbox/item";
import { placeKey } from "~/core/timeline/totals";
import { DRILLS, lookupOf } from "~/library";
import { SPORT_PROFILES } from "~/library/sport-profiles";

type Props = {
  id: string;
  /** Who edits it, for what this browser keeps. */ whose: OfCoach;
  copy: DeskCopy;
  before?: WrittenBefore | undefined;
  archived: boolean;
  edition: NewestEdition | undefined;
  used: Drill[];
  setting: MarkedSetting;
  groups: { id: string; people: string[]; group: Group }[];
  ownDemands: SportProfile[];
  arcs: OwnArcs;
  others: { id: string; title: string }[];
};

/** The desk: the profile on top, the list on the left, the selected drill or the session on the right. */
export function DeskView({
  id,
  whose,
  copy,
  before,
  archived,
  edition,
  used,
  setting: first,
  groups,
  ownDemands,
  arcs,
  others,
}: Props) {
  const own = useOwnDrills(used);
  const drills = useMemo(() => lookupOf(own.known), [own.known]);
  const ownIds = useMemo(() => own.known.map((drill) => drill.id), [own.known]);
  const desk = useDesk(copy.doc, drills, first.setting.locks);
  const saving = useSaving({ id, whose, first: copy, doc: desk.session, onReplace: desk.replace, ensure: own.ensure });
  useKeptHistory(id, desk, own.ensure);
  const navigate = useNavigate();
  const [open, setOpen] = useState<"keys" | "kit">();
  const beside = useSetting({ id, whose, title: desk.session.title, first, onLocks: desk.lockAs });
  const { setting, change: changeSetting, kept, keepNow } = beside;
  // What was chosen just now and is in no storage yet goes with the page.
  useWarning(beside.isHolding);
  useLocksKept(desk, setting.locks, changeSetting);
  useChoicesFollowed(desk, setting.choices, changeSetting);
  const demands = useMemo(() => [...ownDemands, ...SPORT_PROFILES], [ownDemands]);
  const demand = demands.find((d) => d.id === setting.demandId);
  // Kit that was said here is known here at once.
  const [said, setSaid] = useState<Record<string, GroupSetting>>({});
  const given = groups.find((g) => g.id === setting.groupId);
  const saidNow = said[setting.groupId ?? ""];
  const group = useMemo(
    () =>
      given && withChoices(saidNow ? { ...given.group, setting: saidNow } : given.group, given.people, setting.choices),
    [given, saidNow, setting.choices],
  );
  const every = useMemo(() => [...own.offered, ...DRILLS], [own.offered]);
  const insights = useInsights({
    session: desk.session,
    drills,
    demand,
    group,
    offered: every,
    accepted: setting.accepted,
    arcs,
  });
  const [trouble, setTrouble] = useState<string>();
  const [asked, ask] = useState<Tab>("item");
  const [picked, setPicked] = useState<Motion>();
  const [personAt, setPersonAt] = useState<Place>();
  const wide = useWide();
  const tab = wide && asked === "ranges" ? "item" : asked;
  // On a wide screen the ranges are in sight already: going to them leaves the tab beside them as it is.
  const setTab = (to: Tab) => {
    if (!wide || to !== "ranges") return ask(to);
    document.querySelector<HTMLElement>("[data-ranges]")?.focus();
  };
  /** The next choice of a drill leaves the tab that is open. */
  const stays = useRef(false);
  const { adding, brought, hushBrought } = useBrought();
  useDeskKeys(desk, drills, {
    onTab: setTab,
    onTrouble: setTrouble,
    onKeys: () => setOpen("keys"),
  });
  const commands = commandsOf(desk, drills, {
    onTab: setTab,
    onTrouble: setTrouble,
    onKeys: () => setOpen("keys"),
    onAdd: () => requestAnimationFrame(() => document.querySelector<HTMLInputElement>("[data-add-drill]")?.focus()),
    onHandOut: () => void goToHandOut(),
    onPaper: () => void navigate(`/sessions/${id}/print`),
    onDraft: () => void navigate(`/sessions/draft?session=${id}`),
    onDuplicate: () => void duplicate(),
  });
  // The palette asks for them once it is opened.
  const latest = useRef(commands);
  useEffect(() => void (latest.current = commands));
  useOffered(useCallback(() => latest.current, []));
  /** A copy of what is on the desk, for the same people, opened in its place. */
  const duplicate = async () => {
    await keepNow();
    const made = await saving.duplicate();
    if (!made)
      return setTrouble(
        "It was not duplicated: there is no connection, or no room for another session. This session is untouched.",
      );
    await navigate(`/sessions/${made}`);
  };
  /** What is handed out is what is saved: first everything is. */
  const goToHandOut = async () => {
    if (!(await keepNow()) || !(await saving.flush()))
      return setTrouble(
        "Your last edits are not saved yet, so they would be missing from what you hand out. Try again once the desk says “Saved”.",
      );
    await navigate(`/sessions/${id}/hand-out`);
  };
  const { session, selection, marked } = desk;
  const tryAgain = () => {
    void saving.saveNow();
    void keepNow();
  };
  const list = useRef<HTMLDivElement>(null);

  // A drill chosen on the profile comes into view in the list, and its numbers with it.
  useEffect(() => {
    if ((selection || marked.length > 0) && !stays.current) ask("item");
    stays.current = false;
    if (selection) list.current?.querySelector('[aria-pressed="true"]')?.scrollIntoView({ block: "nearest" });
  }, [selection, marked]);

  const onPlace = (place: Place) => {
    stays.current = selection?.block !== place.block || selection.item !== place.item;
    desk.select(place);
  };
  const onLead = (lead: Lead) => {
    if (lead.to === "kit") return setOpen("kit");
    if (lead.to === "person") {
      desk.select(lead.place);
      setPersonAt(lead.place);
      return ask("item");
    }
    if (lead.to === "drills") setPicked(lead.row);
    setTab(lead.to === "fit" ? "fit" : "ranges");
  };
  const onFlag = useCallback((place: Place) => {
    ask("findings");
    requestAnimationFrame(() => {
      const found = document.querySelector<HTMLElement>(`[data-finding="${placeKey(place.block, place.item)}"]`);
      found?.focus({ preventScroll: true });
      found?.scrollIntoView({ block: "nearest" });
    });
  }, []);
  const onCall = (second: number) => {
    setTab("item");
    requestAnimationFrame(() =>
      requestAnimationFrame(() => document.querySelector<HTMLInputElement>(`[data-call="${second}"]`)?.select()),
    );
  };
  const forPerson = selection && given && group && group.people.length > 0 && (
    <PersonPart
      session={session}
      place={selection}
      offered={every}
      group={group}
      people={given.people}
      choices={setting.choices}
      onChoices={(choices) => changeSetting({ choices })}
      opened={personAt?.block === selection.block && personAt.item === selection.item}
    />
  );
  const after = selection ? nameAt(session, selection, drills) : "the last one";
  const ranges = (
    <RangesPanel
      id={id}
      desk={desk}
      insights={insights}
      demand={demand}
      demands={demands}
      offered={every}
      others={others}
      onSetting={changeSetting}
      picked={picked}
      onPicked={setPicked}
    />
  );
  return (
    <DrillsContext value={drills}>
      <OwnIdsContext value={ownIds}>
        <ShownTo group={setting.groupId}>
          <main
            id="main"
            className="relative flex flex-1 flex-col lg:flex-none lg:h-[calc(100dvh-3.1rem)] lg:overflow-clip"
          >
            <h1 className="sr-only">Desk: {session.title}</h1>
            <DeskBar
              id={id}
              desk={desk}
              choices={setting.choices}
              saved={bothSaved(saving.state, kept, beside.isHolding)}
              onTry={tryAgain}
              edition={edition}
              archived={archived}
              insights={insights}
              onTab={setTab}
              onHandOut={() => void goToHandOut()}
            />
            {beside.conflict && (
              <SettingNewer
                conflict={beside.conflict}
                groups={groups}
                demands={demands}
                onMine={beside.keepMine}
                onTheirs={beside.takeTheirs}
              />
            )}
            {trouble && (
              <Told kind="trouble" onClose={() => setTrouble(undefined)}>
                {trouble}
              </Told>
            )}
            {desk.refused && (
              <Told kind="trouble" onClose={desk.hush}>
                {desk.refused}
              </Told>
            )}
            {desk.renewed && (
              <Told kind="news" onClose={desk.hush}>
                {renewedWords(desk.renewed)}
              </Told>
            )}
            {brought !== "" && (
              <Told kind="news" onClose={hushBrought}>
                {brought}
              </Told>
            )}
            <section aria-label="Profile" className="border-b border-line-water bg-land px-3 pt-2 pb-1">
              <ProfileChart desk={desk} flags={insights.flags} onFlag={onFlag} onCall={onCall} />
            </section>
            <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_24rem] max-lg:grid-cols-1 min-[1700px]:grid-cols-[minmax(0,1fr)_26rem_26rem]">
              <section
                aria-label="Drills"
                className={cx("flex min-h-0 flex-col border-r border-line-water", selection && "max-lg:pb-[56dvh]")}
              >
                <AddDrill
                  own={own.offered}
                  ownState={own.state}
                  after={after}
                  group={group}
                  items={session.blocks[selection?.block ?? session.blocks.length - 1]?.items.length ?? 0}
                  blocks={session.blocks.length}
                  onAdd={desk.addDrill}
                  onAddBlock={desk.addBlock}
                  opened={adding}
                />
                <div ref={list} className="min-h-0 flex-1 overflow-y-auto">
                  <Outline desk={desk} flags={insights.flags} onFlag={onFlag} />
                </div>
              </section>
              {wide && (
                <section
                  aria-label="Ranges"
                  data-ranges
                  tabIndex={-1}
                  className="min-h-0 overflow-y-auto border-r border-line-water bg-land"
                >
                  {ranges}
                </section>
              )}
              <DeskTabs
                tab={tab}
                onTab={setTab}
                wide={wide}
                chosen={marked.length > 0 ? `${marked.length} drills` : selection ? "Drill" : "Session"}
                isDrill={selection !== undefined}
                open={insights.open}
                panels={{
                  item:
                    marked.length > 0 ? (
                      <SeveralPanel desk={desk} />
                    ) : selection ? (
                      <DrillPanel
                        key={placeKey(selection.block, selection.item)}
                        desk={desk}
                        place={selection}
                        forPerson={forPerson}
                      />
                    ) : (
                      <SessionPanel
                        desk={desk}
                        groups={groups}
                        demands={demands}
                        setting={setting}
                        onSetting={changeSetting}
                      />
                    ),
                  findings: (
                    <FindingsPanel
                      desk={desk}
                      insights={insights}
                      before={before}
                      setting={setting}
                      onSetting={changeSetting}
                      onPlace={onPlace}
                      onLead={onLead}
                    />
                  ),
                  ranges,
                  fit: <FitPanel desk={desk} insights={insights} demand={demand} own={own.known} />,
                }}
              />
            </div>
            {open === "kit" && group && setting.groupId && (
              <SettingDialog
                group={{ id: setting.groupId, name: group.name, setting: group.setting }}
                only="kit"
                onClose={() => setOpen(undefined)}
                onKept={(kept) => setSaid((all) => ({ ...all, [setting.groupId ?? ""]: kept }))}
              />
            )}
            <NewerDialog saving={saving} mine={session} />
            <KeyList
              open={open === "keys"}
              onOpenChange={(on) => setOpen(on ? "keys" : undefined)}
              commands={commands}
            />
          </main>
        </ShownTo>
      </OwnIdsContext>
    </DrillsContext>
  );
}
