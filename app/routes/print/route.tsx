import { CautionList } from "~/app/ui/cautions";
import { nowDate } from "~/core/clock/clock";
import { setImmediate } from "node:timers/promises";
import { ArrowLeft, Printer } from "lucide-react";
import type { Route } from "./+types/route";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { drillsNamed } from "~/app/server/drills.server";
import { still, work } from "~/app/server/work/work.server";
import { chosenFor } from "~/app/server/chosen";
import { getServices } from "~/app/server/services.server";
import { Button, ButtonLink } from "~/app/ui/button";
import { ShownTo } from "~/app/ui/figure/look";
import { Still } from "~/app/ui/figure/still";
import { useThere } from "~/app/ui/use-there";
import { When } from "~/app/ui/when";
import { MiniProfilePicture } from "~/app/ui/mini-profile";
import type { PaperItem } from "~/core/edition/paper";
import { miniProfile } from "~/core/profile/mini";
import { profileOf } from "~/core/profile/profile";
import { clockText } from "~/core/lengths";
import { PURPOSE_WORDS } from "~/core/wording/words";
import { compile } from "~/core/timeline/compile";
import { browseOwnDrills } from "~/db/own-drills";
import { findSession } from "~/db/sessions";
import { findSetting } from "~/db/session-setting";
import { listGroups } from "~/db/groups";
import { lookupOf } from "~/library";
import { needDrills, opening } from "~/app/server/opening.server";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? ""} print sheet · Mapset` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const id = idOf(params.id);
  const { db } = getServices();
  const [stored, setting, groups, own] = await Promise.all([
    opening(findSession(db, coach.club, id)),
    findSetting(db, coach.club, id),
    listGroups(db, coach.club),
    browseOwnDrills(db, coach.club),
  ]);
  if (!stored) throw notHere();
  const named = await drillsNamed(coach.club, stored.doc);
  const drills = lookupOf(named);
  const group = chosenFor(groups, setting);
  const { doc } = stored;
  needDrills(doc, drills);
  const timeline = compile(doc, drills);
  await setImmediate();
  const profile = miniProfile(profileOf(doc, timeline), 700, 70);
  await setImmediate();
  return {
    id,
    shownTo: setting?.groupId ?? null,
    title: doc.title,
    printed: nowDate(),
    purpose: doc.purpose,
    target: doc.target,
    notes: doc.notes,
    group: group && { name: group.name, people: group.people.length, zone: group.setting.zone },
    profile,
    paper: await work(coach.club, "paper", {
      session: doc,
      named: named.map(still),
      own: own.map((listed) => still(listed.doc)),
      group,
    }),
  };
}

/** More lines than any class has: such a sheet is drawn where it is looked at, so that nobody waits for it here. */
const DRAWN_HERE = 300;

export default function PaperRoute({ loaderData }: Route.ComponentProps) {
  const there = useThere();
  const lines = loaderData.paper.blocks.reduce(
    (sum, block) => sum + block.items.reduce((of, item) => of + 1 + item.instead.length, 0),
    0,
  );
  if (lines > DRAWN_HERE && !there) return <p className="p-8 text-ink-soft">Opening…</p>;
  return <OnPaper loaderData={loaderData} />;
}

/** The session on a sheet of paper, for beside the mat. */
function OnPaper({ loaderData }: Pick<Route.ComponentProps, "loaderData">) {
  const { id, title, printed, purpose, target, notes, group, profile, paper } = loaderData;
  const kit = paper.kit.map(({ pieces, inAll, words, instead }) => ({
    words,
    text: inAll === undefined ? (pieces > 1 ? `${pieces} each` : "") : `${inAll} in all`,
    instead,
  }));
  return (
    <ShownTo group={loaderData.shownTo}>
      <main
        id="main"
        className="mx-auto flex w-full max-w-4xl flex-1 flex-col gap-4 px-4 py-5 print:max-w-none print:gap-3 print:p-0"
      >
        <div className="flex flex-wrap items-center justify-between gap-3 print:hidden">
          <ButtonLink kind="quiet" to={`/sessions/${id}`}>
            <ArrowLeft size={16} aria-hidden /> Desk
          </ButtonLink>
          <Button kind="primary" onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
        </div>
        <article className="wrap-anywhere flex flex-col gap-4 rounded-lg border border-line bg-land p-6 max-sm:p-4 print:gap-3 print:border-0 print:bg-transparent print:p-0">
          <header className="flex items-end justify-between gap-6">
            <div className="min-w-0">
              <h1 className="wide-type text-2xl leading-tight font-semibold">{title}</h1>
              <p className="text-ink-soft">
                {PURPOSE_WORDS[purpose]}
                {group && ` · ${group.name}, ${group.people} ${group.people === 1 ? "person" : "people"}`} ·{" "}
                <When at={printed} as="d MMM yyyy" zone={group?.zone} />
              </p>
            </div>
            <p className="text-right whitespace-nowrap">
              <span className="clock-type block text-4xl leading-none">{paper.length}</span>
              {target !== undefined && <span className="text-sm text-ink-soft">target {clockText(target)}</span>}
            </p>
          </header>
          <MiniProfilePicture profile={profile} className="h-16 w-full" />
          <p>
            <span className="font-semibold">Kit: </span>
            {kit.length === 0
              ? "none"
              : kit.map(({ words, text, instead }, i) => (
                  <span key={words}>
                    {i > 0 && ", "}
                    {words}
                    {text && ` (${text})`}
                    <span className="text-ink-soft"> or {instead}</span>
                  </span>
                ))}
          </p>
          {notes && <p className="whitespace-pre-line">{notes}</p>}
          {paper.blocks.map((block, b) => (
            <section key={b} className="break-inside-auto">
              <h2 className="wide-type border-b border-ink-faint pb-0.5 font-semibold break-after-avoid">
                {block.title || `Block ${b + 1}`}
                {block.more && <span className="font-normal text-ink-soft"> · {block.more}</span>}
              </h2>
              <ol>
                {block.items.map((item) => (
                  <Row key={item.number} item={item} />
                ))}
              </ol>
            </section>
          ))}
          <section className="break-inside-avoid">
            <h2 className="wide-type border-b border-ink-faint pb-0.5 font-semibold">Watch out</h2>
            <p className="mt-1 text-sm">
              Pain, numbness, tingling or dizziness: stop, step down a level, or leave it out. Not medical advice.
            </p>
            <CautionList cautions={paper.cautions} className="mt-1 text-sm" />
          </section>
        </article>
      </main>
    </ShownTo>
  );
}

function Row({ item }: { item: PaperItem }) {
  return (
    <li className="grid grid-cols-[2.9rem_4.2rem_minmax(0,1fr)] items-start gap-x-3 border-b border-line py-1.5 break-inside-avoid">
      <span className="clock-type pt-1 text-right text-lg leading-none">{item.at}</span>
      <Still drill={item.drill} level={item.level} at="pair" size={66} eager />
      <div className="min-w-0">
        <p className="flex flex-wrap items-baseline justify-between gap-x-4">
          <span className="font-semibold">
            {item.number}. {item.name}
          </span>
          <span>{item.dose}</span>
        </p>
        <p className="text-sm text-ink-soft">{item.brief}</p>
        {item.calls.length > 0 && <p className="text-sm">Call at {item.calls.join(" · ")}</p>}
        {item.instead.map(({ who, does }) => (
          <p key={does} className="text-sm">
            <span className="font-semibold">{who}</span>: {does}
          </p>
        ))}
      </div>
    </li>
  );
}
