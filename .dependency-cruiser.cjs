/** The import directions of docs/architecture.md. */
const rooms = [
  "maths",
  "track",
  "scene",
  "motion",
  "reps",
  "measures",
  "uncertainty",
  "drills",
  "judge",
];

module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    {
      name: "core-knows-nobody",
      severity: "error",
      from: { path: "^src/core" },
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
      name: "cli-knows-vision-and-core",
      severity: "error",
      from: { path: "^src/cli" },
      to: { path: "^src/(server|ui|app)" },
    },
    {
      name: "nothing-ships-tools",
      severity: "error",
      from: { path: "^src" },
      to: { path: "^(tools|demo|tests)" },
    },
    {
      name: "truth-shares-nothing-with-the-estimator",
      severity: "error",
      from: { path: "^src/core/figure" },
      to: { path: "^src/core/(track|scene|motion|reps|measures|uncertainty|judge)" },
    },
    ...rooms.slice(0, -1).map((room, i) => ({
      name: `${room}-comes-before`,
      severity: "error",
      from: { path: `^src/core/${room}/`, pathNot: "\\.test\\.ts$" },
      // Types may be named ahead of their room; values walk one way.
      to: {
        path: `^src/core/(${rooms.slice(i + 1).join("|")})/`,
        dependencyTypesNot: ["type-only"],
      },
    })),
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "^\\.next" },
  },
};
