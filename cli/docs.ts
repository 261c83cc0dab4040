import { z } from "zod";
import { drillFileSchema } from "~/core/drills/read";
import { sessionFileSchema } from "~/core/files/session-file";
import { draftRequestSchema } from "~/core/draft/request";
import { groupSchema } from "~/core/group/schema";
import { sessionSchema } from "~/core/session/schema";

type Node = {
  type?: string | string[];
  const?: unknown;
  enum?: unknown[];
  default?: unknown;
  description?: string;
  properties?: Record<string, Node>;
  required?: string[];
  items?: Node | false;
  prefixItems?: Node[];
  oneOf?: Node[];
  anyOf?: Node[];
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  minLength?: number;
  maxLength?: number;
  minItems?: number;
  maxItems?: number;
};

/** The JSON Schema of a session document, as it may be written, with the defaults left out. */
export function sessionJsonSchema(): string {
  const schema = z.toJSONSchema(sessionSchema, { io: "input", target: "draft-2020-12" });
  return `${JSON.stringify({ $schema: schema.$schema, title: "Mapset session", ...schema }, null, 2)}\n`;
}

/** The JSON Schema of a session with everything it needs elsewhere. */
export function sessionFileJsonSchema(): string {
  const schema = z.toJSONSchema(sessionFileSchema, { io: "input", target: "draft-2020-12", reused: "ref" });
  return `${JSON.stringify({ $schema: schema.$schema, title: "Mapset session file", ...schema }, null, 1)}\n`;
}

/** The JSON Schema of a drill file. */
export function drillJsonSchema(): string {
  const schema = z.toJSONSchema(drillFileSchema, { io: "input", target: "draft-2020-12", reused: "ref" });
  return `${JSON.stringify({ $schema: schema.$schema, title: "Mapset drill", ...schema }, null, 1)}\n`;
}

/** The JSON Schema of a group's file: people, kit, caps. */
export function groupJsonSchema(): string {
  const schema = z.toJSONSchema(groupSchema, { io: "input", target: "draft-2020-12", reused: "ref" });
  return `${JSON.stringify({ $schema: schema.$schema, title: "Mapset group", ...schema }, null, 1)}\n`;
}

/** The JSON Schema of a request for drafts. */
export function draftRequestJsonSchema(): string {
  const schema = z.toJSONSchema(draftRequestSchema, { io: "input", target: "draft-2020-12", reused: "ref" });
  return `${JSON.stringify({ $schema: schema.$schema, title: "Mapset request for drafts", ...schema }, null, 1)}\n`;
}

/** The session format for people: every field from the schema, then the arithmetic of time. */
export function sessionFormatPage(): string {
  const root = JSON.parse(sessionJsonSchema()) as Node;
  return `${HEAD}\n${sections("Session", root).join("\n")}\n${RULES}`;
}

const HEAD = `# The session format

<!-- Generated from core/session/schema.ts by ./mapset docs. Do not edit. -->

A session is a plain JSON document. Unknown fields are an error. \`docs/session.schema.json\` says the same for programs.
\`./mapset compile FILE\` checks a document and lays it out in time.
`;

function sections(title: string, node: Node): string[] {
  const out = [`## ${title}\n`, ...(node.description ? [`${node.description}.\n`.replace("..", ".")] : [])];
  const variants = node.oneOf ?? [];
  const later: string[] = [];
  for (const variant of variants) {
    out.push(`### ${title}, kind ${String(variant.properties?.["kind"]?.const)}\n`, `${variant.description ?? ""}.\n`, table(variant));
    later.push(...deeper(title, variant));
  }
  if (node.properties) {
    out.push(table(node));
    later.push(...deeper(title, node));
  }
  return [...out, ...later];
}

/** Sections for the objects inside an object, each where it first appears. */
function deeper(title: string, node: Node): string[] {
  return Object.entries(node.properties ?? {}).flatMap(([key, inner]) => {
    const entry = inner.type === "array" && inner.items ? inner.items : inner;
    const name = `${title === "Session" ? "" : `${title}.`}${key}${entry === inner ? "" : "[]"}`;
    return entry.properties || entry.oneOf ? sections(name, entry) : [];
  });
}

