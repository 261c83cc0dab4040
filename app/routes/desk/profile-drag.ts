import type { Place } from "./use-desk";
import type { Dose } from "~/core/dose/kinds";
import type { WorkSegment } from "~/core/timeline/types";

/** What the pointer is doing once it has moved a little. */
export type Drag =
  | { kind: "press"; x: number; at: number; place: Place | undefined; edge: WorkSegment | undefined; top: boolean }
  | { kind: "move"; place: Place; at: number }
  | { kind: "edge"; segment: WorkSegment; place: Place; dose: Dose; before: Dose }
  | { kind: "box"; from: number; to: number };
