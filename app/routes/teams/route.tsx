import { PencilLine, Plus, ShieldAlert, SlidersHorizontal, Trash2, Undo2, UserPlus, X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { data, Link, useFetcher, useSubmit } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { fieldText, readForm } from "~/app/server/forms.server";
import { needRoom } from "~/app/server/room.server";
import { getServices } from "~/app/server/services.server";
import { Button, IconButton } from "~/app/ui/button";
import { Confirm } from "~/app/ui/dialog";
import { Field } from "~/app/ui/field";
import { MayChange } from "~/app/ui/may-change";
import { RenameDialog } from "~/app/ui/rename-dialog";
import { SettingDialog } from "~/app/ui/setting-dialog";
import { AreasDialog } from "./areas-dialog";
import { faultLine, parseWith } from "~/core/faults";
import { protectionsOf, protectsListSchema } from "~/core/group/protect";
import { groupSettingSchema, MOST_PEOPLE } from "~/core/group/schema";
import { namesFault } from "~/core/group/names";
import { settingWords } from "~/core/wording/group";
import { protectionWords } from "~/core/wording/areas";
import { listWords } from "~/core/wording/words";
import { countAll, findPerson, joinGroup, leaveGroup } from "~/db/people";
import { addAthletes, addTeam, countPeople, deleteTeam, listOff, listTeams, namesOn, renameAthlete, renameTeam, setAthleteAreas, setTeamSetting, type Member, type Team } from "~/db/teams";

export const meta: Route.MetaFunction = () => [{ title: "Teams · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const [teams, off, people] = await Promise.all([listTeams(db, coach.club), listOff(db, coach.club), countAll(db, coach.club)]);
  return { people, teams: teams.map((team) => ({ ...team, off: off.filter((one) => one.teamId === team.id) })) };
}

const teamName = z.string().trim().min(1, "Give the team a name.").max(80, "At most 80 characters.");
const personName = z.string().trim().min(1, "Give them a name.").max(40, "At most 40 characters.");
const MOST_AT_ONCE = 60;

export async function action({ request }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const form = await readForm(request);
  const field = (name: string) => fieldText(form, name);
  const must = (worked: boolean) => {
    if (!worked) throw notHere("There is nothing of that kind among yours.");
  };
  switch (form.get("do")) {
    case "add-team":
    case "rename-team": {
      const read = teamName.safeParse(field("name"));
      if (!read.success) return data({ fault: read.error.issues[0]?.message }, { status: 400 });
      if (form.get("do") === "add-team") {
        await needRoom(coach.club, "teams");
        await addTeam(db, coach.club, read.data);
      } else must(await renameTeam(db, coach.club, idOf(field("team")), read.data));
      return { done: true };
    }
    case "add-people": {
      const names = field("names").split(/[\n,;]+/).map((n) => n.trim()).filter(Boolean);
      if (names.length === 0) return data({ fault: "Write at least one name." }, { status: 400 });
      if (names.length > MOST_AT_ONCE) return data({ fault: `At most ${MOST_AT_ONCE} at a time.` }, { status: 400 });
      const long = names.find((n) => n.length > 40);
      if (long) return data({ fault: `“${long.slice(0, 44)}…” is longer than 40 characters.` }, { status: 400 });
      const team = idOf(field("team"));
      const twice = namesFault(names, await namesOn(db, coach.club, team));
      if (twice) return data({ fault: twice }, { status: 400 });
      if ((await countPeople(db, coach.club, team)) + names.length > MOST_PEOPLE) return data({ fault: `A team has at most ${MOST_PEOPLE} people. Make another team for the others.` }, { status: 400 });
      await needRoom(coach.club, "people", names.length);
      must((await addAthletes(db, coach.club, team, names)) > 0);
      return { done: true };
    }
    case "setting": {
      let given: unknown;
      try {
        given = JSON.parse(field("setting"));
      } catch {
        return data({ fault: "What was sent is not a group’s setting." }, { status: 400 });
      }
      const read = parseWith(groupSettingSchema, given);
      if (!read.ok) return data({ fault: read.faults.map(faultLine).join("; ") }, { status: 400 });
      must(await setTeamSetting(db, coach.club, idOf(field("team")), read.value));
      return { done: true };
    }
    case "areas": {
      let given: unknown;
      try {
        given = JSON.parse(field("areas"));
      } catch {
        return data({ fault: "What was sent is not a list of areas." }, { status: 400 });
      }
      const read = parseWith(protectsListSchema, given);
      if (!read.ok) return data({ fault: read.faults.map(faultLine).join("; ") }, { status: 400 });
      must(await setAthleteAreas(db, coach.club, idOf(field("athlete")), read.value));
      return { done: true };
    }
    case "rename-person": {
      const id = idOf(field("athlete"));
      const read = personName.safeParse(field("name"));
      if (!read.success) return data({ fault: read.error.issues[0]?.message }, { status: 400 });
      const found = await findPerson(db, coach.club, id);
      for (const one of found?.groups ?? []) {
        const fault = one.until === null ? namesFault([read.data], await namesOn(db, coach.club, one.id, id)) : undefined;
        if (fault) return data({ fault: `In ${one.name}: ${fault}` }, { status: 400 });
      }
      must(await renameAthlete(db, coach.club, id, read.data));
      return { done: true };
    }
    case "put-back": {
      const [id, team] = [idOf(field("athlete")), idOf(field("team"))];
      const found = await findPerson(db, coach.club, id);
      if (!found) throw notHere("There is nothing of that kind among yours.");
      const others = await namesOn(db, coach.club, team, id);
      if (namesFault([found.name], others)) return data({ fault: `There is another ${found.name} on the list now. Rename one of them first.` }, { status: 400 });
      if (others.length >= MOST_PEOPLE) return data({ fault: `A team has at most ${MOST_PEOPLE} people.` }, { status: 400 });
      must(await joinGroup(db, coach.club, id, team));
      return { done: true };
    }
    case "remove-person":
      must(await leaveGroup(db, coach.club, idOf(field("athlete")), idOf(field("team"))));
      return { done: true };
    case "delete-team":
      must(await deleteTeam(db, coach.club, idOf(field("team"))));
      return { done: true };
    default:
      throw new Response("There is no such thing to do.", { status: 400 });
  }
}

export default function Teams({ loaderData }: Route.ComponentProps) {
  return (
    <main id="main" className="mx-auto flex w-full max-w-6xl flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-5 gap-y-1">
        <h1 className="wide-type text-2xl font-semibold">Teams</h1>
        <Link to="/people" className="min-h-8 content-center underline underline-offset-4">
          Everyone in the club ({loaderData.people})
        </Link>
      </div>
      <p className="max-w-2xl text-ink-soft">
        Who a session is for and handed out to. Write initials or a nickname for minors, and no health details beyond areas to protect: anyone who holds a team’s link sees these names.
      </p>
      <div className="grid items-start gap-4 md:grid-cols-2 lg:grid-cols-3">
        {loaderData.teams.map((team) => (
          <TeamCard key={team.id} team={team} />
        ))}
        <MayChange>
          <NewTeam />
        </MayChange>
      </div>
    </main>
  );
}

function useEmptyWhenDone(fetcher: { state: string; data?: unknown }) {
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    if (fetcher.state === "idle" && fetcher.data && typeof fetcher.data === "object" && "done" in fetcher.data) form.current?.reset();
  }, [fetcher.state, fetcher.data]);
  return form;
}

