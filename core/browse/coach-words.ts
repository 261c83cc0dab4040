import { KIT_FACTS } from "~/core/vocabulary/kit";
import type { Row } from "~/core/vocabulary/rows";
import { METHOD_FACTS } from "~/core/vocabulary/methods";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import { POSTURE_FACTS } from "~/core/vocabulary/postures";

/*
 * What coaches type that a drill's own words do not say: muscles, everyday shapes, what is lying about at home. Nobody is
 * shown these; they only find.
 */

/** Muscles and plain words for a motion. */
const OF_ROW: Readonly<Record<Row, string>> = {
  "nk.flex": "cervical", "nk.ext": "cervical", "nk.rot": "cervical", "nk.side": "cervical",
  "th.flex": "thoracic t spine tspine mid back", "th.ext": "thoracic t spine tspine mid back posture extension", "th.rot": "thoracic t spine tspine mid back rotation twist turn", "th.side": "thoracic t spine tspine lats side bend obliques",
  "lu.flex": "lumbar spine low back", "lu.ext": "lumbar spine low back extension", "lu.rot": "lumbar spine low back rotation twist", "lu.side": "lumbar spine low back side bend obliques",
  "ribs.breath": "diaphragm rib cage relax calm cool down", trunk: "core abs abdominals stomach tummy brace stability midsection", scap: "scapula blades upper back serratus traps",
  "sh.flex": "lats chest overhead reach pecs", "sh.ext": "chest pecs front of the shoulder biceps", "sh.abd": "arms delts side", "sh.ir": "rotator cuff internal rotation", "sh.er": "rotator cuff external rotation",
  "wr.flex": "forearms hands", "wr.ext": "forearms hands",
  "hip.flex": "hamstrings hammies posterior chain back of the thigh", "hip.ext": "glutes gluteals bum buttocks hip flexors psoas front of the hip extension", "hip.abd": "adductors groin inner thigh outside side to side",
  "hip.add": "outer hip glutes side of the hip", "hip.ir": "internal rotation rotators deep hip", "hip.er": "external rotation rotators piriformis deep hip glutes",
  "kn.flex": "quads quadriceps thighs front of the thigh", "kn.ext": "quads quadriceps hamstrings back of the knee", "kn.rot": "shins tibia rotation",
  "an.df": "calves calf soleus achilles shins dorsiflexion lower leg", "an.pf": "calves calf lower leg", "an.ie": "foot feet rolled ankle sprain side of the ankle", "toe.ext": "foot feet toes plantar sole arch big toe",
};

/** Everyday names of shapes and movements, by drill. */
const OF_DRILL: Readonly<Record<string, string>> = {
  "pigeon-upright": "pigeon", "pigeon-fold": "pigeon", "pigeon-resisted": "pigeon", "pigeon-turns": "pigeon", "figure-four": "figure four 4", "butterfly-hold": "butterfly frog", "butterfly-resisted": "butterfly frog", "wide-kneel-rock": "frog",
  "prone-press-up": "cobra upward", "prone-hold-lift": "superman cobra", "folded-kneel-reach": "child pose childs prayer", "folded-kneel-elbows": "child pose childs prayer bench lats", "hips-high-pedal": "downward dog pike", "plank-to-pike": "downward dog pike inchworm",
  "cat-camel": "cat cow", "spine-wave": "cat cow", "knee-hug-switch": "dead bug bicycle", "straight-leg-switch": "scissors flutter kicks", "roller-arm-lower": "dead bug", "heel-across-prone": "scorpion", "knees-side-to-side": "windscreen wipers",
  "side-knee-lift": "clam clamshell", "roll-down": "toe touch", "hinge-arm-open": "hinge good morning hip hinge", "stick-windmill": "hinge", "toe-touch-walk": "inchworm straight leg march hamstring walk", "step-back-reach-down": "toe touch",
  "lunge-elbow-turn": "spider greatest stretch lunge", "hip-flexor-hold": "lunge stretch", "hip-flexor-turn": "lunge twist", "quad-prone": "heel to bum", "quad-side": "heel to bum", "calf-wall-straight": "wall stretch", "calf-wall-bent": "wall stretch",
  "rear-raised-side-lunge": "couch elevated", "leg-swing-front": "leg swings kicks pendulum", "leg-swing-side": "leg swings kicks pendulum", "stick-pass": "pass through dislocates shoulder", "stick-pass-prone": "pass through", "band-over": "pass through pull apart",
  "open-book": "opener thread twist", "shoulder-blade-push-up": "press up push up", "prone-ytlw": "raises y t w", "squat-free": "air squat bodyweight squat", "goblet-pry": "goblet squat", "squat-walk": "duck walk", "side-squat-shift": "lateral lunge side lunge",
  "side-squat-sit": "lateral lunge", "lunge-side": "lateral lunge", "lunge-reverse": "backward lunge back lunge", "calf-raise": "heel raise tiptoe", "tibialis-lift": "shin raise toe raise", "single-leg-reach": "deadlift airplane romanian", "knee-across": "twist", "leg-across": "twist",
  "mermaid-bend": "mermaid", "mermaid-turn": "mermaid", "bird-dog-long": "bird dog", "tripod-reach": "crab", "reverse-tabletop": "crab bridge", "star-plank-dip": "star plank", "hover-walk-back": "bear crawl hover", "walk-back-squat": "bear", "bridge": "glute bridge hip thrust", "bridge-single": "glute bridge hip thrust",
  "bar-hang": "dead hang decompress grip", "tension-ramp": "brace total tension", "hip-circle-kneel": "fire hydrant donkey", "hip-circle-elbow": "fire hydrant", "hip-axial-standing": "open the gate close the gate", "step-open-turn": "open the gate", "step-close-turn": "close the gate",
  "lunge-three-ways": "clock lunge", "ankle-rock": "knee to wall", "sprint-start-lunge": "sprint start", "neck-glides": "neck roll nod", "stick-paddle": "rowing canoe kayak", "ninety-switch": "ninety ninety 90", "ninety-turn": "ninety ninety 90", "ninety-lean-front": "ninety ninety 90", "ninety-lean-back": "ninety ninety 90",
};

/** The words of this kind that find a level of a drill: by what it is for, and by what it works besides. */
export function coachWords(drill: Pick<Drill, "id" | "method">, { main, also, kit, posture }: Pick<DrillLevel, "main" | "also" | "kit" | "posture">): { first: string; besides: string } {
  const first = [...main.map((row) => OF_ROW[row]), METHOD_FACTS[drill.method].findBy, ...kit.map((piece) => KIT_FACTS[piece].findBy), POSTURE_FACTS[posture].findBy, OF_DRILL[drill.id] ?? ""].join(" ");
  return { first, besides: also.map((row) => OF_ROW[row]).join(" ") };
}
