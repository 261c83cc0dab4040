import { Gauge } from "lucide-react";
import { askClass } from "./quick-asking";
import { useLearnt } from "~/app/ui/use-learnt";
import { forGroup } from "~/core/arc/people";
import { usualPace } from "~/core/dose/pace";
import type { KeptRequest } from "~/core/draft/request";
import type { Group } from "~/core/group/schema";
import { isUsed, learntWords, offersBefore } from "~/core/live/learnt";

/** What the group’s classes taught of its pace: planned with from the first, if that is asked for. */
export function PaceAsking({
  request,
  groupId,
  group,
  onRequest,
}: {
  request: KeptRequest;
  groupId: string | null;
  group: Group | undefined;
  onRequest: (request: KeptRequest) => void;
}) {
  const learnt = useLearnt(groupId);
  const usual = usualPace(request.pace);
  const offers = group ? offersBefore(usual, learnt, forGroup(group).moves) : [];
  if (!group || offers.length === 0) return null;
  const on = isUsed(request.pace, offers);
  const theirs = Object.assign({}, ...offers.map(({ pace }) => pace)) as Partial<KeptRequest["pace"]>;
  return (
    <div role="group" aria-label="Their pace" className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-2">
      <Gauge size={16} className="shrink-0 text-ink-faint" aria-hidden />
      <p className="min-w-0 flex-1 basis-56 text-sm text-ink-soft">
        {offers.map((offer) => learntWords(group.name, offer.learnt)).join(" ")}
      </p>
      <button
        type="button"
        aria-pressed={on}
        onClick={() => onRequest({ ...request, pace: on ? usual : { ...request.pace, ...theirs } })}
        className={askClass(on)}
      >
        Plan with that
      </button>
    </div>
  );
}
