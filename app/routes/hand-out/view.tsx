import { ArrowLeft, Printer } from "lucide-react";
import type { HandOutPage } from "./data.server";
import { EditionCard } from "./edition-card";
import { HandOutPart } from "./hand-out-part";
import { LookOverPart } from "./look-over-part";
import { ButtonLink } from "~/app/ui/button";

export function HandOutView({ page, refused }: { page: HandOutPage; refused: string | undefined }) {
  const { id, title, editions } = page;
  return (
    <main id="main" className="wrap-anywhere mx-auto flex w-full max-w-[100rem] flex-1 flex-col gap-5 px-4 py-5">
      <div className="flex flex-wrap items-center gap-3">
        <ButtonLink kind="quiet" to={`/sessions/${id}`}>
          <ArrowLeft size={16} aria-hidden /> Desk
        </ButtonLink>
        <h1 className="wide-type min-w-0 text-2xl leading-tight font-semibold text-balance">Hand out: {title}</h1>
        <ButtonLink kind="quiet" to={`/sessions/${id}/print`} className="ml-auto">
          <Printer size={16} aria-hidden /> Print sheet
        </ButtonLink>
      </div>
      <div className="grid grid-cols-1 items-start gap-5 lg:grid-cols-[minmax(0,1fr)_22rem] 2xl:grid-cols-[minmax(0,1fr)_28rem]">
        <LookOverPart page={page} />
        <HandOutPart page={page} refused={refused} />
      </div>
      <section id="editions" className="flex flex-col gap-3">
        <h2 className="wide-type text-lg font-semibold">Editions and links</h2>
        {editions.length === 0 ? (
          <p className="rounded-lg border border-dashed border-line bg-land px-5 py-8 text-center text-ink-soft">
            Nothing handed out yet. Look it over, then make the first link.
          </p>
        ) : (
          editions.map((edition) => (
            <EditionCard key={edition.id} edition={edition} sessionId={id} before={page.before} />
          ))
        )}
        {(page.older !== undefined || page.before !== undefined) && (
          <nav aria-label="Pages of editions" className="flex flex-wrap gap-2">
            {page.before !== undefined && (
              <ButtonLink to={`/sessions/${id}/hand-out#editions`}>Newest editions</ButtonLink>
            )}
            {page.older !== undefined && (
              <ButtonLink to={`/sessions/${id}/hand-out?before=${page.older + 1}#editions`}>
                Older editions, from {page.older} down
              </ButtonLink>
            )}
          </nav>
        )}
      </section>
    </main>
  );
}