function table(node: Node): string {
  const rows = Object.entries(node.properties ?? {}).map(([key, field]) => {
    const needed = node.required?.includes(key) ? "yes" : field.default === undefined ? "no" : `no; default ${brief(field.default)}`;
    return `| \`${key}\` | ${kindOf(field)} | ${needed} | ${field.description ?? ""} |`;
  });
  return `| field | what it holds | needed | meaning |\n| --- | --- | --- | --- |\n${rows.join("\n")}\n`;
}

function brief(value: unknown): string {
  return typeof value === "object" ? "its own defaults" : `\`${JSON.stringify(value)}\``;
}

function kindOf(node: Node): string {
  if (node.const !== undefined) return `\`${JSON.stringify(node.const)}\``;
  if (node.enum) return node.enum.map((v) => `\`${JSON.stringify(v)}\``).join(", ");
  if (node.prefixItems) return `a list of ${node.prefixItems.length} numbers, each ${range(node.prefixItems[0] ?? {})}`;
  if (node.type === "array") return `a list of ${node.minItems ?? 0} to ${node.maxItems ?? "any number of"} entries`;
  if (node.type === "string") return node.minLength ? `text of ${node.minLength} to ${node.maxLength} characters` : `text of at most ${node.maxLength} characters`;
  if (node.type === "integer") return `a whole number ${range(node)}`;
  if (node.type === "number") return `a number ${range(node)}`;
  return "an object, below";
}

function range({ minimum, maximum, exclusiveMinimum }: Node): string {
  const low = exclusiveMinimum === undefined ? `from ${minimum}` : `above ${exclusiveMinimum}`;
  return maximum === undefined || maximum >= Number.MAX_SAFE_INTEGER ? low : `${low} to ${maximum}`;
}

const RULES = `
## How it becomes time

For each block, each round, each item, in order:

1. **move**: from the posture the class is in to the drill's, plus \`pace.kitChange\` for each piece of kit this item needs
   that the item before did not (two sticks are two pieces). The session's first item has no posture part. Left out at 0 s.
2. **demo**: \`item.demo\`, else \`pace.demo\` when this drill at this level has not appeared earlier in the session. In
   rounds after the first there is none.
3. For each set **work**: \`together\` in one pass; \`each\` in two, the first side first; \`alternating\` in one pass of
   twice the dose, its repetitions taking turns; \`left\` or \`right\` in one. With two directions each pass is two pieces
   of work with one **turn** of \`pace.turn\` between.
4. Between sets **rest** of \`restBetweenSets\`, if any; each set begins on the first side again.
5. **rest** of \`restAfter\`, if any. Between rounds, rest of \`restBetweenRounds\`.

A one-sided pass on another side than the one in use is preceded by a **switch** of \`pace.switchSides\`. The side in use is
that of the last one-sided pass; a move, a rest and a pass that is not one-sided end it.

With \`whole-block\`, items worked on each side are all done on the first side, then all again on the second; what is
together or alternating is done in the first pass only, what is for one side only in its side's pass.

A session never ends on a rest. Work of an alternating pass counts half for each side.

A dose lasts, for one side and one direction: its seconds (time) · count × the sum of its beats (reps) · count × the sum of
its pattern, or \`pace.breath\` (breaths) · rounds × (ramp + opposite + settle) (effort) · the rung in use (ladder).

Moving takes 0 s within a posture, else 3 s and 2 s for each step of height: lying 0, sitting 1, on all fours and sitting
back on the heels 2, kneeling and squatting 3, standing 4, hanging 5.

Limits that keep a document playable: the work comes to at most 24 hours, 50 000 counted beats and 5 000 pieces of work, rests and moves; there are at most 2 000 calls and 500 000 characters.
`;
