// npm run endure:inputs: damaged inputs over every reader, ten thousand unless told otherwise (`-- 2000 7`: how many, which seed).
import { prepare } from "./build.mjs";
import { runBundled } from "./bundled.mjs";

prepare();
process.exit(await runBundled("damaged-inputs", process.argv.slice(2)));
