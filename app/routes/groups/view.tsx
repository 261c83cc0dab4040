import { Plus } from "lucide-react";
import { Link, useFetcher } from "react-router";
import type { changeGroups } from "./actions.server";
import { faultOf, useEmptyWhenDone } from "./answers";
import type { GroupsPage } from "./data.server";
import { GroupCard } from "./group-card";
import { Button } from "~/app/ui/button";
import { Field } from "~/app/ui/field";
import { MayChange } from "~/app/ui/may-change";

export function GroupsView({ page }: { page: GroupsPage }) {
  return (
    <main id="main" className="mx-auto flex w-full max-w-6xl flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-5 gap-y-1">
        <h1 className="wide-type text-2xl font-semibold">Groups</h1>
        <Link to="/groups/people" className="min-h-8 content-center underline underline-offset-4">
          Everyone in the club ({page.people})
        </Link>
      </div>
      <p className="max-w-2xl text-ink-soft">
        The squads and classes you coach. Use initials or a nickname for minors, and no health details beyond areas to
        protect: anyone with a group’s link sees these names.
      </p>
      <div className="grid items-start gap-4 md:grid-cols-2 lg:grid-cols-3">
        {page.groups.map((group) => (
          <GroupCard key={group.id} group={group} />
        ))}
        <MayChange>
          <NewGroup />
        </MayChange>
      </div>
    </main>
  );
}

function NewGroup() {
  const fetcher = useFetcher<typeof changeGroups>();
  const form = useEmptyWhenDone(fetcher);
  return (
    <section className="rounded-lg border border-dashed border-line p-4">
      <fetcher.Form method="post" ref={form} className="flex flex-col gap-3">
        <input type="hidden" name="do" value="add-group" />
        <Field
          label="New group"
          name="name"
          maxLength={80}
          placeholder="Tuesday lunchtime class"
          fault={faultOf(fetcher.data)}
        />
        <Button type="submit" className="self-start" disabled={fetcher.state !== "idle"}>
          <Plus size={16} aria-hidden /> Add group
        </Button>
      </fetcher.Form>
    </section>
  );
}
