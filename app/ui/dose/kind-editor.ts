import type { Dose } from "~/core/dose/kinds";
import type { Pace } from "~/core/dose/pace";
import type { DrillLevel } from "~/core/drills/schema";

/** What belongs to one kind of dose besides its main number. `key` names what is changed, so that turning one number is one step of undo. */
export type KindEditor<D extends Dose> = (props: {
  dose: D;
  level: DrillLevel;
  pace: Pace;
  change: (next: D, key: string) => void;
}) => React.ReactNode;
