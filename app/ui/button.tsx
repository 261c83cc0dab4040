import type { ComponentProps, ReactNode } from "react";
import { Link } from "react-router";
import { cx } from "./classes";

type Kind = "primary" | "plain" | "quiet" | "danger";

const LOOKS: Record<Kind, string> = {
  primary: "bg-buoy text-on-buoy hover:bg-buoy-deep border border-transparent",
  plain: "border border-line bg-land text-ink hover:bg-land-deep",
  quiet: "border border-transparent text-ink-soft hover:bg-land-deep hover:text-ink",
  danger: "border border-plum bg-plum text-land hover:opacity-90",
};

const base = (kind: Kind, className?: string) =>
  cx(
    "inline-flex min-h-9 items-center justify-center gap-1.5 rounded-md px-3 py-1.5 text-[0.95rem] font-medium whitespace-nowrap transition-colors",
    "disabled:cursor-not-allowed disabled:opacity-45 aria-disabled:opacity-45",
    LOOKS[kind],
    className,
  );

export function Button({ kind = "plain", className, type = "button", ...rest }: ComponentProps<"button"> & { kind?: Kind }) {
  return <button type={type} className={base(kind, className)} {...rest} />;
}

export function ButtonLink({ kind = "plain", className, ...rest }: ComponentProps<typeof Link> & { kind?: Kind }) {
  return <Link className={base(kind, className)} {...rest} />;
}

/** A small square button that shows a picture and says its name. */
export function IconButton({ label, className, children, ...rest }: Omit<ComponentProps<"button">, "aria-label" | "title"> & { label: string; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className={cx(
        "inline-flex size-8 shrink-0 items-center justify-center rounded-md text-ink-soft transition-colors hover:bg-land-deep hover:text-ink",
        "disabled:cursor-not-allowed disabled:opacity-40 disabled:hover:bg-transparent",
        className,
      )}
      {...rest}
    >
      {children}
    </button>
  );
}
