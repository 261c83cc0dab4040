import { useState } from "react";
import { changesBetween } from "~/core/wording/changes";
import { sameJson } from "~/core/same-json";
import type { SessionPlan } from "~/core/session/schema";

/** What is shown of a session that is looked over. */
export type Looked = {
  seen: string;
  doc: SessionPlan;
  items: readonly { drill: string; name: string }[];
  stops: readonly string[];
  accepted: readonly { says: string; reason: string }[];
  choices: readonly unknown[];
};

/**
 * What is otherwise than when this page was opened: in another tab, by another coach, or because of whom it is for. `refused`
 * says that it was not handed out because of that; a page that was loaded anew with it cannot say what it was.
 */
export function ChangedSince({ now, refused }: { now: Looked; refused: boolean }) {
  const [looked, setLooked] = useState(now);
  const [read, setRead] = useState(false);
  if (looked.seen === now.seen && (!refused || read)) return null;
  const names = new Map([...looked.items, ...now.items].map((item) => [item.drill, item.name]));
  const lines = [
    ...changesBetween(looked.doc, now.doc, (id) => names.get(id) ?? id),
    ...(sameJson(looked.choices, now.choices) ? [] : ["What was chosen for single people"]),
    ...(sameJson(looked.accepted, now.accepted) ? [] : ["The accepted findings and why"]),
    ...now.stops.filter((says) => !looked.stops.includes(says)),
  ];
  return (
    <div
      role="alert"
      ref={(shown) => shown?.scrollIntoView({ block: "nearest" })}
      className="rounded-md border-l-4 border-plum bg-plum-wash px-3 py-2 text-sm"
    >
      <p className="font-semibold text-plum">
        This has changed since you opened the page. Nothing was handed out: look it over again first.
      </p>
      {looked.seen !== now.seen && (
        <ul className="mt-1 list-disc pl-5">
          {(lines.length > 0 ? lines : ["The people it is for, or a drill’s own words"]).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <button
        type="button"
        className="mt-1 min-h-8 underline underline-offset-4"
        onClick={() => {
          setLooked(now);
          setRead(true);
        }}
      >
        I have looked it over
      </button>
    </div>
  );
}
