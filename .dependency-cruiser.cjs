/**
 * The rooms of core/, each layer built on those over it in this list and on nothing under it or beside it: what words there are,
 * how much is done, what a drill is, what a session is, how it lies in time, what judges and plans it, what is kept of it.
 */
const LAYERS = [
  ["clock", "mail"],
  ["club", "saving"],
  ["vocabulary"],
  ["dose"],
  ["figure"],
  ["drills"],
  ["session"],
  ["timeline"],
  ["stress", "coverage", "order"],
  ["sport-profiles"],
  ["group", "checkin"],
  ["arc"],
  ["wording"],
  ["browse", "edition", "profile", "player", "outbox"],
  ["levers"],
  ["audit"],
  ["fit"],
  ["draft", "live"],
  ["documents", "files"],
];

const rooms = (layers) => layers.flat().join("|");

/** Each room, and all it may not look at: the other rooms of its layer and those of later ones. */
const layers = LAYERS.flatMap((layer, i) =>
  layer.map((room) => ({
    name: `layer-of-${room}`,
    severity: "error",
    comment: "Rooms of core/ build on earlier layers only: see docs/architecture.md.",
    from: { path: `^core/${room}/` },
    to: { path: `^core/(${rooms([layer.filter((one) => one !== room), ...LAYERS.slice(i + 1)])})/` },
  })),
).filter(({ to }) => to.path !== "^core/()/");

module.exports = {
  forbidden: [
    // Each file can be read, tested and moved without the others, whether by what it runs or by its types.
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    ...layers,
    {
      name: "basics-stand-alone",
      severity: "error",
      comment: "Files beside the rooms of core/ are what all of them stand on.",
      from: { path: "^core/[^/]+\\.ts$" },
      to: { path: "^core/[^/]+/" },
    },
    {
      name: "every-room-has-a-layer",
      severity: "error",
      comment: "A new room of core/ is put in its layer above.",
      from: {},
      to: { path: "^core/[^/]+/", pathNot: `^core/(${rooms(LAYERS)})/` },
    },
    {
      name: "pages-do-not-ask-the-database",
      severity: "error",
      comment:
        "What is drawn in the browser gets plain data from its loader, and knows of the database only its types.",
      from: { path: "^app/.*\\.tsx$", pathNot: "/(route|layout|sheet|home|sign-out|up|[a-z-]+\\.server)\\.tsx$" },
      to: { path: "^(db|app/.*\\.server\\.ts)", dependencyTypesNot: ["type-only", "type-import"] },
    },
    {
      name: "made-up-things-are-for-tests",
      severity: "error",
      from: { pathNot: "^(fixtures|scripts)/" },
      to: { path: "^fixtures/" },
    },
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "(^build|\\.react-router|\\.test\\.tsx?$)" },
  },
};
