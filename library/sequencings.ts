import { sequencingSchema, type Sequencing } from "~/core/draft/sequencing";

const SCHOOLS_AS_WRITTEN = [
  {
    id: "circles-first",
    name: "Circles first, then turns, then the long tissues",
    about:
      "Every joint is circled from the spine down, then its deep turning is worked, then the long tissues; work in the new range comes last.",
    stages: [
      {
        title: "Breath first",
        why: "a few breaths settle the ribs before anything moves",
        takes: [{ methods: ["breath"] }],
      },
      {
        title: "Circles and waves, from the spine down",
        why: "easy circles and waves come first, joint by joint down the body",
        takes: [
          { methods: ["circles"] },
          { methods: ["dynamic"], joints: ["neck", "upper-back", "lower-back"], planes: ["forward-back", "side"] },
        ],
        follows: "down the body",
        least: 3,
      },
      {
        title: "Deep turns",
        why: "a joint’s turning comes before its long tissues",
        takes: [{ planes: ["rotation"], joints: ["hip", "shoulder", "upper-back", "knee"] }],
        least: 1.5,
      },
      {
        title: "Long tissues",
        why: "long tissues give more once the joints under them turn",
        takes: [{ methods: ["dynamic", "hold", "effort", "flow", "release"] }],
        least: 1.5,
      },
      { title: "Work in it", why: "what has been opened is worked in last", takes: [{}] },
    ],
  },
  {
    id: "release-mobilise-load",
    name: "Release, mobilise, load",
    about: "Pressure or breath first, then moving through the range, then strength in it.",
    stages: [
      {
        title: "Release",
        why: "pressure and breath let go first",
        takes: [{ methods: ["release", "breath"] }],
        least: 1.5,
      },
      {
        title: "Mobilise",
        why: "what has let go is moved through its range",
        takes: [{ methods: ["circles", "dynamic", "hold", "flow", "effort"] }],
        least: 3,
      },
      { title: "Load", why: "new range is kept by working in it", takes: [{}], least: 1.5 },
    ],
  },
  {
    id: "switch-on-open",
    name: "Switch on, then open",
    about: "The muscle that opposes the tight one works first; then the tight one is opened.",
    stages: [
      {
        title: "Wake up",
        why: "a few easy movements come before anything works",
        takes: [{ methods: ["circles", "breath", "release"] }],
        follows: "down the body",
        least: 1,
      },
      {
        title: "Switch on",
        why: "the opposing muscle works first, so that the tight one lets go",
        takes: [{ methods: ["activation", "resisted", "balance", "strength"] }],
        least: 2,
      },
      { title: "Open", why: "the tight side is opened once its opposite works", takes: [{}], least: 3 },
    ],
  },
  {
    id: "up-from-the-floor",
    name: "Up from the floor",
    about: "Lying, sitting, all fours, kneeling, standing: everybody gets up once.",
    stages: [
      {
        title: "Up from the floor",
        why: "positions follow one another from the floor up, so that everybody gets up once",
        takes: [{}],
        follows: "up from the floor",
        begins: [0, 1],
      },
    ],
  },
  {
    id: "standing-down",
    name: "From standing down",
    about: "Standing first, the floor last: for groups that come in on their feet and stay down.",
    stages: [
      {
        title: "From standing down",
        why: "positions follow one another from standing down, so that everybody goes down once",
        takes: [{}],
        follows: "down to the floor",
        begins: [0, 1],
      },
    ],
  },
  {
    id: "easy-to-hard",
    name: "Easy to hard",
    about: "What asks for least comes first, whatever joint it is for.",
    stages: [
      {
        title: "Easy to hard",
        why: "what asks for less comes before what asks for more",
        takes: [{}],
        follows: "easy to hard",
      },
    ],
  },
  {
    id: "plane-by-plane",
    name: "Direction by direction",
    about: "Forward and back, then side to side, then turning.",
    stages: [
      {
        title: "Forward and back",
        why: "forward and back comes first",
        takes: [{ planes: ["forward-back"] }],
        least: 2,
      },
      { title: "Side to side", why: "side to side follows", takes: [{ planes: ["side"] }], least: 2 },
      {
        title: "Turning",
        why: "turning comes last, on joints that have moved both other ways",
        takes: [{ planes: ["rotation"] }],
        least: 2,
      },
    ],
  },
];

/** The order schools that ship with Mapset. */
export const SEQUENCINGS: readonly Sequencing[] = SCHOOLS_AS_WRITTEN.map((school) => sequencingSchema.parse(school));

const byId = new Map(SEQUENCINGS.map((school) => [school.id, school]));

export const sequencingById = (id: string): Sequencing | undefined => byId.get(id);
