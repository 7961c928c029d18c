/** The import directions of docs/architecture.md. */
const TEST = "\\.test\\.ts$";
/** Rooms that others start (workers, Node): they have no door. */
const ENTRIES = ["node", "worker"];
/** The rooms in the order in which values walk. */
const CORE = [
  "maths",
  "track",
  "scene",
  "motion",
  "reps",
  "measures",
  "figure",
  "drills",
  "uncertainty",
  "judge",
  "analysis",
  "live",
  "film",
  "choose",
  "play",
  "practice",
  "formats",
];
const VISION = [
  "kernel",
  "decode",
  "crop",
  "network",
  "patches",
  "silhouette",
  "still",
  "sound",
  "pictures",
  "anytime",
  "read",
  "live",
];

/** Types may be named ahead of their room; values walk one way, and through the front door. */
const road = (part, rooms) => [
  ...rooms.slice(0, -1).map((room, i) => ({
    name: `${part}-${room}-comes-before`,
    severity: "error",
    from: { path: `^src/${part}/${room}/`, pathNot: TEST },
    to: {
      path: `^src/${part}/(${rooms.slice(i + 1).join("|")})/`,
      dependencyTypesNot: ["type-only"],
    },
  })),
  ...rooms.map((room) => ({
    name: `${part}-${room}-through-its-door`,
    severity: "error",
    from: { path: "^src/", pathNot: `^src/${part}/${room}/|${TEST}` },
    to: {
      path: `^src/${part}/${room}/`,
      pathNot: `^src/${part}/${room}/index\\.ts$`,
    },
  })),
  {
    name: `${part}-has-only-these-rooms`,
    severity: "error",
    from: {},
    to: { path: `^src/${part}/`, pathNot: `^src/${part}/(${[...rooms, ...ENTRIES].join("|")})/` },
  },
];

module.exports = {
  forbidden: [
    {
      name: "no-circles",
      severity: "error",
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } },
    },
    {
      name: "core-knows-nobody",
      severity: "error",
      from: { path: "^src/core", pathNot: TEST },
      to: { path: "^(src/(vision|server|cli|ui|app)|tools|demo|tests)" },
    },
    {
      name: "core-has-no-platform",
      severity: "error",
      from: { path: "^src/core", pathNot: "\\.test\\.ts$" },
      to: {
        path: "^(node:|react|next|drizzle|@mediapipe|@litertjs|mediabunny|three)",
        dependencyTypesNot: ["local"],
      },
    },
    {
      name: "vision-knows-only-core",
      severity: "error",
      from: { path: "^src/vision" },
      to: { path: "^src/(server|cli|ui|app)" },
    },
    {
      name: "server-knows-vision-and-core",
      severity: "error",
      from: { path: "^src/server" },
      to: { path: "^src/(cli|ui|app)" },
    },
    {
      name: "ui-knows-no-server-values",
      severity: "error",
      from: { path: "^src/ui" },
      to: { path: "^src/(server|cli|app)", dependencyTypesNot: ["type-only"] },
    },
    {
      // What stands before the program on the network is small, and knows nothing of what is behind.
      name: "front-knows-nobody",
      severity: "error",
      from: { path: "^src/front", pathNot: TEST },
      to: { path: "^src/(core|vision|server|cli|ui|app)" },
    },
    {
      name: "cli-knows-vision-and-core",
      severity: "error",
      from: { path: "^src/cli" },
      to: { path: "^src/(server|ui|app)" },
    },
    {
      name: "nothing-ships-tools",
      severity: "error",
      from: { path: "^src", pathNot: TEST },
      to: { path: "^(tools|demo|tests)" },
    },
    {
      name: "truth-shares-nothing-with-the-estimator",
      severity: "error",
      from: { path: "^src/core/figure" },
      to: { path: "^src/core/(track|scene|motion|reps|measures|uncertainty|judge)" },
    },
    ...road("core", CORE),
    ...road("vision", VISION),
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "^\\.next" },
  },
};
