import type { Protects } from "~/core/group/protect";
import type { GroupSetting } from "~/core/group/schema";

/** Invented people. Juniors are known by initials or a nickname only. */
export const COACH = { name: "Robin Vale", email: "coach@kestrelsound.example" };
/** The others who work at the club; they sign in with the same password. */
export const STAFF = [
  { name: "Jules Harrow", email: "second@kestrelsound.example", role: "coach" },
  { name: "Sascha Lind", email: "assistant@kestrelsound.example", role: "assistant" },
] as const;

type Squad = {
  name: string;
  people: string[];
  demand: string;
  setting: GroupSetting;
  protects: Record<string, Protects[]>;
};

const SQUADS = {
  rowers: {
    name: "Kestrel Sound junior rowers",
    people: ["Moss", "Tern", "J. K.", "Pip", "Wren", "A. D.", "Skua", "Olli"],
    demand: "rowing",
    setting: { kit: { pad: 10, stick: 8, wall: 1, block: 6 }, surface: "mat", floor: 14, effortCap: 80, mixed: true },
    protects: { Tern: [{ area: "groin-stretch", side: "right" }] },
  },
  handball: {
    name: "Kestrel Sound handball",
    people: ["Noor", "Ada", "Bex", "Ines", "Runa", "Tilde", "Yara"],
    demand: "handball",
    setting: { kit: { stick: 14, pad: 8, support: 8, wall: 1 }, surface: "hall floor", floor: 20, holdCap: 45 },
    protects: { Runa: [{ area: "shoulder-overhead", side: "right" }] },
  },
  staff: {
    name: "Staff lunchtime class",
    people: ["Carys", "Dov", "Hamish", "Leila", "Oskar"],
    demand: "desk-work",
    setting: {
      kit: { chair: 6, wall: 1, support: 6, pad: 5, roller: 5, cushion: 5, block: 10 },
      surface: "carpet",
      effortCap: 60,
      support: true,
      mixed: true,
    },
    protects: {
      Hamish: ["kneeling", "floor"],
      Leila: [{ area: "wrist-weight", way: "small" }],
      Oskar: [{ area: "knee-deep-bend", side: "left", limit: 90 }],
    },
  },
} satisfies Record<string, Squad>;

export const GROUPS: Readonly<Record<GroupKey, Squad>> = SQUADS;

export type GroupKey = keyof typeof SQUADS;

type Said = {
  name: string;
  daysAgo: number;
  share: number;
  hard?: number;
  /** Left and right, in the order of the session's main joints. */
  felt?: [number, number][];
  pain?: string;
  /** The drill it hurt in, by id. */
  painIn?: string;
  note?: string;
  /** Followed, but never checked in. */
  silent?: true;
};

/** The feedback in the demo, by group. */
export const FEEDBACK: Record<GroupKey, Said[]> = {
  rowers: [
    {
      name: "Moss",
      daysAgo: 6,
      share: 1,
      hard: 4,
      felt: [
        [3, 3],
        [4, 6],
      ],
    },
    {
      name: "Tern",
      daysAgo: 6,
      share: 1,
      hard: 5,
      felt: [
        [2, 2],
        [5, 7],
      ],
    },
    {
      name: "Pip",
      daysAgo: 6,
      share: 0.62,
      hard: 6,
      felt: [
        [3, 4],
        [5, 5],
      ],
      note: "Bus was early.",
    },
    {
      name: "Moss",
      daysAgo: 1,
      share: 1,
      hard: 3,
      felt: [
        [2, 2],
        [3, 5],
      ],
    },
    {
      name: "Tern",
      daysAgo: 1,
      share: 1,
      hard: 4,
      felt: [
        [2, 2],
        [3, 7],
      ],
      pain: "inside of the right hip",
      painIn: "squat-reach",
    },
    {
      name: "J. K.",
      daysAgo: 1,
      share: 1,
      hard: 5,
      felt: [
        [1, 2],
        [4, 4],
      ],
      note: "The stick part went too fast for me.",
    },
    {
      name: "Wren",
      daysAgo: 1,
      share: 1,
      hard: 4,
      felt: [
        [2, 1],
        [3, 3],
      ],
    },
    { name: "Skua", daysAgo: 1, share: 0.81, silent: true },
  ],
  handball: [
    {
      name: "Noor",
      daysAgo: 3,
      share: 1,
      hard: 5,
      felt: [
        [3, 4],
        [2, 5],
      ],
    },
    {
      name: "Bex",
      daysAgo: 3,
      share: 1,
      hard: 6,
      felt: [
        [4, 4],
        [3, 6],
      ],
    },
    {
      name: "Ines",
      daysAgo: 3,
      share: 1,
      hard: 4,
      felt: [
        [2, 3],
        [2, 4],
      ],
      note: "Throwing side feels it.",
    },
    { name: "Yara", daysAgo: 3, share: 0.45, silent: true },
  ],
  staff: [
    {
      name: "Dov",
      daysAgo: 5,
      share: 1,
      hard: 3,
      felt: [
        [5, 5],
        [4, 4],
      ],
    },
    {
      name: "Leila",
      daysAgo: 5,
      share: 1,
      hard: 2,
      felt: [
        [4, 6],
        [3, 3],
      ],
      note: "Best part of the week.",
    },
  ],
};
