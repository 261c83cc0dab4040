import type { ReactNode } from "react";
import type { SettingConflict } from "./use-setting";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import type { SettingField } from "~/core/documents/setting";
import { capital, listWords } from "~/core/wording/words";

/** A line under the bar, until it is put away. */
export function Told({
  kind,
  onClose,
  children,
}: {
  kind: "trouble" | "news";
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <p
      role={kind === "trouble" ? "alert" : "status"}
      className={cx(
        "flex items-center gap-3 border-b border-line-water px-4 py-2 font-medium",
        kind === "trouble" ? "bg-plum-wash text-plum" : "bg-land",
      )}
    >
      <span className="min-w-0">{children}</span>
      <button type="button" className="underline underline-offset-4" onClick={onClose}>
        Close
      </button>
    </p>
  );
}

const FIELD_WORDS: Record<SettingField, string> = {
  groupId: "its group",
  demandId: "its sport profile",
  accepted: "the findings you accepted",
  locks: "what is locked for fitting",
  choices: "what single people do instead",
};

/** What was chosen here and elsewhere, too: nothing is written over until the coach has chosen. */
export function SettingNewer({
  conflict,
  groups,
  demands,
  onMine,
  onTheirs,
}: {
  conflict: SettingConflict;
  groups: readonly { id: string; group: { name: string } }[];
  demands: readonly { id: string; name: string }[];
  onMine: () => void;
  onTheirs: () => void;
}) {
  const { fields, values: setting } = conflict;
  const group = groups.find((one) => one.id === setting.groupId)?.group.name ?? "no group";
  const demand = demands.find((one) => one.id === setting.demandId)?.name ?? "none";
  const now: Partial<Record<SettingField, string>> = { groupId: group, demandId: demand };
  const words = fields.map((field) => FIELD_WORDS[field] + (now[field] === undefined ? "" : ` (now ${now[field]})`));
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line-water bg-plum-wash px-4 py-2"
    >
      <p className="min-w-60 flex-1 font-medium text-plum">
        {capital(listWords(words))} {fields.length === 1 ? "was" : "were"} changed on another page before yours was
        saved. Which should count?
      </p>
      <p className="flex gap-2">
        <Button onClick={onMine}>Use mine</Button>
        <Button onClick={onTheirs}>Use the other</Button>
      </p>
    </div>
  );
}
