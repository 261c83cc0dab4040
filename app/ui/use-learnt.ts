import { useEffect, useState } from "react";
import type { Learnt } from "~/core/live/learnt";

const NOTHING: readonly Learnt[] = [];

/** What a group’s classes taught of its pace; nothing until it is known, or without a connection. */
export function useLearnt(groupId: string | null): readonly Learnt[] {
  const [known, setKnown] = useState<{ of: string; learnt: readonly Learnt[] }>();
  useEffect(() => {
    if (groupId === null) return;
    let over = false;
    fetch(`/groups/${groupId}/pace`)
      .then((answer) => (answer.ok ? answer.json() : NOTHING))
      .then(
        (learnt) => !over && setKnown({ of: groupId, learnt: learnt as Learnt[] }),
        // Without a connection it is planned as it is.
        () => undefined,
      );
    return () => {
      over = true;
    };
  }, [groupId]);
  return known && known.of === groupId ? known.learnt : NOTHING;
}
