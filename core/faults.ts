import type { ZodError, ZodType } from "zod";
import { isFit } from "./fit-to-keep";

/** One thing wrong with a document: where it is and what to do about it. */
export type ValidationError = { path: string; message: string };

/** Either a checked value or every fault found in what was given. */
export type Read<T> = { ok: true; value: T } | { ok: false; faults: ValidationError[] };

type Issue = ZodError["issues"][number];

/** Writes a path the way a person reads it: `blocks[0].items[2].dose`. The document itself is `(document)`. */
export function pathText(path: readonly PropertyKey[]): string {
  let text = "";
  for (const key of path) text += typeof key === "number" ? `[${key}]` : text === "" ? String(key) : `.${String(key)}`;
  return text === "" ? "(document)" : text;
}

/** Whether a value from outside has fields. */
export const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Whether a document says it is of a later version than any there is. */
export const isNewer = (document: unknown, newest: number): boolean =>
  isObject(document) && typeof document["version"] === "number" && document["version"] > newest;

export const MADE_BY_NEWER = "was made by a newer Mapset; bring this one up to date to open it";

/** What is in the text of a file, or why it is not JSON. `longest` is in characters. */
export function readJson(text: string, longest: number): Read<unknown> {
  if (text.length > longest)
    return {
      ok: false,
      faults: [{ path: "(document)", message: `is longer than ${longest / 1_000_000} million characters` }],
    };
  try {
    return { ok: true, value: JSON.parse(text) as unknown };
  } catch (error) {
    return {
      ok: false,
      faults: [
        { path: "(document)", message: `is not JSON: ${error instanceof Error ? error.message : String(error)}` },
      ],
    };
  }
}

/** One line for a fault: its path, then what is wrong. */
export function faultLine(fault: ValidationError): string {
  return `${fault.path}: ${fault.message}`;
}

/** Deeper, longer or larger than this is no document of ours; the largest there are come to a tenth of it. */
const DEEPEST = 40;
const LONGEST_LIST = 5_000;
const MOST_VALUES = 100_000;

/**
 * The first thing about a value from outside that no document may have: text that cannot be kept, nesting without end, lists
 * or sizes far beyond any session. Looks at each value once, without recursion, and stops at the first.
 */
function unfitFault(value: unknown): ValidationError | undefined {
  const waiting: { value: unknown; path: PropertyKey[] }[] = [{ value, path: [] }];
  let seen = 0;
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { value: here, path } = next;
    if (++seen > MOST_VALUES) return { path: "(document)", message: `holds more than ${MOST_VALUES} values` };
    if (typeof here === "string" && !isFit(here))
      return { path: pathText(path), message: "holds a character that can’t be saved" };
    if (typeof here !== "object" || here === null) continue;
    if (path.length >= DEEPEST) return { path: pathText(path), message: "is nested too deep" };
    if (Array.isArray(here)) {
      if (here.length > LONGEST_LIST)
        return { path: pathText(path), message: `must have at most ${LONGEST_LIST} entries` };
      for (let i = here.length - 1; i >= 0; i--) waiting.push({ value: here[i], path: [...path, i] });
      continue;
    }
    for (const [key, inner] of Object.entries(here).reverse()) {
      if (!isFit(key)) return { path: pathText(path), message: "has a field whose name can’t be saved" };
      waiting.push({ value: inner, path: [...path, key] });
    }
  }
  return undefined;
}

/** More faults than this are not told one by one. */
const MOST_FAULTS = 100;

/** Parses with a schema; when it fails, every fault in plain words, up to a hundred. What no document of ours comes near is refused before it is looked at closely. */
export function parseWith<T>(schema: ZodType<T>, value: unknown): Read<T> {
  const unfit = unfitFault(value);
  if (unfit) return { ok: false, faults: [unfit] };
  const parsed = schema.safeParse(value, { reportInput: true });
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, faults: faultsOf(parsed.error) };
}

/** Every fault of a failed Zod parse, in plain words, each unknown key and each list entry with its own path. */
function faultsOf(error: ZodError): ValidationError[] {
  const faults: ValidationError[] = [];
  for (const issue of error.issues) {
    faults.push(...faultsOfIssue(issue, []));
    if (faults.length > MOST_FAULTS)
      return [...faults.slice(0, MOST_FAULTS), { path: "(document)", message: "has more faults than these" }];
  }
  return faults;
}

function faultsOfIssue(issue: Issue, above: PropertyKey[]): ValidationError[] {
  const path = [...above, ...issue.path];
  if (issue.code === "unrecognized_keys")
    return issue.keys
      .slice(0, MOST_FAULTS + 1)
      .map((key) => ({ path: pathText([...path, key]), message: "is not a known field" }));
  if (issue.code === "invalid_union") {
    const options = unionOptions(issue);
    if (options) return [{ path: pathText(path), message: `must be one of ${options}` }];
    // The kind that was meant is one the value at least begins as; of those the one with least wrong.
    const closest =
      [...issue.errors].sort((a, b) => Number(isOther(a)) - Number(isOther(b)) || a.length - b.length)[0] ?? [];
    return closest.length > 0
      ? closest.flatMap((inner) => faultsOfIssue(inner, path))
      : [{ path: pathText(path), message: "is not of a known kind" }];
  }
  return [{ path: pathText(path), message: messageFor(issue) }];
}

/** Whether a value was already of another kind than these faults are about. */
const isOther = (issues: readonly Issue[]): boolean =>
  issues.some((one) => one.path.length === 0 && (one.code === "invalid_type" || one.code === "invalid_value"));

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
      if (issue.origin === "string")
        return issue.minimum === 1 ? "must not be empty" : `must have at least ${issue.minimum} characters`;
      if (issue.origin === "array")
        return `must have at least ${issue.minimum} ${issue.minimum === 1 ? "entry" : "entries"}`;
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
