import type { KindEditor } from "./kind-editor";
import type { TimeDose } from "~/core/dose/time";

/** A time has nothing besides its seconds. */
export const TimeEditor: KindEditor<TimeDose> = () => null;
