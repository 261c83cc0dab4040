import { Link, useLocation, useSearchParams } from "react-router";

type Props = {
  page: number;
  size: number;
  all: number;
  shown: number;
  /** What the pages before and after these have. */ before: string;
  after: string;
};

/** Ways to the pages of a list before and after, with where these are among all; nothing where all are shown. */
export function Pages({ page, size, all, shown, before, after }: Props) {
  const [params] = useSearchParams();
  const { pathname } = useLocation();
  const to = (at: number) => {
    const next = new URLSearchParams(params);
    if (at > 0) next.set("page", String(at + 1));
    else next.delete("page");
    return `${pathname}?${next}`;
  };
  if (all <= size && page === 0) return null;
  const link = "rounded-md px-2 py-1 font-medium underline underline-offset-4 hover:bg-land-deep";
  return (
    <nav aria-label="Pages" className="flex items-center justify-center gap-3 text-sm text-ink-soft">
      {page > 0 && (
        <Link to={to(Math.min(page - 1, Math.ceil(all / size) - 1))} className={link}>
          {before}
        </Link>
      )}
      <span>
        {shown > 0
          ? `${page * size + 1} to ${page * size + shown} of ${all.toLocaleString("en-GB")}`
          : `${all.toLocaleString("en-GB")} in all`}
      </span>
      {(page + 1) * size < all && (
        <Link to={to(page + 1)} className={link}>
          {after}
        </Link>
      )}
    </nav>
  );
}
