import { Plus, X } from "lucide-react";
import { useId } from "react";
import type { DrillEditor } from "./use-drill-editor";
import { IconButton } from "~/app/ui/button";
import { Field, inputLook } from "~/app/ui/field";
import { cx } from "~/app/ui/classes";
import { CAUTION_KINDS, type Caution, type Drill } from "~/core/drills/schema";
import { CAUTION_WORDS } from "~/core/wording/cautions";

type ListKey = "setUp" | "steps" | "feel";

const LISTS: readonly { key: ListKey; title: string; most: number }[] = [
  { key: "setUp", title: "Set up", most: 6 },
  { key: "steps", title: "Do", most: 8 },
  { key: "feel", title: "Feel it here", most: 4 },
];

/** The words of a drill: its name, its lines, what is felt elsewhere and what goes wrong. */
export function Words({ editor }: { editor: DrillEditor }) {
  const { drill, change } = editor;
  const set = (part: Partial<Drill>, words: string, key: string) => change((d) => ({ ...d, ...part }), words, key);
  return (
    <section aria-label="Words" className="flex flex-col gap-4 rounded-lg border border-line bg-land p-4">
      <h2 className="wide-type text-lg font-semibold">Words</h2>
      <Field
        label="Name"
        value={drill.name}
        maxLength={80}
        onChange={(e) => set({ name: e.target.value }, "name", "name")}
      />
      <Field
        label="In one line"
        value={drill.brief}
        maxLength={400}
        onChange={(e) => set({ brief: e.target.value }, "line", "brief")}
      />
      {LISTS.map(({ key, title, most }) => (
        <Lines
          key={key}
          title={title}
          lines={drill[key]}
          most={most}
          onChange={(lines, i) => set({ [key]: lines }, title.toLowerCase(), `${key} ${i}`)}
        />
      ))}
      <Cautions cautions={drill.cautions} onChange={(cautions, i) => set({ cautions }, "watch out", `cautions ${i}`)} />
      <Together
        title="Felt elsewhere"
        columns={["felt where", "change what"]}
        rows={drill.elsewhere.map((e) => [e.felt, e.change])}
        onChange={(rows, i) =>
          set(
            { elsewhere: rows.map(([felt = "", change = ""]) => ({ felt, change })) },
            "felt elsewhere",
            `elsewhere ${i}`,
          )
        }
      />
      <Together
        title="See and say"
        columns={["what you see", "what you say", "why (optional)"]}
        rows={drill.faults.map((f) => [f.see, f.say, f.why ?? ""])}
        onChange={(rows, i) =>
          set(
            { faults: rows.map(([see = "", say = "", why = ""]) => ({ see, ...(why !== "" && { why }), say })) },
            "faults",
            `faults ${i}`,
          )
        }
      />
    </section>
  );
}

export function Lines({
  title,
  lines,
  most,
  onChange,
}: {
  title: string;
  lines: string[];
  most: number;
  onChange: (lines: string[], at: number) => void;
}) {
  const id = useId();
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">{title}</legend>
      {lines.map((line, i) => (
        <div key={`${id} ${i}`} className="flex gap-1">
          <input
            className={inputLook}
            aria-label={`${title}, line ${i + 1}`}
            value={line}
            maxLength={400}
            onChange={(e) => onChange(lines.with(i, e.target.value), i)}
          />
          <IconButton
            label={`Remove line ${i + 1} of ${title}`}
            disabled={lines.length === 1}
            onClick={() => onChange(lines.toSpliced(i, 1), -1)}
          >
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      {lines.length < most && <Another words="Another line" onClick={() => onChange([...lines, ""], lines.length)} />}
    </fieldset>
  );
}

const MOST_CAUTIONS = 6;

/** Cautions, each with what it asks: to leave it out, to take care, to stop. */
export function Cautions({
  title = "Watch out",
  cautions,
  onChange,
}: {
  title?: string;
  cautions: Caution[];
  onChange: (cautions: Caution[], at: number) => void;
}) {
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">{title}</legend>
      {cautions.map(({ kind, text }, i) => (
        <div key={i} className="flex gap-1 max-sm:flex-wrap">
          <select
            aria-label={`What line ${i + 1} of ${title} asks`}
            className={cx(inputLook, "max-sm:basis-full sm:w-44 sm:shrink-0")}
            value={kind}
            onChange={(e) => onChange(cautions.with(i, { kind: e.target.value as Caution["kind"], text }), i)}
          >
            {CAUTION_KINDS.map((one) => (
              <option key={one} value={one}>
                {CAUTION_WORDS[one]}
              </option>
            ))}
          </select>
          <input
            className={cx(inputLook, "min-w-0 flex-1")}
            aria-label={`${title}, line ${i + 1}`}
            value={text}
            maxLength={400}
            onChange={(e) => onChange(cautions.with(i, { kind, text: e.target.value }), i)}
          />
          <IconButton
            label={`Remove line ${i + 1} of Watch out`}
            disabled={cautions.length === 1}
            onClick={() => onChange(cautions.toSpliced(i, 1), -1)}
          >
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      {cautions.length < MOST_CAUTIONS && (
        <Another
          words="Another line"
          onClick={() => onChange([...cautions, { kind: "take care", text: "" }], cautions.length)}
        />
      )}
    </fieldset>
  );
}

/** Lines that belong together, a row of them each. */
function Together({
  title,
  columns,
  rows,
  onChange,
}: {
  title: string;
  columns: readonly string[];
  rows: readonly (readonly string[])[];
  onChange: (rows: readonly (readonly string[])[], at: number) => void;
}) {
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">{title}</legend>
      {rows.map((row, i) => (
        <div key={i} className="flex gap-1">
          <div className="grid min-w-0 flex-1 auto-cols-fr gap-1 sm:grid-flow-col">
            {columns.map((column, c) => (
              <input
                key={column}
                className={inputLook}
                aria-label={`${title} ${i + 1}: ${column}`}
                placeholder={column}
                value={row[c] ?? ""}
                maxLength={400}
                onChange={(e) => onChange(rows.with(i, row.with(c, e.target.value)), i)}
              />
            ))}
          </div>
          <IconButton
            label={`Remove ${title} ${i + 1}`}
            disabled={rows.length === 1}
            onClick={() => onChange(rows.toSpliced(i, 1), -1)}
          >
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      {rows.length < 5 && (
        <Another words="Another pair" onClick={() => onChange([...rows, columns.map(() => "")], rows.length)} />
      )}
    </fieldset>
  );
}

export const Another = ({ words, onClick }: { words: string; onClick: () => void }) => (
  <button
    type="button"
    className="inline-flex items-center gap-1 self-start text-sm text-ink-soft underline underline-offset-4"
    onClick={onClick}
  >
    <Plus size={14} aria-hidden /> {words}
  </button>
);
