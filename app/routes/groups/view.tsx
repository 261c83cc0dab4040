import { PencilRuler, Plus, ShieldAlert } from "lucide-react";
import { Link, useFetcher } from "react-router";
import type { changeGroups } from "./actions.server";
import type { GroupsPage, ShownGroup } from "./data.server";
import { faultOf } from "~/app/routes/group/answers";
import { Button, ButtonLink } from "~/app/ui/button";
import { Field } from "~/app/ui/field";
import { MayChange } from "~/app/ui/may-change";
import { Ago } from "~/app/ui/when";
import { settingWords } from "~/core/wording/group";
import { fewWords } from "~/core/wording/words";

/** The squads and classes of a club. */
export function GroupsView({ page }: { page: GroupsPage }) {
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-5 gap-y-1">
        <h1 className="wide-type text-2xl font-semibold">Groups</h1>
        {page.people > 0 && (
          <Link to="/groups/people" className="min-h-8 content-center underline underline-offset-4">
            Everyone in the club ({page.people})
          </Link>
        )}
      </div>
      <p className="max-w-2xl text-ink-soft">
        The squads and classes you coach. Use initials or a nickname for minors, and no health details beyond areas to
        protect: anyone with a group’s link sees these names.
      </p>
      <div className="grid items-stretch gap-4 md:grid-cols-2 xl:grid-cols-3 2xl:grid-cols-4">
        {page.groups.map((group) => (
          <GroupCard key={group.id} group={group} />
        ))}
        <MayChange>
          <NewGroup first={page.groups.length === 0} />
        </MayChange>
      </div>
    </main>
  );
}

const NAMES = 10;

function GroupCard({ group }: { group: ShownGroup }) {
  const said = settingWords(group.setting);
  const protect = group.athletes.filter((one) => one.areas.length > 0).length;
  return (
    <section
      className="relative flex flex-col gap-2 rounded-lg border border-line bg-land p-4 hover:border-ink-faint"
      aria-label={group.name}
    >
      <h2 className="text-lg leading-snug font-semibold wrap-anywhere">
        <Link to={`/groups/${group.id}`} className="after:absolute after:inset-0 hover:underline">
          {group.name}
        </Link>
      </h2>
      <p className="text-ink-soft wrap-anywhere">
        {group.athletes.length === 0
          ? "Nobody in it yet"
          : `${group.athletes.length}: ${fewWords(
              group.athletes.map(({ name }) => name),
              NAMES,
            )}`}
      </p>
      {protect > 0 && (
        <p className="flex items-baseline gap-1.5 text-sm text-plum">
          <ShieldAlert size={14} className="shrink-0 translate-y-0.5" aria-hidden />
          {protect === 1 ? "One of them protects something" : `${protect} of them protect something`}
        </p>
      )}
      <p className="text-sm text-ink-soft">{said.length === 0 ? "No kit listed yet" : said.slice(0, 2).join(" · ")}</p>
      <div className="mt-auto flex flex-wrap items-center justify-between gap-2 pt-2">
        <span className="text-sm text-ink-faint">
          {group.last ? (
            <>
              last session <Ago at={group.last} />
            </>
          ) : (
            "nothing handed out yet"
          )}
        </span>
        <MayChange>
          <ButtonLink
            size="small"
            className="relative"
            to={`/sessions/draft?group=${group.id}`}
            aria-label={`Draft a session for ${group.name}`}
          >
            <PencilRuler size={14} aria-hidden /> Draft
          </ButtonLink>
        </MayChange>
      </div>
    </section>
  );
}

function NewGroup({ first }: { first: boolean }) {
  const fetcher = useFetcher<typeof changeGroups>();
  return (
    <section className="rounded-lg border border-dashed border-line p-4" aria-label="Add a group">
      {first && (
        <p className="mb-3 text-ink-soft">
          Start here: name your squad or class, then add its people and kit. Every session you build for it is checked
          against them.
        </p>
      )}
      <fetcher.Form method="post" className="flex flex-col gap-3">
        <input type="hidden" name="do" value="add-group" />
        <Field
          label="New group"
          name="name"
          maxLength={80}
          placeholder="Tuesday lunchtime class"
          autoFocus={first}
          fault={faultOf(fetcher.data)}
        />
        <Button
          type="submit"
          kind={first ? "primary" : "plain"}
          className="self-start"
          disabled={fetcher.state !== "idle"}
        >
          <Plus size={16} aria-hidden /> Add group
        </Button>
      </fetcher.Form>
    </section>
  );
}
