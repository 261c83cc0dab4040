import { Gauge } from "lucide-react";
import { useMemo } from "react";
import type { Desk } from "./use-desk";
import { Button } from "~/app/ui/button";
import { useDrills } from "~/app/ui/drills";
import { useLearnt } from "~/app/ui/use-learnt";
import { learntWords, offersFor, offerWords, KIND_WORDS } from "~/core/live/learnt";
import { editPace } from "~/core/session/edits";

/** What the group’s classes taught of its pace, offered where it would make a difference to this session. */
export function PaceOffers({ desk, groupId, name }: { desk: Desk; groupId: string; name: string }) {
  const learnt = useLearnt(groupId);
  const drills = useDrills();
  const offers = useMemo(() => offersFor(desk.session, drills, learnt), [desk.session, drills, learnt]);
  if (offers.length === 0) return null;
  return (
    <section
      aria-label="The pace of this group"
      className="flex flex-col gap-2 rounded-lg border border-line bg-land p-3"
    >
      {offers.map((offer) => (
        <div key={offer.learnt.kind} className="flex flex-col gap-2">
          <p className="flex items-baseline gap-2">
            <Gauge size={16} className="shrink-0 translate-y-0.5" aria-hidden />
            <span>
              {learntWords(name, offer.learnt)} {offerWords(offer)}
            </span>
          </p>
          <Button
            className="self-start"
            onClick={() =>
              desk.change(
                (s) => editPace(s, offer.pace),
                `${name}’s pace for ${KIND_WORDS[offer.learnt.kind].doing}`,
                `pace ${offer.learnt.kind}`,
              )
            }
          >
            Use it
          </Button>
        </div>
      ))}
    </section>
  );
}
