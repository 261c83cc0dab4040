import { useState, type ReactNode } from "react";
import { Link } from "react-router";
import type { Card } from "./data.server";
import { MovingStill } from "~/app/ui/figure/moving-still";

/** One drill in the list; it moves while it is looked at. */
export function DrillCard({ drill, children }: { drill: Card; children?: ReactNode }) {
  const [looked, setLooked] = useState(false);
  return (
    <li
      className="relative flex flex-col rounded-lg border border-line bg-land hover:border-ink-faint"
      onPointerEnter={() => setLooked(true)}
      onPointerLeave={() => setLooked(false)}
      onFocus={() => setLooked(true)}
      onBlur={() => setLooked(false)}
    >
      {drill.drawn ? (
        <MovingStill
          drill={drill.id}
          name={drill.name}
          tempo={drill.tempo}
          alternating={drill.alternating}
          looked={looked}
          className="m-1 rounded-md"
        />
      ) : (
        <p className="m-1 grid aspect-square place-items-center px-4 text-center text-sm text-ink-faint">
          Not drawn yet
        </p>
      )}
      <div className="flex flex-1 flex-col gap-0.5 border-t border-line px-2.5 py-2">
        <h2 className="leading-tight font-semibold">
          <Link to={`/library/${drill.id}`} className="after:absolute after:inset-0 hover:underline">
            {drill.name}
          </Link>
        </h2>
        <p className="text-sm text-ink-soft">{drill.works}</p>
        <p className="mt-auto pt-1 text-xs text-ink-faint">
          {drill.own && <span className="font-semibold text-kelp">yours · </span>}
          {drill.line} · {drill.dose}
          {drill.kit && ` · ${drill.kit}`}
        </p>
        {children}
      </div>
    </li>
  );
}
