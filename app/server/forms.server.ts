import { madeFit } from "~/core/fit-to-keep";

/** Reads a form, its texts fit to be kept. What is none is refused in words instead of failing. */
export async function readForm(request: Request): Promise<FormData> {
  const sent = await request.formData().catch(() => undefined);
  if (!sent)
    throw new Response("This was not sent as a form, or only part of it arrived. Load the page again.", { status: 400 });
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
