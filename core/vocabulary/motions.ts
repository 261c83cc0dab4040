/** A coverage row is one motion of one joint. Its code is for documents; people see its words. */
export const MOTIONS = [
  "nk.flex",
  "nk.ext",
  "nk.rot",
  "nk.side",
  "th.flex",
  "th.ext",
  "th.rot",
  "th.side",
  "lu.flex",
  "lu.ext",
  "lu.rot",
  "lu.side",
  "ribs.breath",
  "trunk",
  "scap",
  "sh.flex",
  "sh.ext",
  "sh.abd",
  "sh.ir",
  "sh.er",
  "wr.flex",
  "wr.ext",
  "hip.flex",
  "hip.ext",
  "hip.abd",
  "hip.add",
  "hip.ir",
  "hip.er",
  "kn.flex",
  "kn.ext",
  "kn.rot",
  "an.df",
  "an.pf",
  "an.ie",
  "toe.ext",
] as const;

export type Motion = (typeof MOTIONS)[number];

export type Joint =
  | "neck"
  | "upper-back"
  | "lower-back"
  | "ribs"
  | "trunk"
  | "shoulder-blade"
  | "shoulder"
  | "wrist"
  | "hip"
  | "knee"
  | "ankle"
  | "toes";

/** Joints that can feel tighter on one side than the other, and are asked about by side. */
export const RATED_JOINTS = [
  "neck",
  "upper-back",
  "lower-back",
  "shoulder",
  "wrist",
  "hip",
  "knee",
  "ankle",
  "toes",
] as const satisfies readonly Joint[];

export type RatedJoint = (typeof RATED_JOINTS)[number];

export type Plane = "forward-back" | "side" | "rotation";

/** What a row is called by the field’s term, which joint and plane it belongs to, and whether there is one on each side of the body. */
export type MotionFacts = {
  words: string;
  /** The same said plainly, as a coach explains it. */
  plain: string;
  joint: Joint;
  plane: Plane;
  sided: boolean;
};

const row = (joint: Joint, plane: Plane, sided: boolean, words: string, plain: string): MotionFacts => ({
  words,
  plain,
  joint,
  plane,
  sided,
});

export const MOTION_FACTS: Readonly<Record<Motion, MotionFacts>> = {
  "nk.flex": row("neck", "forward-back", false, "neck flexion", "bending the neck forward"),
  "nk.ext": row("neck", "forward-back", false, "neck extension", "bending the neck back"),
  "nk.rot": row("neck", "rotation", false, "neck rotation", "turning the head"),
  "nk.side": row("neck", "side", false, "neck side bend", "tipping the head sideways"),
  "th.flex": row("upper-back", "forward-back", false, "upper back flexion", "rounding the upper back"),
  "th.ext": row("upper-back", "forward-back", false, "upper back extension", "straightening the upper back"),
  "th.rot": row("upper-back", "rotation", false, "upper back rotation", "turning the upper back"),
  "th.side": row("upper-back", "side", false, "upper back side bend", "bending the upper back sideways"),
  "lu.flex": row("lower-back", "forward-back", false, "lower back flexion", "rounding the lower back"),
  "lu.ext": row("lower-back", "forward-back", false, "lower back extension", "arching the lower back"),
  "lu.rot": row("lower-back", "rotation", false, "lower back rotation", "turning the lower back"),
  "lu.side": row("lower-back", "side", false, "lower back side bend", "bending the lower back sideways"),
  "ribs.breath": row("ribs", "forward-back", false, "ribs and breath", "breathing into the ribs"),
  trunk: row("trunk", "forward-back", false, "trunk stability", "holding the trunk firm"),
  scap: row("shoulder-blade", "forward-back", true, "shoulder blade control", "gliding the shoulder blade"),
  "sh.flex": row("shoulder", "forward-back", true, "shoulder flexion", "arm overhead"),
  "sh.ext": row("shoulder", "forward-back", true, "shoulder extension", "arm behind you"),
  "sh.abd": row("shoulder", "side", true, "shoulder abduction", "arm out to the side"),
  "sh.ir": row("shoulder", "rotation", true, "shoulder internal rotation", "turning the arm in"),
  "sh.er": row("shoulder", "rotation", true, "shoulder external rotation", "turning the arm out"),
  "wr.flex": row("wrist", "forward-back", true, "wrist flexion", "bending the wrist"),
  "wr.ext": row("wrist", "forward-back", true, "wrist extension", "bending the wrist back"),
  "hip.flex": row("hip", "forward-back", true, "hip flexion", "folding the hip"),
  "hip.ext": row("hip", "forward-back", true, "hip extension", "opening the front of the hip"),
  "hip.abd": row("hip", "side", true, "hip abduction", "leg out to the side"),
  "hip.add": row("hip", "side", true, "hip adduction", "leg across the body"),
  "hip.ir": row("hip", "rotation", true, "hip internal rotation", "turning the hip in"),
  "hip.er": row("hip", "rotation", true, "hip external rotation", "turning the hip out"),
  "kn.flex": row("knee", "forward-back", true, "knee flexion", "bending the knee"),
  "kn.ext": row("knee", "forward-back", true, "knee extension", "straightening the knee"),
  "kn.rot": row("knee", "rotation", true, "shin rotation", "turning the shin"),
  "an.df": row("ankle", "forward-back", true, "ankle dorsiflexion", "toes towards the shin"),
  "an.pf": row("ankle", "forward-back", true, "ankle plantarflexion", "pointing the foot"),
  "an.ie": row("ankle", "side", true, "ankle inversion and eversion", "rolling the ankle in and out"),
  "toe.ext": row("toes", "forward-back", true, "toe extension", "bending the toes back"),
};

export const JOINT_WORDS: Readonly<Record<Joint, string>> = {
  neck: "neck",
  "upper-back": "upper back",
  "lower-back": "lower back",
  ribs: "ribs",
  trunk: "trunk",
  "shoulder-blade": "shoulder blade",
  shoulder: "shoulder",
  wrist: "wrist",
  hip: "hip",
  knee: "knee",
  ankle: "ankle",
  toes: "toes",
};

/** The same where both sides, or all of them, are meant: “more for the shoulders”. */
export const JOINT_PLURALS: Readonly<Record<Joint, string>> = {
  ...JOINT_WORDS,
  "shoulder-blade": "shoulder blades",
  shoulder: "shoulders",
  wrist: "wrists",
  hip: "hips",
  knee: "knees",
  ankle: "ankles",
};

/** Every joint there is a motion of. */
export const JOINTS = [...new Set(Object.values(MOTION_FACTS).map((facts) => facts.joint))] as [Joint, ...Joint[]];
