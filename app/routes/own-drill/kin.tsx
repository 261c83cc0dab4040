import { X } from "lucide-react";
import type { DrillEditor } from "./use-drill-editor";
import { Another } from "./words";
import { IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { inputLook, SelectField } from "~/app/ui/field";
import type { Drill, DrillLink } from "~/core/drills/schema";

/** A drill, or a family by the plainest of its drills. */
export type Named = { id: string; name: string };

const ALONE = "";
const MOST_LINKS = 6;

const LINKS = [
  {
    key: "leadsTo",
    title: "Leads to",
    hint: "Harder drills somebody is ready for once this one is easy.",
    why: "why it comes next",
  },
  {
    key: "insteadOf",
    title: "Instead of it",
    hint: "Drills for the same, for anyone this one is no good for.",
    why: "when, and why it serves",
  },
] as const;

/** How a drill stands to those of the library: the same idea, what it leads to, what is done in its place. */
export function Kin({ editor, families, drills }: { editor: DrillEditor; families: Named[]; drills: Named[] }) {
  const { drill, change } = editor;
  const { family } = drill;
  const known = family === undefined || families.some((one) => one.id === family);
  const setLinks = (key: keyof NonNullable<Drill["links"]>, links: DrillLink[], at: number) =>
    change(
      (d) => ({ ...d, links: linksWith(d.links, key, links) }),
      key === "leadsTo" ? "what it leads to" : "what is done instead",
      `${key} ${at}`,
    );
  return (
    <section aria-label="Beside other drills" className="flex flex-col gap-4 rounded-lg border border-line bg-land p-4">
      <h2 className="wide-type text-lg font-semibold">Beside other drills</h2>
      <SelectField
        label="The same idea as"
        value={family ?? ALONE}
        options={[
          { value: ALONE, words: "no other drill" },
          ...(known ? [] : [{ value: family, words: `drills called ${family.replaceAll("-", " ")}` }]),
          ...families.map(({ id, name }) => ({ value: id, words: name })),
        ]}
        onChange={(id) => change((d) => ({ ...d, family: id === ALONE ? undefined : id }), "the same idea as")}
      />
      <p className="-mt-3 text-sm text-ink-faint">A draft uses one idea once, so it won’t ask for both.</p>
      {LINKS.map(({ key, title, hint, why }) => (
        <Links
          key={key}
          title={title}
          hint={hint}
          why={why}
          links={drill.links?.[key] ?? []}
          drills={drills}
          onChange={(links, at) => setLinks(key, links, at)}
        />
      ))}
    </section>
  );
}

/** A drill's links with one list changed; an empty list says nothing, and no list at all is no links. */
const linksWith = (
  links: Drill["links"],
  key: keyof NonNullable<Drill["links"]>,
  list: DrillLink[],
): Drill["links"] => {
  const { [key]: _, ...others } = links ?? {};
  const next = list.length > 0 ? { ...others, [key]: list } : others;
  return Object.keys(next).length > 0 ? next : undefined;
};

function Links({
  title,
  hint,
  why,
  links,
  drills,
  onChange,
}: {
  title: string;
  hint: string;
  why: string;
  links: DrillLink[];
  drills: Named[];
  onChange: (links: DrillLink[], at: number) => void;
}) {
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="text-sm font-medium text-ink-soft">{title}</legend>
      <p className="text-sm text-ink-faint">{hint}</p>
      {links.map((link, i) => (
        <div key={i} className="flex gap-1 max-sm:flex-wrap">
          <select
            aria-label={`${title} ${i + 1}: which drill`}
            className={cx(inputLook, "max-sm:basis-full sm:w-60 sm:shrink-0")}
            value={link.drill}
            onChange={(e) => onChange(links.with(i, { ...link, drill: e.target.value }), i)}
          >
            {!drills.some((one) => one.id === link.drill) && (
              <option value={link.drill}>
                {link.drill === "" ? "choose a drill" : link.drill.replaceAll("-", " ")}
              </option>
            )}
            {drills.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
          <input
            className={cx(inputLook, "min-w-0 flex-1")}
            aria-label={`${title} ${i + 1}: why`}
            placeholder={why}
            value={link.why}
            maxLength={400}
            onChange={(e) => onChange(links.with(i, { ...link, why: e.target.value }), i)}
          />
          <IconButton label={`Remove ${title} ${i + 1}`} onClick={() => onChange(links.toSpliced(i, 1), -1)}>
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      {links.length < MOST_LINKS && (
        <Another
          words={links.length === 0 ? "A drill" : "Another drill"}
          onClick={() => onChange([...links, { drill: "", why: "" }], links.length)}
        />
      )}
    </fieldset>
  );
}
