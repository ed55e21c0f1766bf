// npm run endure:inputs: damaged inputs over every reader, ten thousand unless told otherwise (`-- 2000 7`: how many, which seed).
import { build as bundle } from "vite";
import { prepare } from "./build.mjs";
import { at, run } from "./shell.mjs";

prepare();
await bundle({
  configFile: false,
  root: at("."),
  logLevel: "warn",
  publicDir: false,
  ssr: { noExternal: ["jstat"] },
  build: { ssr: "bench/damaged-inputs.ts", outDir: "build/endure", emptyOutDir: true, target: "node20" },
});
process.exit(run(process.execPath, [at("build/endure/damaged-inputs.js"), ...process.argv.slice(2)]));
