import { MOTION_FACTS, type Motion } from "~/core/vocabulary/motions";

/** A motion by the field's term, with the same in plain words beside it. */
export function MotionWords({ motion }: { motion: Motion }) {
  const { words, plain } = MOTION_FACTS[motion];
  return (
    <>
      {words} <span className="font-normal text-ink-faint">({plain})</span>
    </>
  );
}
