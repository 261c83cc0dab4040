import { useEffect, useRef } from "react";
import { Control } from "~/app/ui/player/stage-parts";

/** Asked once more before it is told: a slip of the thumb is no report. */
export function Hurts({
  drill,
  onYes,
  onNo,
}: {
  /** What they do just now; undefined for who rests. */
  drill: string | undefined;
  onYes: () => void;
  onNo: () => void;
}) {
  const asked = drill ? `Does ${drill} hurt?` : "Does something hurt?";
  const no = useRef<HTMLButtonElement>(null);
  useEffect(() => no.current?.focus(), []);
  return (
    <div
      role="alertdialog"
      aria-label={asked}
      aria-describedby="hurts"
      onKeyDown={(event) => event.key === "Escape" && onNo()}
      className="mx-auto flex w-full max-w-xl flex-col gap-2 rounded-lg border-l-4 border-plum bg-plum-wash px-4 py-3 short:gap-1 short:py-1.5"
    >
      <p className="text-lg font-semibold short:text-base">{asked}</p>
      <p id="hurts" className="short:text-sm">
        Your coach is told quietly; nobody else sees it.{drill && " You rest from it for today."}
      </p>
      <div className="grid grid-cols-2 gap-2">
        <Control ref={no} small label="No, go on" onClick={onNo}>
          No, go on
        </Control>
        <Control small label="Yes, tell my coach" className="border-plum font-semibold" onClick={onYes}>
          Yes, tell my coach
        </Control>
      </div>
    </div>
  );
}

/** What was told, and what to do: also where it has not got through yet. */
export function HurtTold({ waits }: { waits: boolean }) {
  return (
    <p role="status" className="mx-auto w-full max-w-xl border-l-4 border-plum pl-3 short:text-sm">
      {waits
        ? "Not sent yet: tell your coach yourself. It goes as soon as there is a connection."
        : "Your coach has been told."}{" "}
      Leave that movement out for now; stop altogether if it goes on, and see a licensed practitioner if it doesn’t go
      away.
    </p>
  );
}
