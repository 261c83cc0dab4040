import type { ZodError, ZodType } from "zod";

/** One thing wrong with a document: where it is and what to do about it. */
export type Fault = { path: string; message: string };

/** Either a checked value or every fault found in what was given. */
export type Read<T> = { ok: true; value: T } | { ok: false; faults: Fault[] };

type Issue = ZodError["issues"][number];

/** Writes a path the way a person reads it: `blocks[0].items[2].dose`. The document itself is `(document)`. */
export function pathText(path: readonly PropertyKey[]): string {
  let text = "";
  for (const key of path) text += typeof key === "number" ? `[${key}]` : text === "" ? String(key) : `.${String(key)}`;
  return text === "" ? "(document)" : text;
}

/** One line for a fault: its path, then what is wrong. */
export function faultLine(fault: Fault): string {
  return `${fault.path}: ${fault.message}`;
}

/** Parses with a schema; when it fails, every fault in plain words. */
export function parseWith<T>(schema: ZodType<T>, value: unknown): Read<T> {
  const parsed = schema.safeParse(value, { reportInput: true });
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, faults: faultsOf(parsed.error) };
}

/** Every fault of a failed Zod parse, in plain words, each unknown key and each list entry with its own path. */
function faultsOf(error: ZodError): Fault[] {
  return error.issues.flatMap((issue) => faultsOfIssue(issue, []));
}

function faultsOfIssue(issue: Issue, above: PropertyKey[]): Fault[] {
  const path = [...above, ...issue.path];
  if (issue.code === "unrecognized_keys")
    return issue.keys.map((key) => ({ path: pathText([...path, key]), message: "is not a known field" }));
  if (issue.code === "invalid_union") {
    const options = unionOptions(issue);
    if (options) return [{ path: pathText(path), message: `must be one of ${options}` }];
    const closest = [...issue.errors].sort((a, b) => a.length - b.length)[0] ?? [];
    return closest.length > 0
      ? closest.flatMap((inner) => faultsOfIssue(inner, path))
      : [{ path: pathText(path), message: "is not of a known kind" }];
  }
  return [{ path: pathText(path), message: messageFor(issue) }];
}

function unionOptions(issue: Issue): string | undefined {
  const options = (issue as { options?: unknown }).options;
  return Array.isArray(options) ? options.map(String).join(", ") : undefined;
}

function messageFor(issue: Issue): string {
  switch (issue.code) {
    case "invalid_type":
      if (issue.input === undefined && issue.message.endsWith("undefined")) return "is missing";
      return `must be ${typeWord(issue.expected)}`;
    case "too_small":
      if (issue.origin === "string") return issue.minimum === 1 ? "must not be empty" : `must have at least ${issue.minimum} characters`;
      if (issue.origin === "array") return `must have at least ${issue.minimum} ${issue.minimum === 1 ? "entry" : "entries"}`;
      return issue.inclusive === false ? `must be above ${issue.minimum}` : `must be at least ${issue.minimum}`;
    case "too_big":
      if (issue.origin === "string") return `must have at most ${issue.maximum} characters`;
      if (issue.origin === "array") return `must have at most ${issue.maximum} entries`;
      return `must be at most ${issue.maximum}`;
    case "invalid_value":
      if (issue.input === undefined) return "is missing";
      return issue.values.length === 1
        ? `must be ${JSON.stringify(issue.values[0])}`
        : `must be one of ${issue.values.map((v) => String(v)).join(", ")}`;
    default:
      return issue.message;
  }
}

function typeWord(expected: string): string {
  switch (expected) {
    case "int":
      return "a whole number";
    case "number":
      return "a number";
    case "string":
      return "text";
    case "array":
    case "tuple":
      return "a list";
    case "object":
      return "an object";
    default:
      return `a ${expected}`;
  }
}
