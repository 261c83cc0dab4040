import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { Button } from "./button";
import { Dialog } from "./dialog";
import { FieldNote, SelectField } from "./field";
import { useZone } from "./zone";
import { SettingFields } from "./setting-fields";
import { zoneChoices, zoneWords } from "~/core/clock/zone";
import type { GroupSetting } from "~/core/group/schema";

/** Kit, floor and caps of a group. What is not ticked is not looked at. */
export function SettingDialog({
  group,
  only,
  onClose,
  onKept,
}: {
  group: { id: string; name: string; setting: GroupSetting };
  only?: "kit";
  onClose: () => void;
  onKept?: (setting: GroupSetting) => void;
}) {
  const club = useZone();
  const fetcher = useFetcher<{ done: true } | { fault?: string | undefined }>();
  const [setting, setSetting] = useState<GroupSetting>(group.setting);
  useEffect(() => {
    if (fetcher.state !== "idle" || !fetcher.data || !("done" in fetcher.data)) return;
    onKept?.(setting);
    onClose();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- told once it is kept
  }, [fetcher.state, fetcher.data]);
  const fault = fetcher.data && "fault" in fetcher.data ? String(fetcher.data.fault) : undefined;
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={group.name}
      description="Say it once, and every session for this group is checked against it."
    >
      <SettingFields setting={setting} onChange={setSetting} {...(only && { only })} />
      {!only && (
        <SelectField
          label="Their time zone"
          value={setting.zone ?? ""}
          options={[{ value: "", words: `The club’s: ${zoneWords(club)}` }, ...zoneChoices(setting.zone)]}
          onChange={(zone) => setSetting(({ zone: _, ...rest }) => (zone ? { ...rest, zone } : rest))}
        />
      )}
      <FieldNote id="setting-fault" fault={fault} />
      <fetcher.Form method="post" action="/groups" className="flex justify-end gap-2">
        <input type="hidden" name="do" value="setting" />
        <input type="hidden" name="group" value={group.id} />
        <input type="hidden" name="setting" value={JSON.stringify(setting)} />
        <Button onClick={onClose}>Cancel</Button>
        <Button kind="primary" type="submit" disabled={fetcher.state !== "idle"}>
          {" "}
          Save{" "}
        </Button>
      </fetcher.Form>
    </Dialog>
  );
}
