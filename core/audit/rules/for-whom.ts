import { whoOf } from "../course";
import { itemsOf, type Looked } from "../look";
import { replaceFix } from "../replace";
import type { AuditInput, RuleFinding, Rule } from "../types";
import { FOR, impactFor } from "~/core/arc/people";
import { placeOf } from "~/core/arc/ground";
import { inForm } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import { asksEffort, doseSeconds, isPiece, peakEffort, repOf, tempoOf, unitCount } from "~/core/dose/dose";
import { withAmount } from "~/core/dose/amount";
import type { Dose } from "~/core/dose/kinds";
import { isOnOneLeg } from "~/core/group/surfaces";
import { editItem } from "~/core/session/edits";
import { secondsText } from "~/core/lengths";
import { scalesOf } from "~/core/stress/scales";
import { atWork, stressesWith } from "~/core/stress/at";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { kitFacts } from "~/core/vocabulary/kit";
import { WHO_WORDS } from "~/core/vocabulary/who";

/** From here on a landing counts. */
const HARD_LANDING = 2;

/** Why a level at a dose is not for the people of a group, as the end of a sentence that begins with its name. */
export function notForThem(
  input: Pick<AuditInput, "group" | "session">,
  whole: Drill,
  name: LevelName,
  dose: Dose,
): string | undefined {
  const who = whoOf(input);
  if (who === "adults") return undefined;
  const theirs = FOR[who];
  const drill = inForm(whole, name);
  const level = drill.levels[name];
  const { impact, effort } = scalesOf(drill, name);
  const setting = input.group?.setting ?? {};
  if (impact > impactFor(who, setting.impact)) return "lands too hard for them";
  if (asksEffort(dose)) {
    if (theirs.ramps === 0) return "ramps up effort";
    if (peakEffort(dose) > theirs.ramps) return `asks for ${peakEffort(dose)} % effort; ${theirs.ramps} % is enough`;
  } else if (effort > theirs.effort) return "asks for more effort than is right for them";
  if (drill.method === "hold" && theirs.holds && (isPiece(dose) || dose.kind === "breaths")) {
    const most = input.session.purpose === "off-day" ? theirs.holds.offDay : theirs.holds.most;
    const seconds = doseSeconds(dose, input.session.pace);
    if (seconds > most) return `holds for ${secondsText(seconds)}; ${secondsText(most)} is enough`;
  }
  if (theirs.hand && isOnOneLeg(level) && !level.kit.some((kit) => kitFacts(kit).steadies === "stands"))
    return "is on one leg with no hand on anything";
  if (theirs.floorSaid && !setting.gettingUp && [level.posture, level.endPosture].some(onFloor))
    return "goes down to the floor";
  if (theirs.squat === 0 && [level.posture, level.endPosture].includes("squat")) return "sits in the deep squat";
  const stress = stressesWith(level, dose, atWork(drill, { dose, sets: 1 }, input.session.pace));
  if (!theirs.headLow && stress.some(({ area, grade }) => area === "head-low" && grade === 2))
    return "takes the head below the hips";
  if (!theirs.breathHeld && stress.some(({ area }) => area === "breath-hold")) return "holds the breath";
  return undefined;
}

const onFloor = (posture: Parameters<typeof placeOf>[0]): boolean =>
  placeOf(posture) === "low" || (placeOf(posture) === "middle" && posture !== "squat");

/** Landings of an item in all: one a repetition, on each side; one a second where it is timed. */
function landings({ drill, item, level, place }: Looked, input: AuditInput): number {
  const times =
    item.sets *
    (input.session.blocks[place.block]?.rounds ?? 1) *
    ((item.sides ?? drill.sides) === "together" ? 1 : 2) *
    (item.directions ?? drill.directions);
  if ((level.impact ?? 0) < HARD_LANDING) return 0;
  return tempoOf(item.dose).length > 0 && repOf(item.dose) > 0
    ? unitCount(item.dose) * times
    : doseSeconds(item.dose, input.session.pace) * times;
}

/** What is too much for children, for young people, for older or returning ones. */
export const forWhom: Rule = {
  id: "for-whom",
  find: (input) => {
    const who = whoOf(input);
    if (who === "adults") return [];
    const found = itemsOf(input).flatMap(({ place, item, drill }): RuleFinding[] => {
      const why = notForThem(input, drill, item.level, item.dose);
      if (!why) return [];
      const theirs = FOR[who];
      const held = /^holds for/.test(why) && theirs.holds;
      const most = held ? (input.session.purpose === "off-day" ? held.offDay : held.most) : 0;
      const other = LEVELS.slice(0, LEVELS.indexOf(item.level))
        .reverse()
        .find((name) => !notForThem(input, drill, name, drill.levels[name].dose));
      return [
        {
          severity: "warn",
          place,
          message: `${drill.name} ${why}.`,
          why: `This group is set as: ${WHO_WORDS[who].toLowerCase()}.`,
          ...(held
            ? {
                fix: {
                  words: `Hold ${secondsText(most)}`,
                  apply: (s) => editItem(s, place, { dose: withAmount(item.dose, most) }),
                },
              }
            : other
              ? {
                  fix: {
                    words: `Take the ${other} level`,
                    apply: (s) => editItem(s, place, { level: other, dose: drill.levels[other].dose }),
                  },
                }
              : {
                  offer: () =>
                    replaceFix(input, place, (one) => !notForThem(input, one, "standard", one.levels.standard.dose)),
                }),
        },
      ];
    });
    const jumps = itemsOf(input).map((here) => ({ here, n: landings(here, input) }));
    const all = jumps.reduce((sum, { n }) => sum + n, 0);
    const most = FOR[who].landings;
    const hardest = jumps.sort((a, b) => b.n - a.n)[0];
    if (all > most && hardest)
      found.push({
        severity: "warn",
        place: hardest.here.place,
        about: "landings",
        message: `It has about ${Math.round(all)} hard landings; ${most} is enough.`,
        why: `This group is set as: ${WHO_WORDS[who].toLowerCase()}. Growing and ageing legs take fewer.`,
      });
    return found;
  },
};
