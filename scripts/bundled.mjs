// Runs a script of bench/ in Node, bundled first: its sources are those of the application.
import { build as bundle } from "vite";
import { at, run } from "./shell.mjs";

/** Bundles `bench/<name>.ts` and runs it; answers its exit code. */
export async function runBundled(name, args = [], nodeArgs = []) {
  await bundle({
    configFile: false,
    root: at("."),
    logLevel: "warn",
    publicDir: false,
    // Node takes no single names out of this package; bundled, they are found.
    ssr: { noExternal: ["jstat"] },
    build: { ssr: `bench/${name}.ts`, outDir: `build/${name}`, emptyOutDir: true, target: "node20" },
  });
  return run(process.execPath, [...nodeArgs, at(`build/${name}/${name}.js`), ...args]);
}
