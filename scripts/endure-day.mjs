// npm run endure:day: a day of use in fast motion, 20,000 changes unless told otherwise (`-- 2000`).
import { runBundled } from "./bundled.mjs";
import { install } from "./shell.mjs";

install();
process.exit(await runBundled("day", process.argv.slice(2), ["--expose-gc"]));
