import { CircleCheck, TriangleAlert } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import type { Asked } from "./actions.server";
import { MOMENT } from "./moment";
import { Ratings } from "./ratings";
import { Button, IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { Confirm } from "~/app/ui/dialog";
import { Dots } from "~/app/ui/dots";
import { MayChange } from "~/app/ui/may-change";
import { Menu } from "~/app/ui/menu";
import { When } from "~/app/ui/when";
import type { PainPlace } from "~/core/checkin/pain-place";
import { isLate } from "~/core/checkin/moments";
import { clockText } from "~/core/lengths";
import { JOINT_WORDS } from "~/core/vocabulary/motions";
import type { FeedbackRow } from "~/db/feedback";

export type Change = (run: string, what: Asked) => void;

/** Where it hurt, all of it. */
const wheresOf = ({ checkIn }: FeedbackRow): string =>
  (checkIn?.pains ?? []).flatMap(({ where }) => (where ? [where] : [])).join("; ");

export function PainCard({ row, onChange }: { row: FeedbackRow; onChange: Change }) {
  return (
    <article className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-lg border border-l-4 border-plum/50 border-l-plum bg-plum-wash px-4 py-3">
      <div className="min-w-60 flex-1">
        <p className="break-words">
          <span className="text-lg font-semibold">{row.name}</span>
          <NotTheirs row={row} />
          <span className="text-ink-soft">
            {" "}
            · {row.sessionTitle}, <Moment row={row} />
          </span>
        </p>
        <ul className="flex flex-col gap-1">
          {(row.checkIn?.pains ?? []).map(({ id, where, place, seenAt }) => (
            <li key={id} className={cx("break-words", seenAt && "text-ink-soft")}>
              <p className="text-lg">
                {where ?? "Didn’t say where."}
                {seenAt && <span className="text-base"> (spoken of)</span>}
              </p>
              {place && (
                <p>
                  In <PainDrill at={place} />
                </p>
              )}
            </li>
          ))}
        </ul>
        {row.checkIn?.note && <p className="break-words text-ink-soft">“{row.checkIn.note}”</p>}
      </div>
      <MayChange>
        <Button onClick={() => onChange(row.runId, "seen")}>I have spoken to them</Button>
        <RowMenu row={row} onChange={onChange} />
      </MayChange>
    </article>
  );
}

/** The drill it hurt in, and when in the session that was. */
function PainDrill({ at }: { at: PainPlace }) {
  return (
    <>
      <Link to={`/library/${at.drill}`} className="font-medium underline decoration-line underline-offset-4">
        {at.name}
      </Link>
      , drill {at.number},{" "}
      {at.exact
        ? `${clockText(at.second)} into the session`
        : at.second > 0
          ? `which begins ${clockText(at.second)} into the session`
          : "the first of the session"}
    </>
  );
}

const NotTheirs = ({ row }: { row: FeedbackRow }) =>
  row.notTheirs === null ? null : <span className="font-normal text-ink-soft"> (not {row.notTheirs}’s)</span>;

/** What can be done with a report; taking one off that tells of pain is asked about first. */
function RowMenu({ row, onChange }: { row: FeedbackRow; onChange: Change }) {
  const [asking, setAsking] = useState(false);
  const pain = row.checkIn?.pain === true;
  return (
    <>
      <Menu
        trigger={
          <IconButton label={`More about ${row.name}’s report`} className="size-9">
            <Dots />
          </IconButton>
        }
        entries={() => [
          ...(pain && row.checkIn?.seenAt
            ? [{ words: "I still have to speak to them", onSelect: () => onChange(row.runId, "unseen") }]
            : []),
          row.notTheirs === null
            ? { words: `Not ${row.name}’s`, onSelect: () => onChange(row.runId, "not theirs") }
            : { words: `It is ${row.notTheirs}’s`, onSelect: () => onChange(row.runId, "theirs") },
          "line" as const,
          {
            words: "Remove from the list",
            danger: true,
            onSelect: () => (pain ? setAsking(true) : onChange(row.runId, "remove")),
          },
        ]}
      />
      {asking && (
        <Confirm
          open
          onOpenChange={setAsking}
          title="Remove this report of pain?"
          text={`${row.name}: ${wheresOf(row) || "didn’t say where"}. Only if you know it isn’t real, such as a joke.`}
          action="Remove"
          onConfirm={() => onChange(row.runId, "remove")}
        />
      )}
    </>
  );
}

export function RunRow({ row, showSession, onChange }: { row: FeedbackRow; showSession: boolean; onChange: Change }) {
  const { checkIn } = row;
  return (
    <li>
      <div className="min-w-0">
        <p className="font-semibold wrap-anywhere">
          {row.name}
          <NotTheirs row={row} />
          {checkIn?.pain && <TriangleAlert size={14} className="ml-1.5 inline text-plum" aria-label="pain reported" />}
          {checkIn?.pain && checkIn.seenAt && (
            <CircleCheck size={14} className="ml-1 inline text-kelp" aria-label="spoken to" />
          )}
        </p>
        <p className="text-sm text-ink-faint wrap-anywhere">
          <Moment row={row} />
          {`${showSession ? ` · ${row.sessionTitle}` : ""} · edition ${row.editionNumber}`}
        </p>
      </div>
      <Done row={row} />
      <p className="text-center max-lg:order-2 max-lg:text-left">
        {checkIn?.effort == null ? (
          <span className="text-sm text-ink-faint">no rating</span>
        ) : (
          <>
            <span className="text-sm text-ink-faint">effort </span>
            <span className="clock-type text-2xl">{checkIn.effort}</span>
          </>
        )}
      </p>
      <div className="max-lg:order-2 max-lg:col-span-3">
        <Ratings tightness={checkIn?.tightness ?? []} words={JOINT_WORDS} pain={checkIn?.pain ?? false} />
      </div>
      <p className="min-w-0 text-sm break-words text-ink-soft max-lg:order-2 max-lg:col-span-3">
        {checkIn
          ? [
              ...checkIn.pains.map(({ where, place }) =>
                [where ?? "pain, didn’t say where", place && `in ${place.name}`].filter(Boolean).join(" "),
              ),
              checkIn.note ?? "",
            ]
              .filter(Boolean)
              .join(" · ")
          : "no check-in yet"}
      </p>
      <MayChange>
        <RowMenu row={row} onChange={onChange} />
      </MayChange>
    </li>
  );
}

function Done({ row }: { row: FeedbackRow }) {
  const per = Math.round(row.shareDone * 100);
  return (
    <div className="flex items-center gap-2">
      <span className="flex h-2 w-15 overflow-hidden rounded-xs bg-depth-1" aria-hidden>
        <span className={row.finishedAt ? "bg-kelp" : "bg-depth-4"} style={{ width: `${per}%` }} />
      </span>
      <span className="text-sm whitespace-nowrap">
        {`${per} %`}
        <span className="sr-only">{` of ${clockText(row.totalSeconds)}${row.finishedAt ? ", to the end" : ""}`}</span>
      </span>
    </div>
  );
}

/** When it was done; and when it arrived, where a phone had no connection until later. */
function Moment({ row }: { row: FeedbackRow }) {
  const zone = row.zone ?? undefined;
  const { sentAt: said, arrivedAt: arrived } = row.checkIn ?? {
    sentAt: row.finishedAt ?? row.startedAt,
    arrivedAt: row.arrivedAt,
  };
  return (
    <>
      <When at={row.startedAt} as={MOMENT} zone={zone} />
      {isLate(said, arrived) && (
        <>
          , arrived <When at={arrived} as="d MMM, HH:mm" zone={zone} />
        </>
      )}
    </>
  );
}
