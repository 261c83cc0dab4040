import { Plus } from "lucide-react";
import { Link, useSubmit } from "react-router";
import type { AddedTo } from "./add-to.server";
import { Button } from "~/app/ui/button";
import { Menu } from "~/app/ui/menu";

/** Puts the drill at the end of one of the coach's sessions, and leads there. */
export function AddTo({
  sessions,
  answer,
}: {
  sessions: readonly { id: string; title: string }[];
  answer: AddedTo | null | undefined;
}) {
  const submit = useSubmit();
  return (
    <div className="flex flex-col items-start gap-1">
      <Menu
        trigger={
          <Button>
            <Plus size={16} aria-hidden /> Add to a session
          </Button>
        }
        entries={sessions.map((one) => ({
          words: one.title,
          onSelect: () => void submit({ do: "add", session: one.id }, { method: "post" }),
        }))}
      />
      <p role="status" className="max-w-72 text-sm">
        {answer && "added" in answer && (
          <>
            Added at the end of{" "}
            <Link
              to={`/sessions/${answer.added.id}`}
              className="font-medium underline underline-offset-2 wrap-anywhere"
            >
              {answer.added.title}
            </Link>
            .
          </>
        )}
        {answer && "refused" in answer && <span className="font-medium text-plum">{answer.refused}</span>}
      </p>
    </div>
  );
}
