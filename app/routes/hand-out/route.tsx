import { ArrowLeft, ExternalLink, Printer, Send, TriangleAlert, Unlink } from "lucide-react";
import { useState } from "react";
import { setImmediate } from "node:timers/promises";
import { data, Form, Link, redirect, useNavigation, useSubmit, type ShouldRevalidateFunctionArgs, useSearchParams } from "react-router";
import type { Route } from "./+types/route";
import { ChangedSince } from "./changed-since";
import { lookOver } from "./look-over.server";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { fieldText, readForm } from "~/app/server/forms.server";
import { drawnDrillsIn } from "~/app/server/drills.server";
import { needRoom } from "~/app/server/room.server";
import { getServices } from "~/app/server/services.server";
import { Button, ButtonLink } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { CopyButton } from "~/app/ui/copy-button";
import { Confirm } from "~/app/ui/dialog";
import { SelectField } from "~/app/ui/field";
import { Still } from "~/app/ui/figure/still";
import { MayChange } from "~/app/ui/may-change";
import { MiniProfilePicture } from "~/app/ui/mini-profile";
import { Ago, When } from "~/app/ui/when";
import { kitList } from "~/core/coverage/kit-list";
import { changesBetween } from "~/core/wording/changes";
import { sameJson } from "~/core/same-json";
import type { Session } from "~/core/session/schema";
import { makeEdition, withoutNotes } from "~/core/edition/edition";
import { miniProfile } from "~/core/profile/mini";
import { profileOf } from "~/core/profile/profile";
import { clockText, secondsText } from "~/core/lengths";
import { againstTarget } from "~/core/wording/target";
import { PURPOSE_WORDS } from "~/core/wording/words";
import { compile } from "~/core/timeline/compile";
import { handOut, listEditions, newestEdition, withdrawLink, type EditionRow } from "~/db/editions";
import { listTeams } from "~/db/teams";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `Hand out ${loaderData?.title ?? ""} · Mapset` }];

/** So many findings are read before the rest is counted. */
const MOST_STOPS = 12;

export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const id = idOf(params.id);
  const { db, secret, baseUrl } = getServices();
  const asked = new URL(request.url).searchParams;
  const [before, allOf] = [numberOf(asked.get("before")), numberOf(asked.get("links"))];
  const [{ editions, next }, newest, teams] = await Promise.all([listEditions(db, coach.club, id, secret, { before, allOf }), newestEdition(db, coach.club, id), listTeams(db, coach.club)]);
  const { stored: { doc }, setting, teamId, drills, timeline, stops, cautions, bare, seen } = await lookOver(coach.club, id, { ...whomOf(asked.get("for")), also: [...editions.map((one) => one.session), next?.session, newest?.session] });
  const name = (drill: string) => drills(drill)?.name ?? drill;
  return {
    teamId, atDesk: setting.teamId, seen, doc: withoutNotes(doc), choices: setting.choices,
    id, title: doc.title, purpose: doc.purpose, totalSeconds: timeline.totalSeconds, target: doc.target, work: timeline.workSeconds,
    profile: miniProfile(profileOf(doc, timeline), 520, 84),
    kit: kitList(doc, drills), cautions,
    items: doc.blocks.flatMap((block) => block.items.map((item) => ({ drill: item.drill, level: item.level, name: drills(item.drill)?.name ?? item.drill }))),
    bare,
    teams: teams.map((team) => ({ id: team.id, name: team.name, people: team.athletes.length })),
    newest: newest && { number: newest.number, current: newest.session !== undefined && sameJson(withoutNotes(newest.session), withoutNotes(doc)) && sameJson(newest.choices, setting.choices) },
    changed: newest?.session ? [...changesBetween(withoutNotes(newest.session), withoutNotes(doc), name), ...(sameJson(newest.choices, setting.choices) ? [] : ["What was chosen for single people"])] : [],
    before, older: next?.number,
    accepted: setting.accepted.map(({ says, reason }) => ({ says, reason })),
    stops: stops.slice(0, MOST_STOPS), moreStops: Math.max(0, stops.length - MOST_STOPS),
    editions: await changesOf(editions, next?.session, name, baseUrl),
  };
}

