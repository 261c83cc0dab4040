import { BreathsEditor } from "./breaths";
import { EffortEditor } from "./effort";
import type { KindEditor } from "./kind-editor";
import { LadderEditor } from "./ladder";
import { RepsEditor } from "./reps";
import { TimeEditor } from "./time";
import type { Dose, DoseKind } from "~/core/dose/kinds";

/** The editor of each kind of dose, by its name in the registry of kinds. */
const EDITORS: { [K in DoseKind]: KindEditor<Extract<Dose, { kind: K }>> } = {
  time: TimeEditor,
  reps: RepsEditor,
  breaths: BreathsEditor,
  effort: EffortEditor,
  ladder: LadderEditor,
};

/** The editor for a dose. It takes doses of that kind only, and is found by it. */
export const editorOf = ({ kind }: Dose): KindEditor<Dose> => EDITORS[kind] as KindEditor<Dose>;
