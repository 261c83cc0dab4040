import { Search } from "lucide-react";
import { useId, useRef, type ReactNode } from "react";
import { Form } from "react-router";
import { cx } from "./classes";
import { inputLook } from "./field";
import { useSearchForm } from "./use-search-form";

/** Looks for something by name among all pages of a list; what is looked for stands in the address as `q`. */
export function Find({
  words,
  find,
  longest,
  keep = {},
  also = {},
  children,
}: {
  words: string;
  find: string;
  longest: number;
  keep?: Readonly<Record<string, string>>;
  /** What else it is narrowed down by, by the names of `children`'s fields. */
  also?: Readonly<Record<string, string>>;
  children?: ReactNode;
}) {
  const form = useRef<HTMLFormElement>(null);
  const { send, typed } = useSearchForm(form, { q: find, ...also });
  const id = useId();
  return (
    <Form
      ref={form}
      method="get"
      role="search"
      className="flex flex-wrap items-center gap-2"
      onChange={(event) => event.target instanceof HTMLSelectElement && send()}
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      {Object.entries(keep).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {children}
      <span className="relative">
        <label htmlFor={id} className="sr-only">
          {words}
        </label>
        <Search size={15} className="absolute top-2.5 left-2.5 text-ink-faint" aria-hidden />
        <input
          id={id}
          name="q"
          defaultValue={find}
          maxLength={longest}
          className={cx(inputLook, "w-48 pl-8")}
          placeholder={words}
          onChange={typed}
        />
      </span>
    </Form>
  );
}
