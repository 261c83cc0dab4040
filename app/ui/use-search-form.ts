import { useEffect, useRef, type RefObject } from "react";
import { NavigationType, useLocation, useNavigationType, useSubmit } from "react-router";

/** So long after the last key what is typed is looked for. */
const TYPED_MS = 90;

/**
 * A form whose fields stand in the address: sent as it changes, in place of the address before. Its fields are never
 * written while somebody is at them, only where the address came about otherwise: by going back, or by a link.
 */
export function useSearchForm(
  form: RefObject<HTMLFormElement | null>,
  asked: Readonly<Record<string, string | number | undefined>>,
) {
  const submit = useSubmit();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const way = useNavigationType();
  const { key } = useLocation();
  const seen = useRef<string>(undefined);
  const send = () => {
    clearTimeout(timer.current);
    if (form.current) void submit(form.current, { replace: true, preventScrollReset: true });
  };
  const typed = () => {
    clearTimeout(timer.current);
    timer.current = setTimeout(send, TYPED_MS);
  };
  useEffect(() => () => clearTimeout(timer.current), []);
  useEffect(() => {
    const first = seen.current === undefined;
    if (seen.current === key) return;
    seen.current = key;
    const fields = [...(form.current?.elements ?? [])].filter(
      (field) => field instanceof HTMLInputElement || field instanceof HTMLSelectElement,
    );
    const differs = fields.filter((field) => field.name !== "" && field.value !== String(asked[field.name] ?? ""));
    if (differs.length === 0) return;
    // What was filled in before the page's script was there counts.
    if (first) return send();
    if (way === NavigationType.Replace) return;
    clearTimeout(timer.current);
    for (const field of differs) field.value = String(asked[field.name] ?? "");
  });
  return { send, typed };
}
