import type { z } from "zod";
import { madeFit } from "~/core/fit-to-keep";

/** Reads a form, its texts fit to be kept. What is none is refused in words instead of failing. */
export async function readForm(request: Request): Promise<FormData> {
  const sent = await request.formData().catch(() => undefined);
  if (!sent)
    throw new Response("This was not sent as a form, or only part of it arrived. Load the page again.", {
      status: 400,
    });
  const form = new FormData();
  for (const [name, value] of sent.entries()) {
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

/** A field that holds JSON; undefined where it holds none, which no schema takes. */
export function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
