import { useMemo, useState } from "react";
import { Link } from "react-router";
import { DraftCard } from "./draft-card";
import type { Drafted, useDrafter } from "./use-drafter";
import { Button } from "~/app/ui/button";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { demandOf, type KeptRequest } from "~/core/draft/request";
import { LIMIT_WORDS } from "~/core/draft/explain";
import { withoutLimit } from "~/core/draft/relax";
import type { Relaxed } from "~/core/draft/draft";
import { arcWith, type OwnArcs } from "~/core/arc/own";
import type { Group } from "~/core/group/schema";
import { listWords } from "~/core/wording/words";

type Props = {
  drafted: Drafted | undefined;
  request: KeptRequest;
  onRequest: (request: KeptRequest) => void;
  onDraft: (request: KeptRequest) => void;
  onSwapped: ReturnType<typeof useDrafter>["setSwapped"];
  group: Group | undefined;
  demands: readonly SportProfile[];
  arcs: OwnArcs;
  onSwaps: ReturnType<typeof useDrafter>["swaps"];
};

const RELAX_WORDS: Readonly<Record<Relaxed["limit"], string>> = {
  kit: "Without the kit limits",
  "protected-areas": "Without the protected areas",
  "balance-support": "With something to hold on to",
  "mixed-group": "Without allowing for mixed abilities",
  caps: "Without the caps",
  floor: "With more floor",
  lanes: "Without waiting in lines",
  "for-whom": "For adults",
  ground: "On other ground",
  methods: "With any method",
  effort: "With effort ramps",
  never: "With the drills you left out",
  must: "Without the drills you put in",
  lift: "With another lift",
  differ: "Repeating what they did lately",
  target: "At half as long again",
  interval: "Without the shared clock",
};
/** What is not offered at the press of a button: the coach has to change it on purpose. */
const BY_HAND: ReadonlySet<Relaxed["limit"]> = new Set(["protected-areas", "ground", "for-whom"]);

/** Up to three drafts side by side, or why there is none and what would help. */
export function Answer({ drafted, request, onRequest, onDraft, onSwapped, group, demands, arcs, onSwaps }: Props) {
  const [showRoses, setShowRoses] = useState(true);
  const purpose = drafted?.request.purpose ?? request.purpose;
  const arc = useMemo(() => arcWith(purpose, arcs[purpose]), [purpose, arcs]);
  if (!drafted) return null;
  const { answer } = drafted;
  if (answer.kind === "failed")
    return (
      <p role="alert" className="rounded-md border-l-4 border-plum bg-plum-wash px-4 py-3">
        {answer.why} Nothing is lost: change the request or try again.
      </p>
    );
  if (answer.kind === "impossible")
    return (
      <section className="rounded-md border-l-4 border-plum bg-plum-wash px-4 py-3">
        <h2 className="font-semibold text-plum">{answer.why}</h2>
        {answer.relax.length === 0 ? (
          <p>No single limit is in the way. Give it more minutes, or fewer must-have drills.</p>
        ) : (
          <ul className="mt-2 flex flex-col gap-1.5">
            {answer.relax.map(({ limit, fit }) => (
              <li key={limit} className="flex flex-wrap items-center gap-3">
                <span>
                  {RELAX_WORDS[limit]} you’d get one that meets{" "}
                  <span className="font-semibold">{Math.round(fit * 100)} %</span> of needs.
                </span>
                {BY_HAND.has(limit) ? (
                  <span className="text-sm text-ink-soft">
                    Ask the people first. Change it in the sentence above, or in{" "}
                    <Link to="/groups" className="underline underline-offset-4">
                      the group
                    </Link>
                    .
                  </span>
                ) : (
                  <Button size="small" onClick={() => onDraft(withoutLimit(request, limit, group?.setting))}>
                    {" "}
                    Draft it that way{" "}
                  </Button>
                )}
              </li>
            ))}
          </ul>
        )}
      </section>
    );
  const demand = demandOf(drafted.request.demand, (id) => demands.find((d) => d.id === id));
  return (
    <section aria-label="Drafts" className="flex flex-col gap-3">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 text-sm text-ink-soft">
        <p role="status">
          {answer.drafts.length === 1 ? "One draft" : `${["", "", "Two", "Three"][answer.drafts.length]} drafts`} in{" "}
          {(drafted.ms / 1000).toFixed(1)} s. No session for this request can meet more than{" "}
          <span className="font-semibold text-ink">{Math.round(answer.drafts[0]!.bound * 100)} %</span>of the needs.
        </p>
        {answer.notes.map((note) => (
          <p key={note}>{note}</p>
        ))}
        {answer.kept.length > 0 && (
          <p>Left out: {listWords(answer.kept.map(({ limit, drills }) => `${drills} by ${LIMIT_WORDS[limit]}`))}.</p>
        )}
        <p className="ml-auto text-xs text-ink-faint">
          Not medical advice. Pain, numbness, tingling or dizziness: stop, step down a level, or leave it out.
        </p>
      </div>
      <div className="grid items-start gap-4 lg:grid-cols-3">
        {answer.drafts.map((one, k) => (
          <DraftCard
            key={`${drafted.ms} ${k}`}
            number={k + 1}
            draft={one}
            swapped={drafted.swapped[k] ?? []}
            onSwapped={(versions) => onSwapped(k, versions)}
            asked={drafted.request}
            arc={arc}
            demand={demand}
            beside={drafted.beside}
            request={request}
            onRequest={onRequest}
            onSwaps={onSwaps}
            showRoses={showRoses}
            onShowRoses={setShowRoses}
          />
        ))}
      </div>
    </section>
  );
}
