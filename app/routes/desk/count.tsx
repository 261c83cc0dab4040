import { cx } from "~/app/ui/classes";

/** How many findings stand open; filled when one of them is not to be run like this. */
export function Count({ findings }: { findings: readonly { severity: string }[] }) {
  const stop = findings.some((one) => one.severity === "stop");
  const hint = findings.every((one) => one.severity === "hint");
  return (
    <span
      className={cx(
        "inline-flex min-w-5 justify-center rounded-full px-1.5 text-xs font-semibold",
        stop ? "bg-plum text-land" : hint ? "border border-line text-ink-soft" : "border border-plum text-plum",
      )}
    >
      {findings.length}
    </span>
  );
}
