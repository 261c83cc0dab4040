import { Download, Trash2 } from "lucide-react";
import { useState } from "react";
import { useFetcher } from "react-router";
import type { ClubOutcome } from "./actions.server";
import { Said } from "./asked";
import { ReadArchive } from "./read-archive";
import { Button } from "~/app/ui/button";
import { Confirm, Dialog } from "~/app/ui/dialog";
import { Field } from "~/app/ui/field";
import { Part } from "~/app/ui/part";
import { FEWEST_MONTHS, MOST_MONTHS } from "~/core/club/keeping";
import type { Holdings } from "~/db/erase";

const many = (n: number, one: string, more: string) =>
  n === 1 ? `one ${one}` : `${n.toLocaleString("en-GB")} ${more}`;

/** How much there is, in words. */
const holdingWords = ({ sessions, people, reports }: Holdings) =>
  `${many(sessions, "session", "sessions")}, ${many(people, "person", "people")} and ${many(reports, "report", "reports")}`;

/** For how long reports are kept. Fewer months are asked about first, where something would go. */
export function KeepReports({ months }: { months: number }) {
  const fetcher = useFetcher<ClubOutcome>();
  const [answered, setAnswered] = useState<unknown>();
  const outcome = fetcher.state === "idle" ? fetcher.data : undefined;
  const asks = outcome && "asks" in outcome && outcome !== answered ? outcome.asks : undefined;
  return (
    <Part
      title="How long reports are kept"
      note="Older runs and check-ins are deleted. Pain that nobody has seen to never is."
    >
      <fetcher.Form method="post" className="flex max-w-md flex-col gap-3" noValidate>
        <input type="hidden" name="do" value="keep" />
        <Field
          label="Months"
          name="months"
          type="number"
          inputMode="numeric"
          min={FEWEST_MONTHS}
          max={MOST_MONTHS}
          defaultValue={months}
          key={months}
          required
          className="max-w-32"
        />
        <p className="flex flex-wrap items-center gap-3">
          <Button type="submit" disabled={fetcher.state !== "idle"}>
            Save months
          </Button>
          <Said outcome={outcome} />
        </p>
      </fetcher.Form>
      {asks && (
        <Confirm
          open
          onOpenChange={(open) => !open && setAnswered(outcome)}
          title={`Keep reports for ${asks.months === 1 ? "a month" : `${asks.months} months`}?`}
          action="Delete what is older"
          keep="Cancel"
          text={`${asks.reports === 1 ? "One report is" : `${asks.reports.toLocaleString("en-GB")} reports are`} older, and would be deleted within the hour. This can’t be undone; you can download everything first.`}
          onConfirm={() => void fetcher.submit({ do: "keep", months: asks.months, sure: "yes" }, { method: "post" })}
        />
      )}
    </Part>
  );
}

/** Everything as one file, and one read back. */
export function ArchivePart({ empty }: { empty: boolean }) {
  return (
    <Part
      title="Everything as one file"
      note="People, sessions, drills, links and reports, in open formats. It has names and reports of pain in it: keep it safe."
    >
      <a
        href="/club/archive"
        download
        className="inline-flex min-h-9 items-center gap-1.5 self-start rounded-md border border-line bg-land px-3 py-1.5 text-[0.95rem] font-medium hover:bg-land-deep"
      >
        <Download size={16} aria-hidden /> Download everything
      </a>
      <ReadArchive empty={empty} />
    </Part>
  );
}

/** Erasing the club, asked a second time by its name. */
export function EraseClub({ clubName, holdings, others }: { clubName: string; holdings: Holdings; others: number }) {
  const fetcher = useFetcher<ClubOutcome>();
  const [asking, setAsking] = useState(false);
  const fault = fetcher.data && "fault" in fetcher.data ? fetcher.data.fault : undefined;
  return (
    <Part title="Erase the club" note="For when the club is no more. Accounts stay, without it.">
      <Button className="self-start" onClick={() => setAsking(true)}>
        <Trash2 size={16} aria-hidden /> Erase {clubName}…
      </Button>
      <Dialog
        open={asking}
        onOpenChange={setAsking}
        title={`Erase ${clubName}?`}
        description="This can’t be undone. Download everything first if you might want any of it again."
      >
        <p className="text-ink-soft">
          {holdingWords(holdings)} are deleted, with every drill, group and profile. Links stop working at once.
          {others > 0 && ` ${many(others, "other coach loses", "other coaches lose")} it, too.`}
        </p>
        {holdings.unseenPain > 0 && (
          <p className="font-medium text-plum">
            {holdings.unseenPain === 1 ? "One report" : `${holdings.unseenPain} reports`} of pain that nobody has seen
            to would go with it. Speak to them first.
          </p>
        )}
        <fetcher.Form method="post" className="flex flex-col gap-4" noValidate>
          <input type="hidden" name="do" value="erase" />
          <Field
            label={`Write “${clubName}” to erase it`}
            name="name"
            autoComplete="off"
            maxLength={80}
            fault={fault}
          />
          <div className="flex justify-end gap-2">
            <Button onClick={() => setAsking(false)}>Cancel</Button>
            <Button kind="danger" type="submit" disabled={fetcher.state !== "idle"}>
              Erase for good
            </Button>
          </div>
        </fetcher.Form>
      </Dialog>
    </Part>
  );
}
