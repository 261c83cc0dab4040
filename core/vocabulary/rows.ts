/** A coverage row is one motion of one joint. Its code is for documents; people see its words. */
export const ROWS = [
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

export type Row = (typeof ROWS)[number];

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

/** What a row is called, which joint and plane it belongs to, and whether there is one on each side of the body. */
export type RowFacts = { words: string; joint: Joint; plane: Plane; sided: boolean };

const row = (joint: Joint, plane: Plane, sided: boolean, words: string): RowFacts => ({ words, joint, plane, sided });

export const ROW_FACTS: Readonly<Record<Row, RowFacts>> = {
  "nk.flex": row("neck", "forward-back", false, "neck bending forward"),
  "nk.ext": row("neck", "forward-back", false, "neck bending back"),
  "nk.rot": row("neck", "rotation", false, "neck turning"),
  "nk.side": row("neck", "side", false, "neck tipping sideways"),
  "th.flex": row("upper-back", "forward-back", false, "upper back rounding"),
  "th.ext": row("upper-back", "forward-back", false, "upper back straightening"),
  "th.rot": row("upper-back", "rotation", false, "upper back turning"),
  "th.side": row("upper-back", "side", false, "upper back bending sideways"),
  "lu.flex": row("lower-back", "forward-back", false, "lower back rounding"),
  "lu.ext": row("lower-back", "forward-back", false, "lower back arching"),
  "lu.rot": row("lower-back", "rotation", false, "lower back turning"),
  "lu.side": row("lower-back", "side", false, "lower back bending sideways"),
  "ribs.breath": row("ribs", "forward-back", false, "ribs and breath"),
  trunk: row("trunk", "forward-back", false, "trunk holding firm"),
  scap: row("shoulder-blade", "forward-back", true, "shoulder blade gliding"),
  "sh.flex": row("shoulder", "forward-back", true, "arm overhead"),
  "sh.ext": row("shoulder", "forward-back", true, "arm behind"),
  "sh.abd": row("shoulder", "side", true, "arm out to the side"),
  "sh.ir": row("shoulder", "rotation", true, "shoulder turning in"),
  "sh.er": row("shoulder", "rotation", true, "shoulder turning out"),
  "wr.flex": row("wrist", "forward-back", true, "wrist bending"),
  "wr.ext": row("wrist", "forward-back", true, "wrist bending back"),
  "hip.flex": row("hip", "forward-back", true, "hip folding"),
  "hip.ext": row("hip", "forward-back", true, "hip opening at the front"),
  "hip.abd": row("hip", "side", true, "leg out to the side"),
  "hip.add": row("hip", "side", true, "leg across the body"),
  "hip.ir": row("hip", "rotation", true, "hip turning in"),
  "hip.er": row("hip", "rotation", true, "hip turning out"),
  "kn.flex": row("knee", "forward-back", true, "knee bending"),
  "kn.ext": row("knee", "forward-back", true, "knee straightening"),
  "kn.rot": row("knee", "rotation", true, "shin turning"),
  "an.df": row("ankle", "forward-back", true, "ankle bending, toes toward the shin"),
  "an.pf": row("ankle", "forward-back", true, "ankle pointing"),
  "an.ie": row("ankle", "side", true, "ankle rolling in and out"),
  "toe.ext": row("toes", "forward-back", true, "toes bending back"),
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
