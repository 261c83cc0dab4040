import { closeFix } from "../add";
import { amongOf, courseOf, whoOf } from "../course";
import { itemsOf } from "../look";
import type { AuditInput, RuleFinding, Rule } from "../types";
import { rehearsesIt } from "~/core/arc/fits";
import { FOR } from "~/core/arc/people";
import { placeOf } from "~/core/arc/ground";
import { inForm } from "~/core/drills/form";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import { REHEARSAL_WORDS } from "~/core/vocabulary/rehearses";
import { secondsText } from "~/core/lengths";
import { listWords } from "~/core/wording/words";
import type { Seconds } from "~/core/units";

/** Slow breathing: the breath on the ribs, not a stretch that is breathed in. */
export const isBreath = (drill: Pick<Drill, "method">, level?: DrillLevel): boolean =>
  drill.method === "breath" && (level === undefined || level.main[0] === "ribs.breath");

/** So much of what it ends with, in one or two drills; and of slow breath. */
const ENOUGH: Seconds = 45;
const BREATH: Seconds = 60;

/** A session ends on purpose: with what the sport begins with, with the lift, with slow breath, or brisk and on the feet. */
export const closing: Rule = {
  id: "closing",
  find: (input) => {
    const last = itemsOf(input).at(-1);
    if (!last) return [];
    const { purpose } = input.session;
    const { grave } = courseOf(input);
    const finding = (message: string, why: string, answers: (drill: Drill) => boolean): RuleFinding[] => [
      { severity: grave, place: last.place, message, why, offer: () => closeFix(input, answers) },
    ];
    const { drill, level } = last;
    switch (purpose) {
      case "before-training":
      case "before-game": {
        const among = amongOf(input);
        const what = input.demand?.rehearses?.map((one) => REHEARSAL_WORDS[one]);
        const ends = (one: Drill, at: DrillLevel) =>
          rehearsesIt(one, "sport", among) && placeOf(at.endPosture) === "feet";
        if (!ends(drill, level))
          return finding(
            `It ends with ${drill.name}, which is nothing ${what ? `${input.demand!.name.toLowerCase()} begins with` : "that follows begins with"}.`,
            what
              ? `The last thing is the first of what follows, from easy to nearly full speed: ${listWords(what, "or")}.`
              : "The last thing is the first of what follows, from easy to nearly full speed.",
            (one) => ends(one, one.levels.standard) && (one.levels.standard.pulse ?? 0) >= 1,
          );
        return enough(input, ENOUGH, (one) => rehearsesIt(one, "sport", among), "of what the sport begins with", grave);
      }
      case "before-lifting":
        return rehearsesIt(drill, "lift", amongOf(input))
          ? []
          : finding(
              `It ends with ${drill.name}, not with the lift.`,
              "The last thing is the lift itself, light to heavier.",
              (one) => rehearsesIt(one, "lift", amongOf(input)) && one.levels.standard.endPosture === "standing",
            );
      case "after-training":
      case "off-day": {
        if (!isBreath(drill, level))
          return finding(
            `It ends with ${drill.name}, without slow breathing.`,
            `A minute of slow breathing sends people ${purpose === "off-day" ? "on" : "home"} calmer.`,
            (one) => isBreath(one, one.levels.standard),
          );
        return enough(input, BREATH, (one, at) => isBreath(one, at), "of slow breath", grave);
      }
      case "desk-break": {
        const brisk = (at: DrillLevel, pulse: number) =>
          placeOf(at.endPosture) === "feet" && pulse >= (FOR[whoOf(input)].raise === 1 ? 1 : 2);
        return brisk(level, level.pulse ?? 1)
          ? []
          : finding(
              `It ends with ${drill.name}; nobody goes back to work awake from that.`,
              "End brisk and standing: march, or sit down and stand up.",
              (one) =>
                inForm(one, "standard").levels.standard.gait === true &&
                placeOf(one.levels.standard.posture) === "feet" &&
                (one.levels.standard.pulse ?? 0) === 2 &&
                one.method === "dynamic",
            );
      }
    }
  },
};

/** Too little of what a session ends with, in its last two drills. */
function enough(
  input: AuditInput,
  least: Seconds,
  counts: (drill: Drill, level: DrillLevel) => boolean,
  words: string,
  severity: RuleFinding["severity"],
): RuleFinding[] {
  const items = itemsOf(input).slice(-2);
  const seconds = courseOf(input).works.reduce(
    (sum, { segment, here }) => (items.includes(here) && counts(here.drill, here.level) ? sum + segment.seconds : sum),
    0,
  );
  if (seconds >= least - 1e-6) return [];
  return [
    {
      severity,
      place: items.at(-1)!.place,
      about: "little",
      message: `There are ${secondsText(Math.round(seconds))} ${words} at the end.`,
      why: `It wants ${secondsText(least)} to do anything.`,
    },
  ];
}
