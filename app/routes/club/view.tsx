import { LogOut, UserPlus } from "lucide-react";
import { useState } from "react";
import { useFetcher } from "react-router";
import type { Route } from "./+types/route";
import type { ClubOutcome } from "./actions.server";
import { Asked, Said } from "./asked";
import { ArchivePart, EraseClub, KeepReports } from "./keeping";
import { Button } from "~/app/ui/button";
import { CopyButton } from "~/app/ui/copy-button";
import { Confirm } from "~/app/ui/dialog";
import { Field, SelectField } from "~/app/ui/field";
import { Part } from "~/app/ui/part";
import { When } from "~/app/ui/when";
import { zoneWords } from "~/core/clock/zone";
import { INVITED_DAYS, ROLE_FACTS, ROLES } from "~/core/club/role";
import type { Member } from "~/db/members";

const roleOptions = ROLES.map((value) => ({ value, words: ROLE_FACTS[value].words }));

/** A club: its name, who is in it, what is kept of it, and how to leave it. */
export function ClubView(club: Route.ComponentProps["loaderData"]) {
  const { keeping, me, clubName, role, zone, zones, manages, members, others, invitations } = club;
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-col gap-6 px-4 py-6 wrap-anywhere">
      <h1 className="wide-type text-2xl font-semibold">{clubName}</h1>
      <div className="flex flex-col gap-5 xl:block xl:columns-2 xl:gap-5 xl:[&>section]:mb-5 xl:[&>section]:break-inside-avoid">
        {manages && (
          <Part title="Name" note="Everybody in the club sees it.">
            <Asked send={{ do: "rename" }} button="Save name">
              <Field
                label="Name of the club"
                name="name"
                defaultValue={clubName}
                key={clubName}
                maxLength={80}
                required
              />
            </Asked>
          </Part>
        )}
        <Part
          title="Time zone"
          note="Days and times follow this clock, whatever a phone or computer is set to. A group elsewhere can have its own."
        >
          {manages ? (
            <Asked send={{ do: "zone" }} button="Save time zone">
              <SelectField label="The club’s clock" name="zone" defaultValue={zone} key={zone} options={zones} />
            </Asked>
          ) : (
            <p>{zoneWords(zone)}</p>
          )}
        </Part>
        <Part
          title="Who is in it"
          note="Sessions, groups, drills and feedback belong to the club. What somebody made stays when they leave."
        >
          <ul className="flex flex-col gap-3">
            {members.map((member) => (
              <MemberLine key={member.coachId} member={member} mine={member.coachId === me} manages={manages} />
            ))}
          </ul>
          {!manages && (
            <p className="text-sm text-ink-faint">
              {ROLE_FACTS[role].as} you may {ROLE_FACTS[role].may}. An owner changes who is in the club.
            </p>
          )}
        </Part>
        {manages && (
          <Part
            title="Invite somebody"
            note={`A link lets one person in within ${INVITED_DAYS} days. Send it to nobody else: the first to open it is in.`}
          >
            <Asked send={{ do: "invite" }} button="Make invitation" icon={<UserPlus size={16} aria-hidden />}>
              <SelectField label="As" name="role" defaultValue={"coach"} options={roleOptions} />
              <ul className="text-sm text-ink-faint">
                {ROLES.map((one) => (
                  <li key={one}>
                    {ROLE_FACTS[one].words}: may {ROLE_FACTS[one].may}
                  </li>
                ))}
              </ul>
            </Asked>
            {invitations.length > 0 && (
              <ul aria-label="Open invitations" className="flex flex-col gap-2">
                {invitations.map((one) => (
                  <li
                    key={one.id}
                    className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-md border border-line bg-paper px-3 py-2"
                  >
                    <p className="min-w-40 flex-1">
                      {ROLE_FACTS[one.role].words}, until <When at={one.until} as="d MMMM, HH:mm" />
                      {!one.address && (
                        <span className="block text-sm text-ink-faint">
                          Its link can’t be shown again. Withdraw it and make a new one.
                        </span>
                      )}
                    </p>
                    {one.address && <CopyButton text={one.address} words="Copy link" />}
                    <Asked send={{ do: "withdraw", id: one.id }} button="Withdraw" quiet />
                  </li>
                ))}
              </ul>
            )}
          </Part>
        )}
        {keeping && <KeepReports months={keeping.months} />}
        {keeping && <ArchivePart empty={keeping.empty} />}
        <Part title="Your other clubs" note="You see one club at a time.">
          {others.length > 0 && (
            <ul className="flex flex-col gap-2">
              {others.map((one) => (
                <li key={one.id} className="flex flex-wrap items-center justify-between gap-3">
                  <span>
                    {one.name}{" "}
                    <span className="text-sm text-ink-faint">{ROLE_FACTS[one.role].words.toLowerCase()}</span>
                  </span>
                  <Asked send={{ do: "switch", club: one.id }} button="Switch to it" />
                </li>
              ))}
            </ul>
          )}
          <Asked send={{ do: "new" }} button="Start another club">
            <Field label="Name of a new club" name="name" maxLength={80} required />
          </Asked>
        </Part>
        <Leave clubName={clubName} alone={members.length === 1} />
        {keeping && <EraseClub clubName={clubName} holdings={keeping.holdings} others={members.length - 1} />}
      </div>
    </main>
  );
}

