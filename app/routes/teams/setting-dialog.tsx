import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import type { action } from "./route";
import { Button } from "~/app/ui/button";
import { Dialog } from "~/app/ui/dialog";
import { FieldNote } from "~/app/ui/field";
import { SettingFields } from "~/app/ui/setting-fields";
import type { GroupSetting } from "~/core/group/schema";
import type { Team } from "~/db/teams";

/** Kit, floor and caps of a group. What is not ticked is not looked at. */
export function SettingDialog({ team, onClose }: { team: Team; onClose: () => void }) {
  const fetcher = useFetcher<typeof action>();
  const [setting, setSetting] = useState<GroupSetting>(team.setting);
  useEffect(() => {
    if (fetcher.state === "idle" && fetcher.data && "done" in fetcher.data) onClose();
  }, [fetcher.state, fetcher.data, onClose]);
  const fault = fetcher.data && "fault" in fetcher.data ? String(fetcher.data.fault) : undefined;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={team.name} description="Said once, and every session for this group is looked over with it.">
      <SettingFields setting={setting} onChange={setSetting} />
      <FieldNote id="setting-fault" fault={fault} />
      <fetcher.Form method="post" className="flex justify-end gap-2">
        <input type="hidden" name="do" value="setting" />
        <input type="hidden" name="team" value={team.id} />
        <input type="hidden" name="setting" value={JSON.stringify(setting)} />
        <Button onClick={onClose}>Cancel</Button>
        <Button kind="primary" type="submit" disabled={fetcher.state !== "idle"}>
          Keep
        </Button>
      </fetcher.Form>
    </Dialog>
  );
}
