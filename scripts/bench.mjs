// npm run bench: builds the benchmark and runs it. Figures differ from run to run; compare only within one.
import { build as bundle } from "vite";
import { build as buildApplication } from "./build.mjs";
import { at, run } from "./shell.mjs";

buildApplication();
const shared = { configFile: false, root: at("."), logLevel: "warn" };
await bundle({
  ...shared,
  // Node takes no single names out of this package; bundled, they are found.
  ssr: { noExternal: ["jstat"] },
  build: { ssr: "bench/main.ts", outDir: "build/bench", emptyOutDir: true, target: "node20" },
});
await bundle({
  ...shared,
  publicDir: false,
  build: {
    lib: { entry: "bench/worker-entry.ts", formats: ["es"], fileName: () => "worker.js" },
    outDir: "build/bench",
    emptyOutDir: false,
  },
});
process.exit(run(process.execPath, [at("build/bench/main.js")]));
