import type { SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import type { z } from "zod";
import { madeFit } from "~/core/fit-to-keep";

/** More fields than any form has, and a longer name than any field. What is done with a form may grow faster than it. */
const MOST_FIELDS = 500;
const LONGEST_NAME = 200;

/** Reads a form, its texts fit to be kept. What is none is refused in words instead of failing. */
export async function readForm(request: Request): Promise<FormData> {
  const sent = await request.formData().catch(() => undefined);
  if (!sent)
    throw new Response("This was not sent as a form, or only part of it arrived. Load the page again.", {
      status: 400,
    });
  const form = new FormData();
  let count = 0;
  for (const [name, value] of sent.entries()) {
    if (++count > MOST_FIELDS || name.length > LONGEST_NAME)
      throw new Response("This form has more in it than any of Mapset’s.", { status: 400 });
    if (typeof value === "string") form.append(madeFit(name), madeFit(value));
    else form.append(madeFit(name), value);
  }
  return form;
}

/** A text field of a form; empty when it is missing or a file. */
export function fieldText(form: FormData, name: string): string {
  const value = form.get(name);
  return typeof value === "string" ? value : "";
}

/**
 * What a form asks, by the union of all that can be asked there; `usual` where it does not say, as pages of before do not. What
 * is none of it never came from a page of ours, and is refused.
 */
export function askedIn<T extends { do: string }>(form: FormData, union: z.ZodType<T>, usual?: T["do"]): T {
  const read = union.safeParse({ ...(usual && { do: usual }), ...Object.fromEntries(form) });
  if (!read.success) throw new Response("That cannot be done here.", { status: 400 });
  return read.data;
}

/** Reads a script's message as JSON, or undefined when it is none or longer than so many characters. */
export async function readMessage(request: Request, longest: number): Promise<unknown> {
  const text = await request.text().catch(() => "");
  return text.length > longest ? undefined : jsonIn(text);
}

/** A field that holds JSON; undefined where it holds none, which no schema takes. */
export function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** What is wrong with a form as a whole, and with its fields. */
type FormFaults = { form?: string; fields?: Record<string, string> };

/** What a form says, or what is wrong with it. */
export type FormRead<T> = ({ value: T } | { value?: undefined }) & {
  /** The answer to its page, with what else is found to be wrong. Never with the fields that are hidden, as passwords are. */
  refuse: (faults?: FormFaults) => SubmissionResult<string[]>;
};

/** The schemas of forms: an object of fields, or a union of such by one of them. */
type FormSchema<T> = z.ZodType<T> & ({ shape: object } | { options: readonly { shape: object }[] });

/** The names of all fields a form may have. */
const namesOf = (schema: { shape: object } | { options: readonly { shape: object }[] }): Set<string> =>
  new Set(("shape" in schema ? [schema] : schema.options).flatMap(({ shape }) => Object.keys(shape)));

/**
 * The fields of a form that its schema knows, each once and as a text. Names are never taken as a way into a tree of objects
 * and lists: “a[99999999]” would be a list of that length.
 */
function onlyKnown(form: FormData, names: ReadonlySet<string>): FormData {
  const known = new FormData();
  for (const name of names) {
    const value = form.get(name);
    if (typeof value === "string") known.set(name, value);
  }
  return known;
}

/** Reads a form by its schema, for a page that has it by `useAskedForm`. */
export function readAskedForm<T>(form: FormData, schema: FormSchema<T>, hidden: string[] = []): FormRead<T> {
  const submission = parseWithZod(onlyKnown(form, namesOf(schema)), { schema: schema as z.ZodType<T> });
  const refuse = ({ form: whole, fields = {} }: FormFaults = {}) =>
    submission.reply({
      hideFields: hidden,
      ...(whole !== undefined && { formErrors: [whole] }),
      fieldErrors: Object.fromEntries(Object.entries(fields).map(([name, fault]) => [name, [fault]])),
    });
  return submission.status === "success" ? { value: submission.value, refuse } : { refuse };
}