/** In the address, where it is for no group in particular. */
const ANYONE = "anyone";
/** For whom it is looked over, as the address says; nothing where it says nothing. */
const whomOf = (text: string | null): { whom?: string | null } => (text === null || text === "" ? {} : { whom: text === ANYONE ? null : idOf(text) });

/** The number in a part of the address; undefined when there is none. */
const numberOf = (text: string | null): number | undefined => (text && /^\d{1,9}$/.test(text) ? Number(text) : undefined);

/** Editions as they are shown, with what is different from the one before. Others are served between two of them: each can be long. */
async function changesOf(editions: readonly EditionRow[], under: Session | undefined, name: (drill: string) => string, baseUrl: string) {
  const shown = [];
  for (const [i, { session, links, ...edition }] of editions.entries()) {
    const earlier = editions[i + 1]?.session ?? under;
    if (i > 0) await setImmediate();
    shown.push({
      ...edition, changes: earlier && session ? changesBetween(withoutNotes(earlier), withoutNotes(session), name) : [],
      links: links.map(({ token, ...link }) => ({ ...link, address: token && `${baseUrl}/f/${token}` })),
    });
  }
  return shown;
}

export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const id = idOf(params.id);
  const { db, secret } = getServices();
  const form = await readForm(request);
  if (form.get("do") === "withdraw") {
    if (!(await withdrawLink(db, coach.club, idOf(fieldText(form, "link"))))) throw notHere("There is no such link among yours.");
    return data({ refused: "" });
  }
  const team = fieldText(form, "team") === "" ? null : idOf(fieldText(form, "team"));
  const whom = form.has("whom") ? { whom: fieldText(form, "whom") === "" ? null : idOf(fieldText(form, "whom")) } : {};
  const { stored, setting, teamId, bare, seen } = await lookOver(coach.club, id, whom);
  // For others than it was looked over for, it is looked over first.
  if (teamId !== team) throw redirect(`/sessions/${id}/hand-out?for=${team ?? ANYONE}`);
  if (bare.length > 0) return data({ refused: "" }, { status: 422 });
  // Looked at is looked at: whatever is otherwise now is shown again first.
  if (fieldText(form, "seen") !== seen) return data({ refused: seen }, { status: 409 });
  await needRoom(coach.club, "links");
  const drawn = await drawnDrillsIn(coach.club, stored.doc);
  const made = await handOut(db, coach.club, id, makeEdition(stored.doc, drawn), compile(stored.doc, drawn).totalSeconds, team, secret, { looked: { revision: stored.revision, ...setting } });
  if (made === "changed") return data({ refused: seen }, { status: 409 });
  if (!made) throw notHere("There is no such team among yours.");
  throw redirect(`/sessions/${id}/hand-out#editions`);
}

/** What was refused is shown as it is now. */
export const shouldRevalidate = ({ actionStatus, defaultShouldRevalidate }: ShouldRevalidateFunctionArgs) => (actionStatus ?? 200) >= 400 || defaultShouldRevalidate;

