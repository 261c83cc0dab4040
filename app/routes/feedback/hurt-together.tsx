import { TriangleAlert } from "lucide-react";
import { Link } from "react-router";
import type { HurtDrill } from "~/db/feedback";

/** So many days are looked back on for several people who were hurt in one drill. */
export const TOGETHER_DAYS = 28;

/** Says of drills that several people were hurt in them: what one report does not show. */
export function HurtTogether({ drills, here = false }: { drills: readonly HurtDrill[]; here?: boolean }) {
  if (drills.length === 0) return null;
  return (
    <ul className="my-1.5 flex flex-col gap-1.5">
      {drills.map(({ drill, name, people }) => (
        <li key={drill} className="flex gap-2 border-l-4 border-plum pl-3 font-medium">
          <TriangleAlert size={18} className="mt-0.5 shrink-0 text-plum" aria-hidden />
          <span className="break-words">
            {people} people were hurt in{" "}
            {here ? (
              "this drill"
            ) : (
              <Link to={`/library/${drill}`} className="underline underline-offset-4">
                {name}
              </Link>
            )}{" "}
            in the last {TOGETHER_DAYS} days. Look at how it is done before anybody does it again.{" "}
            {here && (
              <Link to="/feedback?only=pain" className="underline underline-offset-4">
                What they said
              </Link>
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}
