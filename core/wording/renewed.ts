import { secondsText } from "~/core/lengths";
import type { Renewed } from "~/core/timeline/renewed";

/** What is said when an old session is changed for the first time and its length changes with the way it is reckoned. */
export function renewedWords({ by, kit }: Renewed): string {
  const rest = by - kit;
  const why = [
    ...(kit !== 0 ? ["chairs, walls, boxes and the like are set up once now, not anew for every drill"] : []),
    ...(Math.abs(rest) > 1e-6 ? ["a change of sides counts where the legs change, not where the word does"] : []),
  ].join(", and ");
  return `This session is older than the way times are reckoned now: with this change it is ${secondsText(Math.abs(by))} ${by < 0 ? "shorter" : "longer"}, since ${why}. Undo brings it back as it was.`;
}
