import { secondsText } from "~/core/lengths";
import type { Renewed } from "~/core/timeline/renewed";

/** What is said when an old session is changed for the first time and its length changes with the way it is reckoned. */
export function renewedWords({ by, kit }: Renewed): string {
  const rest = by - kit;
  const why = [
    ...(kit !== 0 ? ["chairs, walls, boxes and the like are now set up once, not again for every drill"] : []),
    ...(Math.abs(rest) > 1e-6 ? ["a change of sides now counts wherever the legs change"] : []),
  ].join(", and ");
  return `This session was built before times were worked out this way. With this change it is ${secondsText(Math.abs(by))} ${by < 0 ? "shorter" : "longer"}, since ${why}. Undo brings it back as it was.`;
}
