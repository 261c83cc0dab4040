import { useId, useMemo, useState } from "react";
import { Link, useFetcher } from "react-router";
import type { Outcome } from "./actions.server";
import type { SessionSummary } from "./summary.server";
import { Button } from "~/app/ui/button";
import { Dialog } from "~/app/ui/dialog";
import { Field, inputLook, SelectField } from "~/app/ui/field";
import { MiniProfilePicture } from "~/app/ui/mini-profile";
import { miniProfile } from "~/core/profile/mini";
import { profileOf } from "~/core/profile/profile";
import { newSession } from "~/core/session/start";
import { PURPOSES, type Purpose } from "~/core/session/schema";
import { clockText } from "~/core/lengths";
import { PURPOSE_WORDS } from "~/core/wording/words";
import { compile } from "~/core/timeline/compile";
import { drillById } from "~/library";
import { OUTLINES, outlineBlocks } from "~/library/outlines";
import { TEMPLATES, templateSession } from "~/library/templates";

/** Asks what a new session is for, and what it begins with: a few drills, a session that is worked out, or one of the coach's own. */
export function NewSessionDialog({
  open,
  onOpenChange,
  own,
  groups,
  group,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  own: readonly SessionSummary[];
  groups: readonly { id: string; name: string }[];
  group: string | undefined;
}) {
  const fetcher = useFetcher<Outcome>();
  const id = useId();
  const [purpose, setPurpose] = useState<Purpose>("before-training");
  const [beginning, setBeginning] = useState("empty");
  const [target, setTarget] = useState("");
  const fields = fetcher.data && "fields" in fetcher.data ? fetcher.data.fields : undefined;
  const chosen = beginning;
  const choose = (value: string) => {
    setBeginning(value);
    const template = TEMPLATES.find((t) => `template:${t.id}` === value);
    const mine = own.find((s) => `own:${s.id}` === value);
    if (template) {
      setPurpose(template.purpose);
      setTarget(clockText(template.target));
    } else if (mine) {
      setPurpose(mine.purpose);
      setTarget(mine.target === undefined ? "" : clockText(mine.target));
    }
  };
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="New session">
      <fetcher.Form method="post" action="/sessions" className="flex flex-col gap-4" noValidate>
        <input type="hidden" name="do" value="new" />
        <Field
          label="Name"
          name="title"
          placeholder="Tuesday before the boat"
          maxLength={120}
          autoFocus
          fault={fields?.["title"]}
        />
        <div className="flex flex-col gap-1">
          <label htmlFor={id} className="text-sm font-medium text-ink-soft">
            {" "}
            Start from{" "}
          </label>
          <select
            id={id}
            name="outline"
            value={chosen}
            onChange={(event) => choose(event.target.value)}
            className={inputLook}
          >
            <option value="empty">Empty: I add the drills</option>
            <optgroup label="A few drills">
              {OUTLINES.map((o) => (
                <option key={o.id} value={o.id}>
                  {o.words}
                </option>
              ))}
            </optgroup>
            <optgroup label="Complete, ready to run">
              {TEMPLATES.map((t) => (
                <option key={t.id} value={`template:${t.id}`}>
                  {t.name}, {clockText(t.target)}
                </option>
              ))}
            </optgroup>
            {own.length > 0 && (
              <optgroup label="Your templates">
                {own.map((s) => (
                  <option key={s.id} value={`own:${s.id}`}>
                    {s.title}, {clockText(s.totalSeconds)}
                  </option>
                ))}
              </optgroup>
            )}
          </select>
          <Preview chosen={chosen} own={own} />
        </div>
        <div className="grid grid-cols-2 gap-4">
          <SelectField
            label="Purpose"
            name="purpose"
            value={purpose}
            onChange={setPurpose}
            options={PURPOSES.map((value) => ({ value, words: PURPOSE_WORDS[value] }))}
          />
          <Field
            label="Target length"
            name="target"
            placeholder="12 min"
            inputMode="decimal"
            hint="Optional."
            fault={fields?.["target"]}
            value={target}
            onChange={(e) => setTarget(e.target.value)}
          />
        </div>
        {groups.length > 0 && (
          <SelectField
            key={group}
            label="Group"
            name="group"
            defaultValue={group ?? "as-begun"}
            options={[
              { value: "as-begun", words: own.length > 0 ? "from the template, or anyone" : "anyone" },
              ...groups.map((one) => ({ value: one.id, words: one.name })),
              ...(own.length > 0 ? [{ value: "", words: "anyone" }] : []),
            ]}
          />
        )}
        <div className="flex justify-end gap-2">
          <Link to="/sessions/draft" className="mr-auto self-center text-sm underline underline-offset-4">
            Or let Mapset draft it
          </Link>
          <Button onClick={() => onOpenChange(false)}>Cancel</Button>
          <Button kind="primary" type="submit" disabled={fetcher.state !== "idle"}>
            {fetcher.state === "idle" ? "Make session" : "Making it…"}
          </Button>
        </div>
      </fetcher.Form>
    </Dialog>
  );
}

/** What is begun with, as a small profile and in words. */
function Preview({ chosen, own }: { chosen: string; own: readonly SessionSummary[] }) {
  const shown = useMemo(() => {
    const mine = own.find((s) => `own:${s.id}` === chosen);
    if (mine?.profile)
      return { profile: mine.profile, words: `${mine.drills} drills, ${clockText(mine.totalSeconds)}` };
    const template = TEMPLATES.find((t) => `template:${t.id}` === chosen);
    const outline = OUTLINES.find((o) => o.id === chosen);
    const session = template
      ? templateSession(template)
      : outline && newSession({ title: "New", purpose: "off-day" }, outlineBlocks(outline));
    if (!session) return undefined;
    const timeline = compile(session, drillById);
    return {
      profile: miniProfile(profileOf(session, timeline), 208, 44),
      words: template
        ? template.about
        : `${session.blocks.flatMap((b) => b.items).length} drills, ${clockText(timeline.totalSeconds)}`,
    };
  }, [chosen, own]);
  if (!shown) return null;
  return (
    <div className="flex items-end gap-3 text-sm text-ink-soft">
      <MiniProfilePicture profile={shown.profile} className="h-12 w-44 shrink-0" />
      <p>{shown.words}</p>
    </div>
  );
}
