import { CircleAlert, Lightbulb, OctagonX } from "lucide-react";
import type { Severity } from "~/core/audit/types";

const MARKS = { stop: OctagonX, warn: CircleAlert, hint: Lightbulb } as const;

/** The mark of a finding's seriousness; the words beside it or its button's name say it too. */
export function SeverityMark({ severity, size = 16 }: { severity: Severity; size?: number }) {
  const Icon = MARKS[severity];
  return (
    <Icon
      size={size}
      aria-hidden
      className={severity === "hint" ? "text-ink-faint" : severity === "warn" ? "text-plum" : "fill-plum text-land"}
    />
  );
}
