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
      <Pairs
        title="Felt elsewhere"
        first="felt where"
        second="change what"
        pairs={drill.elsewhere.map((e) => [e.felt, e.change])}
        onChange={(pairs, i) =>
          set({ elsewhere: pairs.map(([felt, change]) => ({ felt, change })) }, "felt elsewhere", `elsewhere ${i}`)
        }
      />
      <Pairs
        title="See and say"
        first="what you see"
        second="what you say"
        pairs={drill.faults.map((f) => [f.see, f.say])}
        onChange={(pairs, i) =>
          set({ faults: pairs.map(([see, say], at) => ({ ...drill.faults[at], see, say })) }, "faults", `faults ${i}`)
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

type Pair = [string, string];

function Pairs({
  title,
  first,
  second,
  pairs,
  onChange,
}: {
  title: string;
  first: string;
  second: string;
  pairs: Pair[];
  onChange: (pairs: Pair[], at: number) => void;
}) {
  const set = (i: number, pair: Pair) => onChange(pairs.with(i, pair), i);
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-sm font-medium text-ink-soft">{title}</legend>
      {pairs.map(([a, b], i) => (
        <div key={i} className="flex gap-1">
          <input
            className={inputLook}
            aria-label={`${title} ${i + 1}: ${first}`}
            value={a}
            maxLength={400}
            onChange={(e) => set(i, [e.target.value, b])}
          />
          <input
            className={inputLook}
            aria-label={`${title} ${i + 1}: ${second}`}
            value={b}
            maxLength={400}
            onChange={(e) => set(i, [a, e.target.value])}
          />
          <IconButton
            label={`Remove ${title} ${i + 1}`}
            disabled={pairs.length === 1}
            onClick={() => onChange(pairs.toSpliced(i, 1), -1)}
          >
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      {pairs.length < 5 && (
        <Another words="Another pair" onClick={() => onChange([...pairs, ["", ""]], pairs.length)} />
      )}
    </fieldset>
  );
}

const Another = ({ words, onClick }: { words: string; onClick: () => void }) => (
  <button
    type="button"
    className="inline-flex items-center gap-1 self-start text-sm text-ink-soft underline underline-offset-4"
    onClick={onClick}
  >
    <Plus size={14} aria-hidden /> {words}
  </button>
);