function NewTeam() {
  const fetcher = useFetcher<typeof action>();
  const form = useEmptyWhenDone(fetcher);
  return (
    <section className="rounded-lg border border-dashed border-line p-4">
      <fetcher.Form method="post" ref={form} className="flex flex-col gap-3">
        <input type="hidden" name="do" value="add-team" />
        <Field label="New team or class" name="name" maxLength={80} placeholder="Tuesday lunchtime" fault={faultOf(fetcher.data)} />
        <Button type="submit" className="self-start" disabled={fetcher.state !== "idle"}>
          <Plus size={16} aria-hidden /> Add team
        </Button>
      </fetcher.Form>
    </section>
  );
}

type Shown = Team & { off: { id: string; name: string }[] };

function TeamCard({ team }: { team: Shown }) {
  const fetcher = useFetcher<typeof action>();
  const form = useEmptyWhenDone(fetcher);
  const submit = useSubmit();
  const [asking, setAsking] = useState(false);
  const [setting, setSetting] = useState(false);
  const [person, setPerson] = useState<Member>();
  const [renaming, setRenaming] = useState(false);
  const [naming, setNaming] = useState(false);
  const back = useFetcher<typeof action>();
  const said = settingWords(team.setting);
  return (
    <section className="flex flex-col gap-3 rounded-lg border border-line bg-land p-4" aria-label={team.name}>
      <div className="flex items-center gap-2">
        <h2 className="min-w-0 flex-1 text-lg leading-snug font-semibold [overflow-wrap:anywhere]">{team.name}</h2>
        <span className="text-sm text-ink-faint">{team.athletes.length}</span>
        <MayChange>
          <IconButton label={`Rename ${team.name}`} onClick={() => setRenaming(true)}>
            <PencilLine size={16} aria-hidden />
          </IconButton>
          <IconButton label={`Delete ${team.name}`} onClick={() => setAsking(true)}>
            <Trash2 size={16} aria-hidden />
          </IconButton>
        </MayChange>
      </div>
      {team.athletes.length === 0 ? (
        <p className="text-ink-soft">Nobody yet.</p>
      ) : (
        <ul className="flex flex-wrap gap-1.5">
          {team.athletes.map((athlete) => (
            <li key={athlete.id} className="inline-flex max-w-full items-center rounded-full border border-line bg-paper py-0.5 pr-0.5 pl-2.5">
              <button
                type="button" className="min-w-0 rounded-full px-0.5 last:mr-2 text-left [overflow-wrap:anywhere] underline decoration-line underline-offset-4 hover:decoration-ink" onClick={() => setPerson(athlete)}
                title={athlete.areas.length > 0 ? `Protects ${listWords(protectionsOf(athlete.areas).map(protectionWords))}` : undefined}
                aria-label={`What ${athlete.name} protects${athlete.areas.length > 0 ? `: ${athlete.areas.length} ${athlete.areas.length === 1 ? "area" : "areas"}` : ""}`}
              >
                {athlete.name}
                {athlete.areas.length > 0 && <ShieldAlert size={13} className="ml-1 inline text-plum" aria-hidden />}
              </button>
              <MayChange><button
                type="button" aria-label={`Take ${athlete.name} off the list`} title="Take off the list; what they said stays, and they can be put back"
                className="ml-1 flex size-6 items-center justify-center rounded-full text-ink-faint hover:bg-land-deep hover:text-ink"
                onClick={() => void submit({ do: "remove-person", athlete: athlete.id, team: team.id }, { method: "post" })}
              >
                <X size={13} aria-hidden />
              </button></MayChange>
            </li>
          ))}
        </ul>
      )}
      {team.off.length > 0 && (
        <details className="text-sm" open={back.state !== "idle" || faultOf(back.data) !== undefined || undefined}>
          <summary className="text-ink-soft">Off the list ({team.off.length})</summary>
          <ul className="mt-1 flex flex-col gap-1">
            {team.off.map((one) => (
              <li key={one.id} className="flex items-center justify-between gap-2">
                <span className="min-w-0 [overflow-wrap:anywhere]">{one.name}</span>
                <MayChange><Button className="min-h-8 px-2 py-0.5 text-sm" aria-label={`Put ${one.name} back on the list`} disabled={back.state !== "idle"} onClick={() => void back.submit({ do: "put-back", athlete: one.id, team: team.id }, { method: "post" })}>
                  <Undo2 size={14} aria-hidden /> Put back
                </Button></MayChange>
              </li>
            ))}
          </ul>
          {faultOf(back.data) && (
            <p role="alert" className="mt-1 font-medium text-plum">
              {faultOf(back.data)}
            </p>
          )}
        </details>
      )}
      <div className="flex flex-col gap-1 border-t border-line pt-2 text-sm">
        {said.length === 0 ? <p className="text-ink-faint">Nothing said yet of kit, floor and caps: the audit looks at none of them.</p> : <ul>{said.map((line) => <li key={line}>{line}</li>)}</ul>}
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <MayChange><Button className="min-h-8 px-2 py-0.5 text-sm" onClick={() => setSetting(true)} aria-label={`Kit, floor and caps of ${team.name}`}>
            <SlidersHorizontal size={14} aria-hidden /> Kit, floor and caps
          </Button>
          <Link to={`/sessions?new&team=${team.id}`} className="underline underline-offset-4" aria-label={`Build a session for ${team.name}`}>
            Build a session
          </Link>
          <Link to={`/draft?team=${team.id}`} className="underline underline-offset-4" aria-label={`Draft a session for ${team.name}`}>
            Draft a session
          </Link></MayChange>
        </div>
      </div>
      {renaming && <RenameDialog title={`Rename ${team.name}`} to="/teams" sent={{ do: "rename-team", team: team.id }} field="name" name={team.name} longest={80} onClose={() => setRenaming(false)} />}
      {setting && <SettingDialog team={team} onClose={() => setSetting(false)} />}
      {person && !naming && <AreasDialog person={person} onClose={() => setPerson(undefined)} onRename={() => setNaming(true)} />}
      {person && naming && (
        <RenameDialog
          title={`Rename ${person.name}`} description="Initials or a nickname for minors. What they said before stays theirs."
          to="/teams" sent={{ do: "rename-person", athlete: person.id }} field="name" name={person.name} longest={40}
          onClose={() => {
            setNaming(false);
            setPerson(undefined);
          }}
        />
      )}
      <MayChange><fetcher.Form method="post" ref={form} className="flex flex-col gap-2">
        <input type="hidden" name="do" value="add-people" />
        <input type="hidden" name="team" value={team.id} />
        <Field label="Add people" name="names" placeholder="Tern, Moss, J. K." hint="Several at once with commas." fault={faultOf(fetcher.data)} />
        <Button type="submit" className="self-start" disabled={fetcher.state !== "idle"}>
          <UserPlus size={16} aria-hidden /> Add
        </Button>
      </fetcher.Form></MayChange>
      <Confirm
        open={asking} onOpenChange={setAsking} title={`Delete ${team.name}?`} action="Delete the team"
        text="Its people stay among the club’s people, with what they protect. Links handed out to it go on working for anyone; what was heard back stays."
        onConfirm={() => void submit({ do: "delete-team", team: team.id }, { method: "post" })}
      />
    </section>
  );
}

function faultOf(answer: unknown): string | undefined {
  return answer && typeof answer === "object" && "fault" in answer ? String(answer.fault) : undefined;
}
