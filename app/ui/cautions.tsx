import { Ban, Hand, TriangleAlert } from "lucide-react";
import { cautionsByKind, CAUTION_WORDS } from "~/core/wording/cautions";
import type { Caution } from "~/core/drills/schema";
import { cx } from "~/app/ui/classes";

const SIGNS: Readonly<Record<Caution["kind"], typeof Ban>> = {
  "leave out": Ban,
  "take care": TriangleAlert,
  "stop now": Hand,
};

type Shown = { kind?: Caution["kind"] | undefined; text: string; drill?: string };

/** Cautions under what they ask, each with its sign; with the drill they are of, where there are several. */
export function CautionList({ cautions, className }: { cautions: readonly Shown[]; className?: string }) {
  return (
    <dl className={cx("flex flex-col gap-2", className)}>
      {cautionsByKind(cautions).map(({ kind, of }) => {
        const Sign = SIGNS[kind];
        return (
          <div key={kind}>
            <dt className="flex items-center gap-1.5 font-semibold">
              <Sign size={15} className="shrink-0 text-plum" aria-hidden /> {CAUTION_WORDS[kind]}
            </dt>
            {of.map(({ drill, text }) => (
              <dd key={`${drill} ${text}`} className="mt-0.5">
                {drill !== undefined && <span className="text-ink-soft">{drill}:</span>} {text}
              </dd>
            ))}
          </div>
        );
      })}
    </dl>
  );
}
