import { z } from "zod";
import { drillFileSchema } from "~/core/drills/read";
import { sessionFileSchema } from "~/core/files/session-file";
import { draftRequestSchema } from "~/core/draft/request";
import { groupSchema } from "~/core/group/schema";
import { sessionSchema } from "~/core/session/schema";
import { NEWEST_SESSION } from "~/core/session/version";

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

This is version ${NEWEST_SESSION}, the one that is written. Version 1 is read as well, and keeps its own arithmetic (below) until it is
changed at the desk; then it becomes version ${NEWEST_SESSION}. What was handed out keeps its version for ever. A document of a later version
is refused in words.
`;

function sections(title: string, node: Node): string[] {
  const out = [`## ${title}\n`, ...(node.description ? [`${node.description}.\n`.replace("..", ".")] : [])];
  const variants = node.oneOf ?? [];
  const later: string[] = [];
  for (const variant of variants) {
    out.push(
      `### ${title}, kind ${String(variant.properties?.["kind"]?.const)}\n`,
      `${variant.description ?? ""}.\n`,
      table(variant),
    );
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
    const needed = node.required?.includes(key)
      ? "yes"
      : field.default === undefined
        ? "no"
        : `no; default ${brief(field.default)}`;
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
  if (node.type === "string")
    return node.minLength
      ? `text of ${node.minLength} to ${node.maxLength} characters`
      : `text of at most ${node.maxLength} characters`;
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
   that the item before did not (two sticks are two pieces). Kit that stays where it is (chair, wall, support, box, bench,
   bar) costs that once in a session; a chair serves as a support. The session's first item has no posture part. Left out at
   0 s.
2. **demo**: \`item.demo\`, else \`pace.demo\` when this drill at this level has not appeared earlier in the session. In
   rounds after the first there is none.
3. For each set **work**: \`together\` in one pass; \`each\` in two, the first side first; \`alternating\` in one pass of
   twice the dose, its repetitions alternating; \`left\` or \`right\` in one. With two directions each pass is two pieces
   of work with one **turn** of \`pace.turn\` between.
4. Between sets **rest** of \`restBetweenSets\`, if any; each set begins on the first side again.
5. **rest** of \`restAfter\`, if any. Between rounds, rest of \`restBetweenRounds\`.

A one-sided pass on another side than the one in use is preceded by a **switch** of \`pace.switchSides\`. The side in use is
that of the last one-sided pass; a move, a rest and a pass that is not one-sided end it. Where both levels say which leg the
working side is (\`stance\` of a drill's level), what counts is whether the legs change, not the word; \`current\` then keeps
the legs.

\`alternating\` takes repetitions, breaths and effort; with seconds it is a fault: use \`together\`.

### By the clock

In a block with an \`interval\` every pass lasts exactly \`work\` seconds. A time takes all of it; repetitions and breaths go at
their own tempo, as many whole ones as fit, and what is left is easy; \`alternating\` is one pass in which sides change rep by
rep; two directions change at half time. Effort and ladders are a fault there.

Between any two passes of the block (sides, sets, items, rounds) there are \`rest\` seconds, in which the next pass's move, kit,
showing and switch happen, in that order; what is left of them is a **rest** at the end. Where they need longer, they take what
they need. \`restBetweenSets\`, \`restAfter\` and \`restBetweenRounds\` count instead where they are longer. All of these segments
carry \`gap: true\`. Before the first pass of a block and after its last, times are as anywhere else.

### Version 1

has no \`interval\`, \`phase\`, \`locked\`, \`test\`, \`moveBase\`, \`moveStep\`, and beats without \`kind\`. All kit is fetched anew
wherever the item before did not need it; stance is not looked at; \`alternating\` with seconds is one pass of twice as long,
which becomes \`together\` with double the seconds in version 2.

### Sides, sums, bounds

With \`whole-block\`, items worked on each side are all done on the first side, then all again on the second; what is
together or alternating is done in the first pass only, what is for one side only in its side's pass.

A session never ends on a rest. Work of an alternating pass counts half for each side.

A dose lasts, for one side and one direction: its seconds (time) · count × the sum of its beats (reps) · count × the sum of
its pattern, or \`pace.breath\` (breaths) · rounds × (ramp + opposite + settle) (effort) · the rung in use (ladder).

Moving takes 0 s within a posture, else \`pace.moveBase\` (3 s) and \`pace.moveStep\` (2 s) for each step of height: lying 0, sitting 1, on all fours and sitting
back on the heels 2, kneeling and squatting 3, standing 4, hanging 5.

Limits that keep a document playable: the work comes to at most 24 hours, 50 000 counted beats and 5 000 pieces of work, rests and moves; there are at most 2 000 calls and 500 000 characters.
`;
