import { JOINTS, PLANES, type Browse } from "~/core/browse/browse";
import { AREAS } from "~/core/vocabulary/areas";
import { KIT, KIT_FACTS } from "~/core/vocabulary/kit";
import { METHODS } from "~/core/vocabulary/methods";
import { POSTURE_WORDS, POSTURES } from "~/core/vocabulary/postures";
import { Search, X } from "lucide-react";
import { useRef, useState } from "react";
import { Form, Link } from "react-router";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { inputLook, SelectField } from "~/app/ui/field";
import { useSearchForm } from "~/app/ui/use-search-form";
import { type Joint, JOINT_WORDS, type Motion, MOTION_FACTS, MOTIONS } from "~/core/vocabulary/motions";
import { AREA_WORDS, PLANE_WORDS } from "~/core/wording/areas";
import { METHOD_WORDS } from "~/core/wording/words";

const any = { value: "" as const, words: "any" };

/** What drills are looked for by; a choice is asked for as it is made. */
export function Filters({
  by,
  groups,
  own,
  aside,
}: {
  by: Browse;
  groups: readonly { id: string; name: string }[];
  own: number;
  aside: number;
}) {
  const form = useRef<HTMLFormElement>(null);
  const { send, typed } = useSearchForm(form, by);
  const changed = () => {
    // A motion of another joint than the one chosen now would leave nothing.
    const { joint, row } = Object.fromEntries(new FormData(form.current!)) as { joint: Joint | ""; row: Motion | "" };
    if (joint !== "" && row !== "" && MOTION_FACTS[row].joint !== joint)
      (form.current!.elements.namedItem("row") as HTMLSelectElement).value = "";
    send();
  };
  const rows = MOTIONS.filter((row) => !by.joint || MOTION_FACTS[row].joint === by.joint);
  const count = Object.entries(by).filter(([name, value]) => name !== "q" && value !== undefined).length;
  const isSet = count > 0 || by.q !== "";
  const [open, setOpen] = useState(false);
  return (
    <Form
      ref={form}
      method="get"
      role="search"
      aria-label="Find drills"
      className="flex h-fit flex-col gap-3 rounded-lg border border-line bg-land p-3 max-lg:grid max-lg:grid-cols-2 max-sm:grid-cols-1 lg:sticky lg:top-3"
      onChange={changed}
    >
      <div className="relative max-lg:col-span-full">
        <label htmlFor="find" className="sr-only">
          Find a drill
        </label>
        <Search size={15} className="absolute top-2.5 left-2.5 text-ink-faint" aria-hidden />
        <input
          id="find"
          name="q"
          defaultValue={by.q}
          placeholder="Name, joint, kit, posture"
          className={cx(inputLook, "pl-8")}
          type="search"
          autoComplete="off"
          onChange={(event) => {
            event.stopPropagation();
            typed();
          }}
        />
      </div>
      {/* On a small screen the choices stay folded, so that the drills are in sight. */}
      <button
        type="button"
        aria-expanded={open}
        className="col-span-full inline-flex min-h-9 items-center gap-1.5 self-start text-sm font-medium underline underline-offset-4 lg:hidden"
        onClick={() => setOpen(!open)}
      >
        {open ? "Fewer filters" : `Filter${count > 0 ? ` (${count} chosen)` : ""}`}
      </button>
      <div className={cx("contents", !open && "max-lg:*:hidden")}>
        <SelectField
          label="Joint"
          name="joint"
          defaultValue={by.joint ?? ""}
          options={[any, ...JOINTS.map((value) => ({ value, words: JOINT_WORDS[value] }))]}
        />
        <SelectField
          label="Motion"
          name="row"
          defaultValue={by.row ?? ""}
          options={[
            any,
            ...rows.map((value) => ({ value, words: `${MOTION_FACTS[value].words} (${MOTION_FACTS[value].plain})` })),
          ]}
        />
        <SelectField
          label="Direction"
          name="plane"
          defaultValue={by.plane ?? ""}
          options={[any, ...PLANES.map((value) => ({ value, words: PLANE_WORDS[value] }))]}
        />
        <SelectField
          label="Method"
          name="method"
          defaultValue={by.method ?? ""}
          options={[any, ...METHODS.map((value) => ({ value, words: METHOD_WORDS[value] }))]}
        />
        <SelectField
          label="Posture"
          name="posture"
          defaultValue={by.posture ?? ""}
          options={[any, ...POSTURES.map((value) => ({ value, words: POSTURE_WORDS[value] }))]}
        />
        <SelectField
          label="Kit"
          name="kit"
          defaultValue={by.kit ?? ""}
          options={[
            any,
            { value: "none", words: "no kit" },
            ...KIT.map((value) => ({ value, words: KIT_FACTS[value].words })),
          ]}
        />
        {groups.length > 0 && (
          <SelectField
            label="For the group"
            name="group"
            defaultValue={by.group ?? ""}
            options={[any, ...groups.map((one) => ({ value: one.id, words: one.name }))]}
          />
        )}
        <SelectField
          label="Spare this area"
          name="spare"
          defaultValue={by.spare ?? ""}
          options={[
            { value: "", words: "nothing to spare" },
            ...AREAS.map((value) => ({ value, words: AREA_WORDS[value] })),
          ]}
        />
        <SelectField
          label="A side takes at most"
          name="most"
          defaultValue={by.most === undefined ? "" : String(by.most)}
          options={[
            { value: "", words: "any length" },
            ...["20", "30", "45", "60", "90"].map((value) => ({ value, words: `${value} s` })),
          ]}
        />
        {(own > 0 || aside > 0) && (
          <SelectField
            label="Whose"
            name="own"
            defaultValue={by.own ?? ""}
            options={[
              { value: "", words: "mine and Mapset’s" },
              { value: "own", words: `only mine (${own})` },
              { value: "aside", words: `mine, archived (${aside})` },
            ]}
          />
        )}
      </div>
      <div className="flex items-center gap-3">
        <noscript>
          <Button type="submit">Find</Button>
        </noscript>
        {isSet && (
          <Link
            to="/library"
            className="inline-flex items-center gap-1 text-sm text-ink-soft underline underline-offset-4 hover:text-ink"
          >
            <X size={14} aria-hidden /> Clear all
          </Link>
        )}
      </div>
    </Form>
  );
}
