// npm run growth: how opening, typing, memory and course files grow with a course, in Chromium; minutes long.
// Other sizes: npm run growth -- "1000x120 5000x200".
import { build } from "./build.mjs";
import { runBundled } from "./bundled.mjs";

build();
process.exit(await runBundled("growth", process.argv.slice(2)));
