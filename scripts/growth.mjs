// npm run growth: how opening, typing, memory and course files grow with a course, in Chromium; minutes long.
import { build } from "./build.mjs";
import { runBundled } from "./bundled.mjs";

build();
process.exit(await runBundled("growth"));
