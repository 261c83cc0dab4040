/** Areas a person may protect and a level of a drill may stress. */
export const AREAS = [
  "neck",
  "shoulder-overhead",
  "shoulder-behind",
  "shoulder-weight",
  "wrist-weight",
  "grip",
  "upper-back-turn",
  "low-back-bend",
  "low-back-arch",
  "low-back-turn",
  "low-back-side",
  "hip-deep-bend",
  "hip-turn",
  "front-of-hip",
  "groin-stretch",
  "hamstring-stretch",
  "kneeling",
  "knee-deep-bend",
  "knee-twist",
  "ankle-deep-bend",
  "heel-tendon",
  "ankle-roll",
  "toe-bend",
  "balance",
  "floor",
  "lying-back",
  "lying-front",
  "head-low",
  "impact",
  "breathless",
  "max-effort",
  "breath-hold",
] as const;

export type Area = (typeof AREAS)[number];

/** Where in the body an area belongs, for lists. */
export const AREA_GROUPS = [
  "Neck and shoulders",
  "Hands",
  "Back",
  "Hips",
  "Knees, ankles and feet",
  "Whole body",
] as const;

/** `words` finishes “loads …” and “protects …”; `sided` where left and right can be told apart; `who` is who typically protects it. */
export type AreaFacts = { words: string; group: (typeof AREA_GROUPS)[number]; sided: boolean; who: string };

const area = (group: AreaFacts["group"], sided: boolean, words: string, who: string): AreaFacts => ({
  words,
  group,
  sided,
  who,
});

export const AREA_FACTS: Readonly<Record<Area, AreaFacts>> = {
  neck: area("Neck and shoulders", false, "the neck", "a stiff or hurt neck, recent whiplash, tingling in an arm"),
  "shoulder-overhead": area(
    "Neck and shoulders",
    true,
    "reaching overhead",
    "a sore or operated shoulder, throwers in season",
  ),
  "shoulder-behind": area(
    "Neck and shoulders",
    true,
    "the arm behind the body",
    "a shoulder that has ever come out of joint, pain at the front of it",
  ),
  "shoulder-weight": area("Neck and shoulders", true, "weight on the shoulders", "a shoulder or collarbone injury"),
  "wrist-weight": area(
    "Hands",
    true,
    "weight on the wrists",
    "a wrist sprain or fracture, pregnancy and after, desk wrists",
  ),
  grip: area("Hands", true, "a strong grip", "sore elbow tendons, hands"),
  "upper-back-turn": area("Back", false, "turning the upper back", "rib or mid-back pain"),
  "low-back-bend": area(
    "Back",
    false,
    "bending the lower back forward",
    "a back that hurts when it bends, brittle bones",
  ),
  "low-back-arch": area(
    "Back",
    false,
    "arching the lower back",
    "a back that hurts when it arches, young athletes with a back stress injury",
  ),
  "low-back-turn": area("Back", false, "turning the lower back", "a sore back"),
  "low-back-side": area("Back", false, "bending the lower back sideways", "a sore back"),
  "hip-deep-bend": area("Hips", true, "a deep bend of the hip", "a pinch at the front of the hip, hip surgery"),
  "hip-turn": area("Hips", true, "turning the hip far", "hip surgery, groin or deep buttock pain"),
  "front-of-hip": area("Hips", true, "the front of the hip", "a front-of-thigh strain, hip flexor pain"),
  "groin-stretch": area("Hips", true, "a stretch of the groin", "a groin strain, inguinal pain, late pregnancy"),
  "hamstring-stretch": area(
    "Hips",
    true,
    "a stretch of the hamstrings",
    "a hamstring strain, tingling behind the knee",
  ),
  kneeling: area("Knees, ankles and feet", true, "kneeling", "a sore kneecap, bursa or wound"),
  "knee-deep-bend": area(
    "Knees, ankles and feet",
    true,
    "a deep bend of the knee",
    "kneecap pain, meniscus, knee surgery",
  ),
  "knee-twist": area("Knees, ankles and feet", true, "twisting the knee", "meniscus or ligament injury"),
  "ankle-deep-bend": area(
    "Knees, ankles and feet",
    true,
    "a deep bend of the ankle",
    "a pinch at the front of the ankle, a sprain",
  ),
  "heel-tendon": area(
    "Knees, ankles and feet",
    true,
    "the heel tendon",
    "heel or calf tendon pain, a calf strain, children with heel pain",
  ),
  "ankle-roll": area("Knees, ankles and feet", true, "rolling the ankle", "a sprained ankle"),
  "toe-bend": area("Knees, ankles and feet", true, "bent toes", "a stiff or sore big toe"),
  balance: area("Whole body", false, "balance", "older people, dizziness, early after an injury"),
  floor: area("Whole body", false, "getting down to the floor", "cannot get down and up"),
  "lying-back": area("Whole body", false, "lying on the back", "late pregnancy, reflux, dizziness lying down"),
  "lying-front": area("Whole body", false, "lying on the front", "pregnancy, breathlessness"),
  "head-low": area("Whole body", false, "the head low", "blood pressure, eyes, dizziness, sinuses"),
  impact: area(
    "Whole body",
    false,
    "landing and impact",
    "sore joints, pelvic floor, late pregnancy, stress fractures",
  ),
  breathless: area("Whole body", false, "getting out of breath", "heart, asthma, illness"),
  "max-effort": area("Whole body", false, "strong effort", "blood pressure, strains"),
  "breath-hold": area("Whole body", false, "holding the breath", "blood pressure, pregnancy"),
};

export const isSided = (area: Area): boolean => AREA_FACTS[area].sided;

/** 1 some, 2 much. */
export type Grade = 1 | 2;
