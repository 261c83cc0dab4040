import { ArrowLeft, Printer, TriangleAlert } from "lucide-react";
import { Form, Link, useSearchParams } from "react-router";
import type { insteadPage } from "./data.server";
import { Button } from "~/app/ui/button";
import { Dialog } from "~/app/ui/dialog";
import { secondsText } from "~/core/lengths";
import { LEVEL_WORDS } from "~/core/wording/words";
import type { LevelName } from "~/core/vocabulary/levels";

type Page = Awaited<ReturnType<typeof insteadPage>>;
type Line = Page["lines"][number];

const doesWords = (line: Line, does: Line["instead"][number]["does"], name: string): string =>
  does === "rest"
    ? "rest: walk, shake out, breathe"
    : name === line.name
      ? `the ${LEVEL_WORDS[does.level]} level`
      : `${name}${does.level === "standard" ? "" : ` (${LEVEL_WORDS[does.level]})`}`;

/** Before the class: everybody who does something else, drill by drill, on one page. */
export function InsteadView({ page }: { page: Page }) {
  const { id, title, lines, concerns, kit, open } = page;
  const [, setSearch] = useSearchParams();
  const own = concerns.filter((one) => one.kind === "own session");
  const rests = concerns.filter((one) => one.kind === "rests");
  return (
    <main id="main" className="mx-auto flex w-full max-w-4xl flex-col gap-5 px-4 py-5 print:max-w-none print:p-0">
      <p className="print:hidden">
        <Link to={`/live/${id}`} className="inline-flex min-h-11 items-center gap-2 underline underline-offset-4">
          <ArrowLeft size={16} aria-hidden /> Back to the class
        </Link>
      </p>
      <header className="flex flex-wrap items-baseline gap-3">
        <h1 className="wide-type flex-1 text-2xl font-semibold">Who does what instead</h1>
        <Button className="print:hidden" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> Print
        </Button>
        <p className="w-full text-ink-soft">
          {title}. At each drill as few different things as suit everybody; each on the same clock as the others.
        </p>
      </header>
      {(own.length > 0 || rests.length > 0 || kit.length > 0) && (
        <section aria-label="Before it begins" className="flex flex-col gap-2">
          {own.map(({ person, ...one }) => (
            <Notice key={`own ${person.id}`}>
              <span className="font-semibold">{person.name}</span> would do something else for{" "}
              {one.kind === "own session" ? Math.round(one.share * 100) : 0} % of this: better a session of their own.
            </Notice>
          ))}
          {rests.map(({ person, ...one }) =>
            one.kind === "rests" ? (
              <Notice key={`${person.id} ${one.block}.${one.item}`}>
                <span className="font-semibold">{person.name}</span> has nothing safe to do at {one.name}
                {one.again ? ", and rests before it, too" : `, for ${secondsText(Math.round(one.seconds))}`}. Another
                drill there would suit everybody.
              </Notice>
            ) : null,
          )}
          {kit.length > 0 && (
            <p>
              <span className="font-semibold">Have ready, besides the session’s own kit:</span> {kit.join(", ")}.
            </p>
          )}
        </section>
      )}
      {lines.length === 0 ? (
        <p>Everybody does everything as it is.</p>
      ) : (
        <ol className="flex flex-col">
          {lines.map((line) => (
            <li key={`${line.block}.${line.item}`} className="break-inside-avoid border-t border-line py-3">
              <h2 className="font-semibold">
                {line.number}. {line.name}
              </h2>
              <ul className="mt-1 flex flex-col gap-1.5">
                {line.instead.map((one) => {
                  const words = doesWords(line, one.does, one.name);
                  return (
                    <li key={words} className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
                      <span className="min-w-52 flex-1">
                        {words}
                        {one.chosen && <span className="text-ink-soft"> (chosen)</span>}
                      </span>
                      <span className="flex flex-1 flex-wrap gap-1.5">
                        {one.people.map((person) => (
                          <button
                            key={person.id}
                            type="button"
                            aria-label={`Change what ${person.name} does at ${line.name}`}
                            onClick={() =>
                              setSearch(
                                { person: person.id, at: `${line.block}.${line.item}` },
                                { preventScrollReset: true },
                              )
                            }
                            className="min-h-9 rounded-md border border-line bg-land px-2.5 hover:bg-land-deep print:min-h-0 print:border-0 print:bg-transparent print:px-1"
                          >
                            {person.name}
                          </button>
                        ))}
                      </span>
                    </li>
                  );
                })}
              </ul>
            </li>
          ))}
        </ol>
      )}
      <p className="text-sm text-ink-soft print:hidden">
        What is changed here is for this class alone. Phones have it as they join; who is in the class already has it
        after joining again.
      </p>
      {open && (
        <Dialog
          open
          onOpenChange={(is) => !is && setSearch({}, { preventScrollReset: true })}
          title={`${open.name} at ${open.drill}`}
          description="Only what spares what they protect, in the same time as the others."
        >
          <Form method="post" action={`/live/${id}/instead`} preventScrollReset className="flex flex-col gap-1">
            <input type="hidden" name="person" value={open.person} />
            <input type="hidden" name="at" value={open.at} />
            {[
              { value: "auto", words: "As it is worked out" },
              ...open.ways.map((way) => ({
                value: `${way.drill} ${way.level}`,
                words: `${way.name}${way.level === "standard" ? "" : ` (${LEVEL_WORDS[way.level as LevelName]})`}`,
              })),
              { value: "rest", words: "Rest" },
            ].map(({ value, words }) => (
              <label key={value} className="flex min-h-10 items-center gap-2.5">
                <input type="radio" name="does" value={value} defaultChecked={value === open.now} className="size-5" />
                {words}
              </label>
            ))}
            <Button kind="primary" type="submit" className="mt-2 min-h-11">
              Keep it
            </Button>
          </Form>
        </Dialog>
      )}
    </main>
  );
}

const Notice = ({ children }: { children: React.ReactNode }) => (
  <p className="flex items-baseline gap-2 border-l-4 border-buoy bg-land px-3 py-2">
    <TriangleAlert size={16} className="shrink-0 translate-y-0.5" aria-hidden />
    <span>{children}</span>
  </p>
);
