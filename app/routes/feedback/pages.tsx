import { Link } from "react-router";

/** The same list from its beginning. */
export function withoutPages(params: URLSearchParams): URLSearchParams {
  const next = new URLSearchParams(params);
  next.delete("page");
  next.delete("pain");
  return next;
}

export function withParam(params: URLSearchParams, name: string, value: string | null): string {
  const next = new URLSearchParams(params);
  if (value === null) next.delete(name);
  else next.set(name, value);
  return `?${next.toString()}`;
}

/** Ways to the pages before and after, where there are any. */
export function Pages({
  params,
  name,
  page,
  more,
  of,
}: {
  params: URLSearchParams;
  name: string;
  page: number;
  more: boolean;
  of?: number | undefined;
}) {
  if (page === 0 && !more) return null;
  const look = "min-h-11 content-center rounded-md border border-line bg-land px-4 font-medium hover:bg-land-deep";
  return (
    <nav
      aria-label={name === "pain" ? "Pages of reports of pain" : "Pages"}
      className="flex flex-wrap items-center justify-center gap-3"
    >
      {page > 0 && (
        <Link to={withParam(params, name, page > 1 ? String(page - 1) : null)} className={look}>
          Newer
        </Link>
      )}
      {of !== undefined && <span className="text-ink-soft">{of} in all</span>}
      {more && (
        <Link to={withParam(params, name, String(page + 1))} className={look}>
          Older
        </Link>
      )}
    </nav>
  );
}
