// dependency-cruiser rules for the layout in architecture.md.
// Run: npx depcruise --config import-rules.cjs app core storage workers demo e2e
const TEST = "\\.test\\.tsx?$|^core/testing/|^storage/testing/|^app/testing/";
// core folders, lowest first: a folder may import the ones to its left, never to its right.
const CORE = [
  "kernel",
  "model",
  "scoring",
  "totals",
  "release",
  "statistics",
  "collect",
  "words",
  "changes",
  "packets",
  "formats",
];
const coreOrder = CORE.slice(0, -1).map((folder, i) => ({
  name: `core-${folder}-looks-down-only`,
  severity: "error",
  comment: `core/${folder} may import only ${CORE.slice(0, i).join(", ") || "nothing of core"}.`,
  from: { path: `^core/${folder}/`, pathNot: TEST },
  to: { path: `^core/(${CORE.slice(i + 1).join("|")})/` },
}));
const deny = (name, comment, from, to) => ({ name, severity: "error", comment, from, to });

module.exports = {
  forbidden: [
    ...coreOrder,
    deny(
      "release-statistics-and-collect-are-siblings",
      "None may know another.",
      { path: "^core/(release|statistics|collect)/", pathNot: TEST },
      { path: "^core/(release|statistics|collect)/", pathNot: "^core/$1/" },
    ),
    deny(
      "core-is-pure",
      "core knows no interface, store, worker or demo.",
      { path: "^core/", pathNot: TEST },
      { path: "^(app|storage|workers|demo|e2e)/" },
    ),
    deny(
      "core-packages-by-name",
      "A package enters core only by being added here.",
      { path: "^core/", pathNot: TEST },
      {
        dependencyTypes: ["npm", "npm-dev", "npm-peer", "npm-optional", "npm-no-pkg", "core"],
        pathNot:
          "node_modules/(zod|@date-fns/tz|@noble/hashes|@zip\\.js/zip\\.js|hash-wasm|papaparse|fflate|fastest-levenshtein|approx-string-match|diff-match-patch|jstat|@types/diff-match-patch)/",
      },
    ),
    deny(
      "storage-sees-core-only",
      "The store never knows screens.",
      { path: "^storage/", pathNot: TEST },
      { path: "^(app|workers|demo|e2e)/" },
    ),
    deny(
      "one-door-to-browser-storage",
      "Only storage/ touches localForage.",
      { pathNot: "^storage/" },
      { path: "node_modules/localforage/" },
    ),
    deny(
      "workers-see-core-only",
      "A worker gets plain data and returns plain data.",
      { path: "^workers/", pathNot: TEST },
      { path: "^(app|storage|demo|e2e)/" },
    ),
    deny(
      "demo-sees-core-only",
      "Demo data is made by running real changes.",
      { path: "^demo/", pathNot: TEST },
      { path: "^(app|storage|workers|e2e)/" },
    ),
    deny(
      "ui-has-no-data-access",
      "Components in app/ui get props and give events.",
      { path: "^app/ui/", pathNot: TEST },
      { path: "^(storage|workers|demo)/|^app/(?!ui/)" },
    ),
    deny(
      "parts-wrapped-once",
      "A standard part is wired in app/ui; screens know the wrapper alone.",
      { path: "^app/(?!ui/)" },
      {
        path: "node_modules/(@dnd-kit/[^/]+|@hookform/[^/]+|@tanstack/react-table|@tiptap/[^/]+|cmdk|echarts|radix-ui|react-day-picker|react-dropzone|react-hook-form|sonner)/",
      },
    ),
    deny(
      "workers-by-client-only",
      "app reaches a worker through workers/client.ts.",
      { path: "^app/" },
      { path: "^workers/", pathNot: "^workers/(client|protocol)\\.ts$" },
    ),
    deny(
      "storage-opened-in-one-place",
      "Only entry.client.tsx imports storage as a value; routes take it from the router context.",
      { path: "^app/", pathNot: "^app/entry\\.client\\.tsx$|" + TEST },
      { path: "^storage/", dependencyTypesNot: ["type-only"] },
    ),
    deny(
      "routes-do-not-import-routes",
      "Shared code moves to app/ui or core: one step of the course knows no other (types excepted).",
      { path: "^app/routes/([^/]+)/", pathNot: TEST },
      { path: "^app/routes/", pathNot: "^app/routes/$1/", dependencyTypesNot: ["type-only"] },
    ),
    deny(
      "rooms-do-not-import-rooms",
      "Within a step a room reaches what lies in the step's own folder, and no other room.",
      { path: "^app/routes/([^/]+)/([^/]+)/", pathNot: TEST },
      { path: "^app/routes/[^/]+/[^/]+/", pathNot: "^app/routes/$1/$2/" },
    ),
    deny(
      "changes-engine-knows-no-command",
      "The engine runs any command; only its register names them.",
      { path: "^core/changes/engine/", pathNot: TEST + "|registry\\.ts$" },
      { path: "^core/changes/(commands|effects)/" },
    ),
    deny(
      "totals-rules-stand-alone",
      "The rules of one student are the basis of whole classes and of explanations.",
      { path: "^core/totals/rules/", pathNot: TEST },
      { path: "^core/totals/(class|account)/" },
    ),
    deny(
      "core-by-its-doors",
      "From outside, a core folder is reached by its index.ts.",
      { path: "^(app|storage|workers|demo|e2e)/", pathNot: TEST },
      { path: "^core/[^/]+/", pathNot: "^core/[^/]+/index\\.ts$" },
    ),
    deny(
      "core-folders-by-their-doors",
      "One core folder reaches another by its index.ts.",
      { path: "^core/([^/]+)/", pathNot: TEST },
      { path: "^core/[^/]+/", pathNot: "^core/$1/|^core/[^/]+/index\\.ts$" },
    ),
    deny(
      "test-helpers-stay-in-tests",
      "core/testing and *.test.* are never shipped.",
      { pathNot: TEST + "|^e2e/|^bench/" },
      { path: TEST },
    ),
    deny(
      "no-cycles",
      "A cycle hides a missing third module.",
      {},
      { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } },
    ),
    deny(
      "no-unresolved",
      "A name that resolves to nothing; the router's generated types stand apart, and the address of the reader's program.",
      {},
      { couldNotResolve: true, pathNot: "/\\+types/|zxing_reader\\.wasm\\?url$" },
    ),
    deny(
      "no-orphans",
      "Dead file?",
      {
        orphan: true,
        pathNot: TEST + "|\\.d\\.m?ts$|^e2e/|^app/(root|routes|entry\\.client)\\.tsx?$|^app/routes/|\\.worker\\.ts$",
      },
      {},
    ),
  ],
  options: {
    // Imports of types alone say so (the lint asks for it), so nothing has to be compiled to tell them.
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "default"] },
  },
};
