import { PencilLine, ShieldAlert, TriangleAlert } from "lucide-react";
import { useState } from "react";
import { Link, useFetcher } from "react-router";
import { AreasDialog } from "~/app/routes/group/areas-dialog";
import type { Route } from "./+types/route";
import type { PersonOutcome } from "./actions.server";
import { ForgetDialog } from "./forget-dialog";
import { Button, IconButton } from "~/app/ui/button";
import { SelectField } from "~/app/ui/field";
import { MayChange } from "~/app/ui/may-change";
import { Part } from "~/app/ui/part";
import { RenameDialog } from "~/app/ui/rename-dialog";
import { When } from "~/app/ui/when";
import { protectionsOf } from "~/core/group/protect";
import { protectionWords } from "~/core/wording/areas";
import type { PersonFound, Said } from "~/db/people";

/** One person: their groups, what they protect, what they said, and how to forget them. */
export function PersonView({ person, said, others }: Route.ComponentProps["loaderData"]) {
  const [dialog, setDialog] = useState<"rename" | "areas" | "forget">();
  const close = () => setDialog(undefined);
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-col gap-6 px-4 py-6 wrap-anywhere">
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="wide-type text-2xl font-semibold">{person.name}</h1>
        <MayChange>
          <IconButton label={`Rename ${person.name}`} onClick={() => setDialog("rename")}>
            <PencilLine size={16} aria-hidden />
          </IconButton>
        </MayChange>
        <p className="ml-auto text-sm text-ink-faint">
          <Link to="/groups/people" className="underline underline-offset-4">
            People
          </Link>{" "}
          · known since <When at={person.since} as="d MMM yyyy" />
        </p>
      </div>
      <div className="grid items-start gap-5 xl:grid-cols-2">
        <div className="flex flex-col gap-5">
          <Groups person={person} others={others} />
          <Part title="Protects" note="What is right for them is for whoever treats them to say. Don’t write why.">
            {person.areas.length === 0 ? (
              <p className="text-ink-soft">
                Nothing so far. Drafts and the desk keep strain off whatever you choose here.
              </p>
            ) : (
              <ul className="flex flex-col gap-1">
                {protectionsOf(person.areas).map((one) => (
                  <li key={protectionWords(one)} className="flex items-baseline gap-2">
                    <ShieldAlert size={15} className="shrink-0 translate-y-0.5 text-plum" aria-hidden />{" "}
                    {protectionWords(one)}
                  </li>
                ))}
              </ul>
            )}
            <MayChange>
              <Button className="self-start" onClick={() => setDialog("areas")}>
                Change
              </Button>
            </MayChange>
          </Part>
          <MayChange>
            <Part title="Forget" note="For someone who has left for good, or who asks for it.">
              <p className="text-sm text-ink-soft">
                Their name, what they protect and what they wrote are erased. How much was done and the effort stay,
                without saying whose they were.
              </p>
              <Button className="self-start" onClick={() => setDialog("forget")}>
                Forget {person.name}…
              </Button>
            </Part>
          </MayChange>
        </div>
        <Part title="Feedback" note="What they reported through the links you handed out.">
          <SaidLines id={person.id} said={said} />
        </Part>
      </div>
      {dialog === "rename" && (
        <RenameDialog
          title={`Rename ${person.name}`}
          description="Initials or a nickname for minors. What they said before stays theirs."
          to="/groups"
          sent={{ do: "rename-person", athlete: person.id }}
          field="name"
          name={person.name}
          longest={40}
          onClose={close}
        />
      )}
      {dialog === "areas" && <AreasDialog person={person} onClose={close} />}
      {dialog === "forget" && <ForgetDialog person={person} said={said} onClose={close} />}
    </main>
  );
}

function SaidLines({ id, said }: { id: string; said: Said }) {
  if (said.runs === 0)
    return <p className="text-ink-soft">Nothing yet. What they answer after a session shows here.</p>;
  return (
    <>
      {said.unseenPain > 0 && (
        <p className="flex items-baseline gap-2 font-semibold text-plum">
          <TriangleAlert size={16} className="shrink-0 translate-y-0.5" aria-hidden />{" "}
          {said.unseenPain === 1 ? "One report" : `${said.unseenPain} reports`} of pain that nobody has spoken to them
          about.
        </p>
      )}
      <p>
        Followed {said.runs === 1 ? "once" : `${said.runs} times`}
        {said.last && (
          <>
            , last on <When at={said.last} as="d MMM yyyy" />
          </>
        )}
        ; {said.checkIns === 0 ? "no check-in" : said.checkIns === 1 ? "one check-in" : `${said.checkIns} check-ins`}
        {said.pain > 0 && `, ${said.pain} with pain`}.
      </p>
      <Link to={`/feedback?person=${id}`} className="min-h-8 content-center self-start underline underline-offset-4">
        Look through them
      </Link>
    </>
  );
}

function Groups({ person, others }: { person: PersonFound; others: { id: string; name: string }[] }) {
  const fetcher = useFetcher<PersonOutcome>();
  const [into, setInto] = useState("");
  const send = (what: "join" | "leave", group: string) => void fetcher.submit({ do: what, group }, { method: "post" });
  const outcome = fetcher.state === "idle" ? fetcher.data : undefined;
  return (
    <Part title="Groups" note="A person can be in several. Whoever leaves a group can rejoin it.">
      {person.groups.length === 0 && <p className="text-ink-soft">In no group.</p>}
      <ul className="flex flex-col gap-2">
        {person.groups.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-x-4 gap-y-1">
            <p className="min-w-40 flex-1">
              {one.name}
              <span className="block text-sm text-ink-faint">
                since <When at={one.from} as="d MMM yyyy" />
                {one.until && (
                  <>
                    , until <When at={one.until} as="d MMM yyyy" />
                  </>
                )}
              </span>
            </p>
            <MayChange>
              {one.until ? (
                <Button
                  kind="quiet"
                  aria-label={`Put back into ${one.name}`}
                  disabled={fetcher.state !== "idle"}
                  onClick={() => send("join", one.id)}
                >
                  Put back
                </Button>
              ) : (
                <Button
                  kind="quiet"
                  aria-label={`Remove from ${one.name}`}
                  disabled={fetcher.state !== "idle"}
                  onClick={() => send("leave", one.id)}
                >
                  Remove
                </Button>
              )}
            </MayChange>
          </li>
        ))}
      </ul>
      {others.length > 0 && (
        <MayChange>
          <form
            className="flex flex-wrap items-end gap-3"
            onSubmit={(event) => {
              event.preventDefault();
              if (into) send("join", into);
              setInto("");
            }}
          >
            <SelectField
              label="Add to another group"
              value={into}
              options={[
                { value: "", words: "Choose a group" },
                ...others.map(({ id, name }) => ({ value: id, words: name })),
              ]}
              onChange={setInto}
            />
            <Button type="submit" disabled={into === "" || fetcher.state !== "idle"}>
              {" "}
              Add{" "}
            </Button>
          </form>
        </MayChange>
      )}
      {outcome && "fault" in outcome ? (
        <p role="alert" className="text-sm font-medium text-plum">
          {outcome.fault}
        </p>
      ) : (
        <p role="status" className={outcome ? "text-sm text-ink-soft" : "sr-only"}>
          {outcome?.done}
        </p>
      )}
    </Part>
  );
}
