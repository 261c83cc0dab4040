import { Link } from "react-router";
import type { UnreadableRow } from "~/db/unreadable";

/** What of a list can't be read, each leading to what can be done with it; nothing where all of it can. */
export function UnreadableLines({ rows }: { rows: readonly Pick<UnreadableRow, "kind" | "id" | "title" | "newer">[] }) {
  if (rows.length === 0) return null;
  return (
    <ul className="flex flex-col gap-1">
      {rows.map(({ kind, id, title, newer }) => (
        <li key={id} className="flex flex-wrap gap-x-2 rounded-md border border-plum bg-plum-wash px-3 py-1.5 text-sm">
          <span className="font-medium wrap-anywhere">{title}</span>
          <span className="text-plum">{newer ? "was made by a newer Mapset" : "can’t be read"}</span>
          <Link to={`/unreadable/${kind}/${id}`} className="underline underline-offset-4">
            What to do
          </Link>
        </li>
      ))}
    </ul>
  );
}
