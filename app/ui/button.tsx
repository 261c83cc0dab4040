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

type Size = "usual" | "small";

/** A small one stands in a line of text or in a list, and may be a sentence: it wraps. */
const SIZES: Record<Size, string> = {
  usual: "min-h-9 px-3 py-1.5 text-[0.95rem] whitespace-nowrap",
  small: "min-h-8 px-2 py-0.5 text-left text-sm",
};

const look = (kind: Kind, size: Size, className?: string) =>
  cx(
    "inline-flex items-center justify-center gap-1.5 rounded-md font-medium transition-colors",
    "disabled:cursor-not-allowed disabled:opacity-45 aria-disabled:opacity-45",
    SIZES[size],
    LOOKS[kind],
    className,
  );

type Looks = { kind?: Kind; size?: Size };

export function Button({
  kind = "plain",
  size = "usual",
  className,
  type = "button",
  ...rest
}: ComponentProps<"button"> & Looks) {
  return <button type={type} className={look(kind, size, className)} {...rest} />;
}

export function ButtonLink({
  kind = "plain",
  size = "usual",
  className,
  ...rest
}: ComponentProps<typeof Link> & Looks) {
  return <Link className={look(kind, size, className)} {...rest} />;
}

/** A small square button that shows a picture and says its name. */
export function IconButton({
  label,
  className,
  children,
  ...rest
}: Omit<ComponentProps<"button">, "aria-label" | "title"> & { label: string; children: ReactNode }) {
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
