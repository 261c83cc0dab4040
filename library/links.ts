import type { Drill, DrillLink } from "~/core/drills/schema";

/*
 * Which drill leads to which, and which can stand in where an area, kit or a surface rules one out, each with a word on why.
 * Written together, so that both ends are seen at once.
 */

type Link = readonly [from: string, to: string, why: string];

/** From the gentler drill to the harder one. */
const LEADS_TO: readonly Link[] = [
  ["easy-walk", "jog-lanes", "When walking is easy and the breath is calm."],
  ["marching-knee-drives", "skips-arms-swinging", "When the march is crisp, add the hop."],
  ["marching-knee-drives", "wall-lean-knee-drives", "The same knee drive, leaning as in a start."],
  ["jog-lanes", "build-up-runs", "When you are warm, run faster."],
  ["skips-arms-swinging", "build-up-runs", "From springy skips to running tall."],
  ["side-shuffle", "side-bound", "When the shuffle is low and quiet."],
  ["side-shuffle", "pair-mirror-shuffle", "Against somebody who decides where you go."],
  ["quick-calf-raise", "stiff-ankle-bounces", "When twelve quick rises are easy."],
  ["stiff-ankle-bounces", "jump-and-stick", "When the bounces are quiet."],
  ["rise-drop-freeze", "jump-and-stick", "When the drop stops dead with the knees over the toes."],
  ["jump-and-stick", "hop-and-stick", "When two-foot landings are still."],
  ["jump-and-stick", "approach-and-jump", "With a run-up."],
  ["hop-and-stick", "side-bound", "Sideways, from one leg to the other."],
  ["run-brake-hold", "plant-and-cut", "When you stop in balance, go the other way."],
  ["wall-lean-knee-drives", "fall-forward-starts", "The same lean without the wall."],
  ["fall-forward-starts", "build-up-runs", "From the first steps to a whole run."],
  ["sit-to-stand", "squat-free", "When ten from the chair are easy."],
  ["squat-free", "stick-squat-pause", "With a stick, to learn the upright chest."],
  ["stick-squat-pause", "barbell-squat-build-up", "When the chest stays up over a pause."],
  ["hip-hinge-arms-sweep", "barbell-hinge-build-up", "When the back stays long."],
  ["wall-push-up", "shoulder-blade-push-up", "From the wall down to the floor."],
  ["lunge-reverse", "walking-lunge-and-turn", "When the lunge is steady, walk and turn."],
  ["one-foot-clock-taps", "single-leg-reach", "When the taps are steady without a hand."],
  ["heel-to-toe-walk", "one-foot-clock-taps", "From a line to one leg."],
  ["growing-arm-circles", "shadow-throws", "When the shoulders are warm."],
  ["forearm-turn-outs", "elbow-high-turn-out", "Against a band, with the elbow high."],
  ["elbow-high-turn-out", "shadow-throws", "The same turn, in the throw."],
  ["shadow-throws", "hop-step-throw", "With a run-up."],
  ["standing-band-row", "hang-and-shrug", "From pulling a band to carrying yourself."],
  ["half-hang-feet-on-box", "bar-hang", "When the half hang is easy."],
  ["bar-hang", "hang-and-shrug", "When the hang is easy, work the blades in it."],
  ["stroke-in-parts", "standing-stroke", "The parts put together."],
  ["long-roll", "rock-back-and-up", "From rolling long to rolling round."],
  ["low-crawl", "hover-walk-back", "From crawling into the squat."],
  ["nod-and-slide-back", "hand-resisted-neck", "When the nod is easy, let the neck work a little."],
  ["fist-circles", "all-fours-wrist-rock", "With weight on the hands."],
  ["chair-side-reach", "standing-side-reach", "On the feet."],
  ["bridge", "bridge-single", "When ten on two legs are easy."],
  ["hip-flexor-hold", "hip-flexor-resisted", "When the hold is easy, work in it."],
  ["ankle-rock", "ankle-rock-press", "With a push at the end."],
];

/** Of the first drill, one that can be done instead. */
const INSTEAD: readonly Link[] = [
  ["hip-flexor-hold", "long-step-front-of-hip", "Standing, where nobody kneels."],
  ["ankle-rock", "knee-over-toes-rock", "Standing, where nobody kneels."],
  ["figure-four", "chair-ankle-over-thigh", "On a chair, where nobody lies down."],
  ["figure-four", "pair-ankle-over-thigh", "Standing in pairs, on wet grass."],
  ["quad-prone", "pair-heel-to-seat-hold", "Standing in pairs, on wet grass."],
  ["quad-side", "pair-heel-to-seat-hold", "Standing in pairs, on wet grass."],
  ["hamstring-hold", "chair-hamstring-one-leg-long", "On a chair, where nobody kneels."],
  ["leg-swing-front", "straight-leg-kicks", "Where there is nothing to hold on to."],
  ["leg-swing-side", "pair-leg-swings", "In pairs, where there is nothing to hold on to."],
  ["open-book", "chair-turn-arms-folded", "On a chair, where nobody lies down."],
  ["cat-camel", "chair-round-and-tall", "On a chair, where nobody kneels."],
  ["knee-turns", "chair-shin-turns", "On a chair, where nobody sits on the floor."],
  ["knees-side-to-side", "chair-foot-swings", "On a chair, where nobody sits on the floor."],
  ["ankle-circles", "ankle-roll-out-in", "Standing, where nobody sits on the floor."],
  ["calf-raise", "quick-calf-raise", "Where there is nothing to hold on to."],
  ["long-exhale", "long-breath-hands-on-ribs", "Standing or sitting, where nobody lies down."],
  ["box-breathing", "lying-long-breath", "Without holding the breath."],
  ["prone-press-up", "standing-lean-back", "Standing, where nobody lies down."],
  ["shoulder-blade-push-up", "wall-push-up", "At a wall, where hands stay off the floor."],
  ["stick-pass", "growing-arm-circles", "Without a stick."],
  ["roller-snow-angel", "back-to-wall-arm-slides", "At a wall, without a roller."],
  ["bar-hang", "hands-on-table-chest-drop", "Where there is no bar, or hanging is too much."],
  ["jump-and-stick", "rise-drop-freeze", "Where nobody should land."],
  ["jog-lanes", "marching-knee-drives", "On the spot, without landing."],
  ["step-out-jacks", "marching-knee-drives", "Where arms should stay down."],
  ["wall-lean-knee-drives", "pair-lean-march", "Against a partner, where there is no wall."],
  ["standing-band-row", "pair-towel-row", "In pairs with towels, without a band."],
  ["sprawl-step-down-and-up", "stance-and-level-change", "Where hands stay off the floor."],
  ["seated-pull-ins", "chair-march-toe-lifts", "On a chair, where nobody sits on the floor."],
  ["goblet-pry", "pair-counterweight-squat", "In pairs, without a weight."],
];

const from = (links: readonly Link[], id: string): DrillLink[] =>
  links.filter(([own]) => own === id).map(([, drill, why]) => ({ drill, why }));

/** A drill with what it leads to and what can stand in for it. */
export function withLinks(drill: Drill): Drill {
  const [leadsTo, insteadOf] = [from(LEADS_TO, drill.id), from(INSTEAD, drill.id)];
  if (leadsTo.length + insteadOf.length === 0) return drill;
  return {
    ...drill,
    links: { ...(leadsTo.length > 0 && { leadsTo }), ...(insteadOf.length > 0 && { insteadOf }) },
  };
}

/** Every link there is, for the test that both of its ends are. */
export const ALL_LINKS: readonly Link[] = [...LEADS_TO, ...INSTEAD];
