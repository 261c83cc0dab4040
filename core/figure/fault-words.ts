import type { FigureFault } from "./check";
import { JOINT_ANGLE_WORDS } from "./course";
import { jointOf } from "./angles";
import { MOTION_FACTS } from "~/core/vocabulary/motions";

const POINT_WORDS: Readonly<Record<string, string>> = {
  pelvis: "pelvis",
  sacrum: "sacrum",
  waist: "waist",
  chest: "chest",
  back: "back",
  sternum: "breastbone",
  neck: "neck",
  head: "head",
  crown: "head",
  nose: "face",
  hip: "hip",
  seat: "seat",
  knee: "knee",
  ankle: "foot",
  heel: "heel",
  ball: "ball of the foot",
  toe: "toes",
  shoulder: "shoulder",
  elbow: "elbow",
  wrist: "hand",
  palm: "hand",
  fingers: "fingers",
};

const partWords = (part: string): string => {
  const [side, point] = part.includes(".") ? (part.split(".") as [string, string]) : [undefined, part];
  return side ? `${side} ${POINT_WORDS[point] ?? point}` : (POINT_WORDS[point] ?? point);
};

const beat = (n: number) => `at beat ${Math.round(n * 10) / 10}`;

/** A fault of a drawing in a plain sentence, with what to do. */
export function faultWords(fault: FigureFault): string {
  switch (fault.kind) {
    case "floor":
      return `The ${partWords(fault.part)} goes ${(fault.by * 100).toFixed(0)} cm through the floor ${beat(fault.beat)}. Lift it, or the pelvis.`;
    case "contact":
      return `The ${partWords(fault.part)} is ${(fault.by * 100).toFixed(0)} cm off the place it holds ${beat(fault.beat)}. Bring the place or the body nearer.`;
    case "limit": {
      const [side] = fault.part.split(".");
      const own = side === "left" || side === "right" ? `, ${side}` : "";
      return `${JOINT_ANGLE_WORDS[jointOf(fault.part)]}${own} is ${fault.by.toFixed(0)}° past what a joint does ${beat(fault.beat)} (${fault.angle.toFixed(0)}°).`;
    }
    case "row":
      return `“${MOTION_FACTS[fault.row].words}” is one of its main motions, but that joint hardly moves.`;
  }
}
