import type { Hair } from "./draw-head";

/** How one of the people looks who show the drills: colours of skin, clothes and hair from near to far, and how the hair is worn. */
export type Look = {
  hair: Hair;
  skin: readonly [string, string, string];
  wear: readonly [string, string, string];
  /** The same clothes on a dark page. */
  wearDark: readonly [string, string, string];
  hairFill: string;
  hairDark: string;
  /** Eyes and brows, and the mouth. */
  eyes: string;
  mouth: string;
};

/** The people who show the drills. The first is who shows them wherever no group is meant. */
export const LOOKS: readonly [Look, ...Look[]] = [
  {
    hair: "short",
    skin: ["#c99f7a", "#b28a67", "#9a7555"],
    wear: ["#2a7193", "#22607e", "#1a4e68"],
    wearDark: ["#4f9cc0", "#3c83a5", "#2d6a88"],
    hairFill: "#33261f",
    hairDark: "#5b463a",
    eyes: "#241a15",
    mouth: "#8c4f43",
  },
  {
    hair: "tail",
    skin: ["#8d5f44", "#7a5139", "#67432f"],
    wear: ["#3f8a86", "#347673", "#28605e"],
    wearDark: ["#5fb3ad", "#4b9892", "#397c77"],
    hairFill: "#201815",
    hairDark: "#47362d",
    eyes: "#1a1210",
    mouth: "#5d2f29",
  },
  {
    hair: "cropped",
    skin: ["#6f4a36", "#5f3e2d", "#503424"],
    wear: ["#5f86b0", "#507499", "#415f80"],
    wearDark: ["#86add4", "#6c93ba", "#56799d"],
    hairFill: "#1b1513",
    hairDark: "#3c2e27",
    eyes: "#130d0b",
    mouth: "#43211d",
  },
  {
    hair: "knot",
    skin: ["#e0bb9a", "#c9a384", "#b08b6d"],
    wear: ["#2f5d83", "#274f71", "#1e3f5c"],
    wearDark: ["#5f93c2", "#4c7ca8", "#3b658c"],
    hairFill: "#7d5a34",
    hairDark: "#99734a",
    eyes: "#2f2019",
    mouth: "#a05a4d",
  },
  {
    hair: "short",
    skin: ["#dfb796", "#c7a081", "#ad886a"],
    wear: ["#4a7d8f", "#3d6b7b", "#305766"],
    wearDark: ["#76abbd", "#5f92a3", "#4b7887"],
    hairFill: "#8b8078",
    hairDark: "#a89d94",
    eyes: "#33261f",
    mouth: "#9b5749",
  },
  {
    hair: "knot",
    skin: ["#a97650", "#946543", "#7d5437"],
    wear: ["#357ba6", "#2b698f", "#205473"],
    wearDark: ["#5aa5d1", "#458ab5", "#347098"],
    hairFill: "#241b17",
    hairDark: "#4b3a31",
    eyes: "#1d1411",
    mouth: "#6f3b31",
  },
];

/** Which of the looks a group's drills are shown in: always the same for the same group. */
export function lookOfGroup(group: string | null | undefined): number {
  if (!group) return 0;
  let sum = 0;
  for (let i = 0; i < group.length; i++) sum = (sum * 31 + group.charCodeAt(i)) % 9973;
  return sum % LOOKS.length;
}

/** A look by its number; one that there is not is the first. */
export const lookAt = (number: number): Look => LOOKS[number] ?? LOOKS[0];

/** How somebody’s partner looks: never the same as they do. */
export const partnerOf = (number: number): Look => lookAt((number + 2) % LOOKS.length);