export default function HandOut({ loaderData, actionData }: Route.ComponentProps) {
  const { id, title, editions, teams, newest } = loaderData;
  const busy = useNavigation().state === "submitting";
  const [, ask] = useSearchParams();
  /** Looked over for others than it is for at the desk. */
  const elsewhere = loaderData.teamId !== loaderData.atDesk;
  const lookingOver = useNavigation().state === "loading";
  const forWhom = (team: string) => ask((params) => (params.set("for", team || ANYONE), params), { replace: true, preventScrollReset: true });
  const against = againstTarget(loaderData.totalSeconds, loaderData.target);
  return (
    <main id="main" className="wrap-anywhere mx-auto flex w-full max-w-6xl flex-1 flex-col gap-5 px-4 py-5">
      <div className="flex flex-wrap items-center gap-3">
        <ButtonLink kind="quiet" to={`/sessions/${id}`}>
          <ArrowLeft size={16} aria-hidden /> Desk
        </ButtonLink>
        <h1 className="wide-type min-w-0 text-2xl leading-tight font-semibold text-balance">Hand out: {title}</h1>
        <ButtonLink kind="quiet" to={`/sessions/${id}/paper`} className="ml-auto">
          <Printer size={16} aria-hidden /> On paper
        </ButtonLink>
      </div>
      <div className="grid grid-cols-1 items-start gap-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <section className="flex flex-col gap-4 rounded-lg border border-line bg-land p-5">
          <h2 className="wide-type text-lg font-semibold">Look it over</h2>
          <div className="flex items-end gap-4">
            <MiniProfilePicture profile={loaderData.profile} className="h-20 min-w-0 flex-1" />
            <p className="text-right">
              <span className="clock-type block text-4xl leading-none">{clockText(loaderData.totalSeconds)}</span>
              <span className={cx("text-sm", against.kind === "over" ? "font-medium text-plum" : "text-ink-soft")}>{against.words}</span>
            </p>
          </div>
          <p className="text-ink-soft">
            {PURPOSE_WORDS[loaderData.purpose]} · work left {secondsText(loaderData.work.left)}, right {secondsText(loaderData.work.right)}, both {secondsText(loaderData.work.both)}
          </p>
          <ol className="flex gap-1 overflow-x-auto pb-1" aria-label="Drills in order" tabIndex={0}>
            {loaderData.items.map((item, i) => (
              <li key={i} className="flex w-24 shrink-0 flex-col items-center text-center text-xs leading-tight text-ink-soft">
                <Still drill={item.drill} level={item.level} at="pair" size={84} className="rounded-md bg-paper" />
                <span className="mt-1 line-clamp-2">
                  {i + 1}. {item.name}
                </span>
              </li>
            ))}
          </ol>
          <div className="grid gap-5 md:grid-cols-2">
            <div>
              <h3 className="font-semibold">Kit for each person</h3>
              {loaderData.kit.length === 0 ? (
                <p className="text-ink-soft">None.</p>
              ) : (
                <ul>
                  {loaderData.kit.map((need) => (
                    <li key={need.kit}>
                      {need.pieces > 1 && `${need.pieces} × `}
                      {need.words} <span className="text-sm text-ink-faint">or {need.instead}</span>
                    </li>
                  ))}
                </ul>
              )}
            </div>
            <div>
              <h3 className="flex items-center gap-1.5 font-semibold text-plum">
                <TriangleAlert size={15} aria-hidden /> Cautions they will be shown
              </h3>
              <ul className="mt-1 flex flex-col gap-1 text-sm">
                {loaderData.cautions.map((caution) => (
                  <li key={caution.text}>
                    <span className="text-ink-faint">{caution.drill}:</span> {caution.text}
                  </li>
                ))}
              </ul>
            </div>
          </div>
        </section>
        <section className="flex flex-col gap-3 rounded-lg border border-line bg-land p-5">
          <h2 className="wide-type text-lg font-semibold">{newest ? (newest.current ? "Another link" : "Hand out again") : "Hand out"}</h2>
          <p className="text-ink-soft">
            {!newest
              ? "Makes an edition that stays as it is, whatever you change afterwards, and a link to it that needs no account."
              : newest.current
                ? `Edition ${newest.number} is the same as the desk. A new link opens that edition.`
                : `The session has changed since edition ${newest.number}. This makes edition ${newest.number + 1}; older links go on opening the old one until you withdraw them.`}
          </p>
          {loaderData.changed.length > 0 && newest && (
            <details className="text-sm" open={loaderData.changed.length <= 4}>
              <summary className="font-semibold">What changed since edition {newest.number}</summary>
              <ul className="mt-1 list-disc pl-5">
                {loaderData.changed.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </details>
          )}
          {loaderData.stops.length > 0 && (
            <div className="rounded-md border-l-4 border-plum bg-plum-wash px-3 py-2 text-sm">
              <p className="font-semibold text-plum">{elsewhere ? "This does not suit them:" : "Not like this, the desk says:"}</p>
              <ul className="flex flex-col gap-1">
                {loaderData.stops.map((says) => (
                  <li key={says}>{says}</li>
                ))}
                {loaderData.moreStops > 0 && <li>And {loaderData.moreStops} more like these, which the desk shows.</li>}
              </ul>
              <p>
                <Link to={`/sessions/${id}`} className="underline underline-offset-4">
                  {elsewhere ? "Choose them for it at the desk" : "Mend it at the desk"}
                </Link>
                {elsewhere ? " to mend it for them." : ", or say there why it stands."}
              </p>
            </div>
          )}
          {loaderData.accepted.length > 0 && (
            <details className="text-sm">
              <summary>{loaderData.accepted.length === 1 ? "One finding is let stand, and goes on record" : `${loaderData.accepted.length} findings are let stand, and go on record`}</summary>
              <Accepted list={loaderData.accepted} />
            </details>
          )}
          <Form method="post" className="flex flex-col gap-3">
            <input type="hidden" name="seen" value={loaderData.seen} />
            <input type="hidden" name="whom" value={loaderData.teamId ?? ""} />
            <SelectField
              key={loaderData.teamId} label="For" name="team" defaultValue={loaderData.teamId ?? ""} onChange={forWhom}
              options={[...teams.map((t) => ({ value: t.id, words: `${t.name} (${t.people})` })), { value: "", words: "Anyone with the link" }]}
            />
            <p className="text-sm text-ink-faint">People of a team tap their own name, so you see who it was. Anyone holding the link sees these names.</p>
            {elsewhere && (
              <p role="status" className="rounded-md border border-line px-3 py-2 text-sm">
                {loaderData.teamId === null ? "Looked over for anyone: nobody’s protected areas are known." : "Looked over for this group: their people, what they protect, and their kit."} At the desk it is for {teams.find((t) => t.id === loaderData.atDesk)?.name ?? "anyone"}.
              </p>
            )}
            {loaderData.bare.length > 0 && (
              <div role="alert" className="rounded-md border-l-4 border-plum bg-plum-wash px-3 py-2 text-sm">
                <p className="font-semibold text-plum">Nobody has said yet what to take care of in:</p>
                <ul>
                  {loaderData.bare.map((drill) => (
                    <li key={drill.id}>
                      <Link to={`/library/${drill.id}/edit`} className="underline underline-offset-4">
                        {drill.name}
                      </Link>
                    </li>
                  ))}
                </ul>
                <p>Write its cautions, and use the new revision at the desk. Then it can be handed out.</p>
              </div>
            )}
            <ChangedSince key={`${id} ${loaderData.teamId}`} now={loaderData} refused={actionData?.refused === loaderData.seen} />
            <MayChange>
              <Button kind="primary" type="submit" disabled={busy || lookingOver || loaderData.bare.length > 0}>
                <Send size={16} aria-hidden /> {busy ? "Making it…" : newest?.current ? "Make another link" : "Make edition and link"}
              </Button>
            </MayChange>
          </Form>
        </section>
      </div>
      <section id="editions" className="flex flex-col gap-3">
        <h2 className="wide-type text-lg font-semibold">Editions and links</h2>
        {editions.length === 0 ? (
          <p className="rounded-lg border border-dashed border-line bg-land px-5 py-8 text-center text-ink-soft">Nothing has been handed out yet.</p>
        ) : (
          editions.map((edition) => <EditionCard key={edition.id} edition={edition} sessionId={id} before={loaderData.before} />)
        )}
        {(loaderData.older !== undefined || loaderData.before !== undefined) && (
          <nav aria-label="Pages of editions" className="flex flex-wrap gap-2">
            {loaderData.before !== undefined && <ButtonLink to={`/sessions/${id}/hand-out#editions`}>Newest editions</ButtonLink>}
            {loaderData.older !== undefined && <ButtonLink to={`/sessions/${id}/hand-out?before=${loaderData.older + 1}#editions`}>Older editions, from {loaderData.older} down</ButtonLink>}
          </nav>
        )}
      </section>
    </main>
  );
}

type ShownEdition = Awaited<ReturnType<typeof changesOf>>[number];
type ShownLink = ShownEdition["links"][number];

function Accepted({ list }: { list: readonly { says: string; reason: string }[] }) {
  return (
    <ul className="mt-1 flex flex-col gap-1">
      {list.map(({ says, reason }) => (
        <li key={says}>
          {says} <span className="text-ink-soft">“{reason}”</span>
        </li>
      ))}
    </ul>
  );
}

function EditionCard({ edition, sessionId, before }: { edition: ShownEdition; sessionId: string; before: number | undefined }) {
  const more = edition.linkCount - edition.links.length;
  return (
    <article className="rounded-lg border border-line bg-land p-5">
      <h3 className="flex flex-wrap items-baseline gap-x-3">
        <span className="text-lg font-semibold">Edition {edition.number}</span>
        <span className="text-ink-soft">
          <When at={edition.createdAt} as="d MMMM, HH:mm" /> · {clockText(edition.totalSeconds)}
        </span>
        <span className={cx("text-sm", edition.current ? "text-kelp" : "text-plum")}>{edition.current ? "same as the desk" : "the desk has changed since"}</span>
        <Link to={`/heard?session=${sessionId}`} className="ml-auto text-sm underline underline-offset-4">
          What was heard back
        </Link>
      </h3>
      {edition.changes.length > 0 && (
        <details className="mt-1 text-sm">
          <summary className="text-ink-soft">
            {edition.changes.length === 1 ? "One change" : `${edition.changes.length} changes`} from edition {edition.number - 1}
          </summary>
          <ul className="mt-1 list-disc pl-5">
            {edition.changes.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </details>
      )}
      {edition.accepted.length > 0 && (
        <details className="mt-1 text-sm">
          <summary className="text-ink-soft">{edition.accepted.length === 1 ? "One finding was let stand" : `${edition.accepted.length} findings were let stand`}</summary>
          <Accepted list={edition.accepted} />
        </details>
      )}
      <ul className="mt-3 flex flex-col gap-3">
        {edition.links.map((link) => (
          <LinkLine key={link.id} link={link} sessionId={sessionId} />
        ))}
      </ul>
      {more > 0 && (
        <p className="mt-3 border-t border-line pt-3">
          <Link to={`/sessions/${sessionId}/hand-out?${before === undefined ? "" : `before=${before}&`}links=${edition.number}`} preventScrollReset className="underline underline-offset-4">
            {more === 1 ? "Show one more link" : `Show ${more} more links`}
          </Link>
        </p>
      )}
    </article>
  );
}

function LinkLine({ link, sessionId }: { link: ShownLink; sessionId: string }) {
  const submit = useSubmit();
  const [asking, setAsking] = useState(false);
  const whom = link.teamName ?? "Anyone with the link";
  const opened =
    link.openings === 0 ? (
      "not opened yet"
    ) : (
      <>
        opened {link.openings} {link.openings === 1 ? "time" : "times"}
        {link.openedAt && <>, last <Ago at={link.openedAt} /></>}
      </>
    );
  if (link.withdrawnAt)
    return (
      <li className="border-t border-line pt-3 text-ink-faint">
        <span className="line-through">{whom}</span> · withdrawn <When at={link.withdrawnAt} as="d MMM, HH:mm" /> · {opened}
      </li>
    );
  return (
    <li className="flex flex-wrap items-center gap-4 border-t border-line pt-3">
      {link.address && <img src={`/sessions/${sessionId}/code/${link.id}`} loading="lazy" alt={`Square code of the link for ${whom}`} className="size-24 rounded bg-white" width={96} height={96} />}
      <div className="min-w-0 flex-1 basis-56">
        <p className="font-medium">{whom}</p>
        {link.address ? (
          <p className="truncate text-sm text-ink-soft" data-testid="address">
            {link.address}
          </p>
        ) : (
          <p className="text-sm text-plum">{link.opens ? "This link still opens, but its address cannot be shown again." : "It came with the club’s archive, without its address: nobody can open it."} Make another link.</p>
        )}
        <p className="text-sm text-ink-faint" suppressHydrationWarning>
          {opened}
        </p>
      </div>
      {link.address && (
        <div className="flex flex-wrap gap-2">
          <CopyButton text={link.address} words="Copy link" />
          <a
            href={link.address} target="_blank" rel="noreferrer"
            className="inline-flex min-h-9 items-center gap-1.5 rounded-md border border-line px-3 font-medium hover:bg-land-deep"
          >
            <ExternalLink size={16} aria-hidden /> Try it
          </a>
          <Button kind="quiet" onClick={() => setAsking(true)}>
            <Unlink size={16} aria-hidden /> Withdraw
          </Button>
        </div>
      )}
      <Confirm
        open={asking} onOpenChange={setAsking} title="Withdraw this link?" action="Withdraw"
        text={`Nobody can open it any more, and a withdrawn link cannot be brought back. What ${whom === "Anyone with the link" ? "people" : whom} said stays.`}
        onConfirm={() => void submit({ do: "withdraw", link: link.id }, { method: "post" })}
      />
    </li>
  );
}
