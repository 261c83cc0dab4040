import { Form, Link, useNavigation } from "react-router";
import type { Refused } from "./actions.server";
import type { LibraryPage } from "./data.server";
import { FamilyRow } from "./family-row";
import { Filters } from "./filters";
import { ImportDrill } from "./import-drill";
import { NewDrill } from "./new-drill";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { MayChange } from "~/app/ui/may-change";
import { UnreadableLines } from "~/app/ui/unreadable";

/** So many more are shown at a time. */
const STEP = 120;

export function LibraryView({ page, outcome }: { page: LibraryPage; outcome: Refused | undefined }) {
  const { by, rows, found, total, shown, more } = page;
  const busy = useNavigation().state === "loading";
  return (
    <main id="main" className="mx-auto flex w-full max-w-[110rem] flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="wide-type text-2xl font-semibold">Library</h1>
        <p className="text-ink-soft" role="status">
          {found === total ? `${total} drills` : `${found} of ${total} drills`}
        </p>
        <Link to="/library/sheet" className="text-sm text-ink-soft underline underline-offset-4 hover:text-ink">
          Contact sheet
        </Link>
        <div className="ml-auto flex flex-wrap gap-2">
          <MayChange>
            <ImportDrill outcome={outcome} />
            <NewDrill />
          </MayChange>
        </div>
      </div>
      <div className="grid gap-5 lg:grid-cols-[15.5rem_minmax(0,1fr)]">
        <Filters by={by} groups={page.groups} own={page.own} aside={page.aside} />
        <section aria-label="Drills" className={cx("flex flex-col gap-4 transition-opacity", busy && "opacity-70")}>
          <UnreadableLines rows={page.unreadable} />
          {rows.length === 0 ? (
            <Nothing />
          ) : (
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(10.5rem,1fr))] gap-3">
              {rows.map((row) => (
                <FamilyRow key={row.id} row={row} />
              ))}
            </ul>
          )}
          {more > 0 && (
            <Form method="get" className="self-center">
              {Object.entries(by)
                .filter(([, value]) => value !== undefined && value !== "")
                .map(([name, value]) => (
                  <input key={name} type="hidden" name={name} value={String(value)} />
                ))}
              <input type="hidden" name="show" value={shown + STEP} />
              <Button type="submit">Show {Math.min(STEP, more)} more</Button>
            </Form>
          )}
        </section>
      </div>
    </main>
  );
}

function Nothing() {
  return (
    <div className="flex flex-col items-center gap-2 rounded-lg border border-dashed border-line bg-land px-6 py-14 text-center">
      <p className="wide-type text-lg font-semibold">No drill matches all of that</p>
      <p className="max-w-md text-ink-soft">
        Remove a filter or try another word: a joint, a position, a piece of kit.
      </p>
      <Link to="/library" className="font-medium underline underline-offset-4">
        Clear all
      </Link>
    </div>
  );
}
