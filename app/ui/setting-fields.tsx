import { useState } from "react";
import { Button } from "./button";
import { Field, SelectField } from "./field";
import { NumberField } from "./number-field";
import { ProtectChoice } from "./protect-choice";
import { KIT, KIT_FACTS } from "~/core/vocabulary/kit";
import { readKit } from "~/core/group/kit-text";
import { SURFACE_FACTS } from "~/core/group/surfaces";
import { SURFACES } from "~/core/vocabulary/surfaces";
import { WHO, WHO_WORDS } from "~/core/vocabulary/who";
import { listWords } from "~/core/wording/words";
import type { GroupSetting } from "~/core/group/schema";

/** Kit and floor, and caps and what all of a group protects; or one of the two. What is not ticked is not looked at. */
export function SettingFields({
  setting,
  onChange,
  only,
}: {
  setting: GroupSetting;
  onChange: (setting: GroupSetting) => void;
  only?: "kit" | "people";
}) {
  const set = (part: { [K in keyof GroupSetting]: GroupSetting[K] | undefined }) =>
    onChange(Object.fromEntries(Object.entries({ ...setting, ...part }).filter(([, value]) => value !== undefined)));
  const { kit } = setting;
  if (only === undefined)
    return (
      <>
        <SettingFields setting={setting} onChange={onChange} only="kit" />
        <SettingFields setting={setting} onChange={onChange} only="people" />
      </>
    );
  if (only === "kit")
    return (
      <>
        <Said
          words="We know what kit there is"
          on={kit !== undefined}
          onChange={(on) => set({ kit: on ? {} : undefined })}
        >
          {kit && <TypedKit onKit={(typed) => set({ kit: { ...kit, ...typed } })} />}
          {kit && (
            <div className="grid grid-cols-1 gap-x-4 gap-y-1 sm:grid-cols-2">
              {KIT.map((piece) => (
                <label key={piece} className="flex min-h-9 items-center justify-between gap-2 text-sm">
                  {KIT_FACTS[piece].words}
                  <input
                    type="number"
                    min={0}
                    max={500}
                    className="w-20 rounded-md border border-line bg-paper px-2 py-1 text-right"
                    value={kit[piece] ?? 0}
                    onChange={(e) =>
                      set({
                        kit: { ...kit, [piece]: Math.min(500, Math.max(0, Math.round(Number(e.target.value)) || 0)) },
                      })
                    }
                  />
                </label>
              ))}
            </div>
          )}
        </Said>
        <SelectField
          label="They stand on"
          value={setting.surface ?? ""}
          options={[
            { value: "", words: "Not said" },
            ...SURFACES.map((value) => ({ value, words: SURFACE_FACTS[value].words })),
          ]}
          onChange={(value) => set({ surface: SURFACES.find((one) => one === value) })}
        />
        <Said
          words="The floor has an end"
          on={setting.floor !== undefined}
          onChange={(on) => set({ floor: on ? 10 : undefined })}
        >
          {setting.floor !== undefined && (
            <NumberField
              label="Clear length"
              unit="m"
              min={1}
              max={200}
              value={setting.floor}
              onChange={(floor) => set({ floor })}
            />
          )}
        </Said>
        <Said
          words="They wait in lines for lanes"
          on={setting.lanes !== undefined}
          onChange={(on) => set({ lanes: on ? 4 : undefined })}
        >
          {setting.lanes !== undefined && (
            <NumberField label="Lanes" min={1} max={50} value={setting.lanes} onChange={(lanes) => set({ lanes })} />
          )}
        </Said>
      </>
    );
  return (
    <>
      <SelectField
        label="They are"
        value={setting.who ?? "adults"}
        options={WHO.map((value) => ({ value, words: WHO_WORDS[value] }))}
        onChange={(value) =>
          set({
            who: value === "adults" ? undefined : value,
            ...(value !== "older" && { gettingUp: undefined, impact: undefined }),
          })
        }
      />
      {setting.who === "older" && (
        <div className="pl-6">
          <Said
            words="They get down to the floor and up again"
            on={setting.gettingUp === true}
            onChange={(on) => set({ gettingUp: on || undefined })}
          />
          <Said
            words="Small landings, as in a jog, are fine"
            on={setting.impact === true}
            onChange={(on) => set({ impact: on || undefined })}
          />
        </div>
      )}
      <Said
        words="Effort has a cap"
        on={setting.effortCap !== undefined}
        onChange={(on) => set({ effortCap: on ? 70 : undefined })}
      >
        {setting.effortCap !== undefined && (
          <NumberField
            label="At most"
            unit="%"
            min={10}
            max={100}
            step={5}
            value={setting.effortCap}
            onChange={(effortCap) => set({ effortCap })}
          />
        )}
      </Said>
      <Said
        words="Holds have a cap"
        on={setting.holdCap !== undefined}
        onChange={(on) => set({ holdCap: on ? 45 : undefined })}
      >
        {setting.holdCap !== undefined && (
          <NumberField
            label="At most"
            unit="s"
            min={5}
            max={600}
            step={5}
            value={setting.holdCap}
            onChange={(holdCap) => set({ holdCap })}
          />
        )}
      </Said>
      <Said
        words="Wants something to hold on to in balance drills"
        on={setting.support === true}
        onChange={(on) => set({ support: on || undefined })}
      />
      <Said
        words="What people can do differs widely"
        on={setting.mixed === true}
        onChange={(on) => set({ mixed: on || undefined })}
      />
      <details open>
        <summary className="text-sm font-medium">
          The whole group protects{setting.areas?.length ? ` (${setting.areas.length})` : "…"}
        </summary>
        <ProtectChoice
          legend="Areas nobody in it should load"
          chosen={setting.areas ?? []}
          onChange={(areas) => set({ areas: areas.length > 0 ? areas : undefined })}
        />
      </details>
    </>
  );
}

/** Kit as it is said: the numbers below follow. */
function TypedKit({ onKit }: { onKit: (kit: GroupSetting["kit"]) => void }) {
  const [text, setText] = useState("");
  const [said, setSaid] = useState<{ taken: number; unknown: string[] }>();
  const take = () => {
    const { kit, unknown } = readKit(text);
    onKit(kit);
    setSaid({ taken: Object.keys(kit).length, unknown });
    setText(unknown.join(", "));
  };
  return (
    <div className="mb-1 flex items-end gap-2">
      <Field
        label="Type what there is"
        value={text}
        placeholder="24 pads, 12 sticks, a wall"
        className="flex-1"
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== "Enter") return;
          event.preventDefault();
          take();
        }}
        fault={
          said && said.unknown.length > 0
            ? `Mapset has no kit called ${listWords(said.unknown.map((one) => `“${one}”`))}.`
            : undefined
        }
        hint={
          said && said.unknown.length === 0 && said.taken > 0 ? "Taken; check the numbers below." : "Enter takes it."
        }
      />
      <Button className="mb-6" disabled={text.trim() === ""} onClick={take}>
        Take
      </Button>
    </div>
  );
}

function Said({
  words,
  on,
  onChange,
  children,
}: {
  words: string;
  on: boolean;
  onChange: (on: boolean) => void;
  children?: React.ReactNode;
}) {
  return (
    <div className="flex flex-col gap-1">
      <label className="flex min-h-8 items-center gap-2 font-medium">
        <input
          type="checkbox"
          className="size-4 accent-(--depth-5)"
          checked={on}
          onChange={(e) => onChange(e.target.checked)}
        />{" "}
        {words}
      </label>
      {children && <div className="pl-6">{children}</div>}
    </div>
  );
}