function MemberLine({ member, mine, manages }: { member: Member; mine: boolean; manages: boolean }) {
  const fetcher = useFetcher<ClubOutcome>();
  const [removing, setRemoving] = useState(false);
  const send = (fields: Record<string, string>) =>
    void fetcher.submit({ ...fields, coach: member.coachId }, { method: "post" });
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <p className="min-w-40 flex-1">
        {member.name}
        {mine && <span className="text-ink-faint"> (you)</span>}
        <span className="block text-sm text-ink-faint">{member.email}</span>
      </p>
      {manages && !mine ? (
        <>
          <SelectField
            key={member.role}
            label={`What ${member.name} is`}
            hideLabel
            defaultValue={member.role}
            options={roleOptions}
            onChange={(role) => send({ do: "role", role })}
          />
          <Button kind="quiet" onClick={() => setRemoving(true)}>
            Remove
          </Button>
        </>
      ) : (
        <span className="text-ink-soft">{ROLE_FACTS[member.role].words}</span>
      )}
      <Said outcome={fetcher.state === "idle" ? fetcher.data : undefined} />
      <Confirm
        open={removing}
        onOpenChange={setRemoving}
        title={`Remove ${member.name} from the club?`}
        action="Remove"
        keep="Cancel"
        text={`They lose sight of the club at once. What they made stays, and you can invite them again.${member.role === "owner" ? " Open invitations are withdrawn, since they could have kept the links." : ""}`}
        onConfirm={() => send({ do: "remove" })}
      />
    </li>
  );
}

function Leave({ clubName, alone }: { clubName: string; alone: boolean }) {
  const fetcher = useFetcher<ClubOutcome>();
  const [leaving, setLeaving] = useState(false);
  if (alone) return null;
  return (
    <Part title="Leave" note="You lose sight of the club at once. What you made stays with it.">
      <div className="flex flex-wrap items-center gap-3">
        <Button onClick={() => setLeaving(true)}>
          <LogOut size={16} aria-hidden /> Leave {clubName}
        </Button>
        <Said outcome={fetcher.state === "idle" ? fetcher.data : undefined} />
      </div>
      <Confirm
        open={leaving}
        onOpenChange={setLeaving}
        title={`Leave ${clubName}?`}
        action="Leave"
        keep="Stay"
        text="Only an owner can invite you again."
        onConfirm={() => void fetcher.submit({ do: "leave" }, { method: "post" })}
      />
    </Part>
  );
}
