// npm run dev: the development server, with the demo course in place, as it is when it starts.
import { prepare } from "./build.mjs";
import { bin, runOrStop, start } from "./shell.mjs";

prepare();
runOrStop("node", ["scripts/demo-journal.mjs"]);
start(bin("react-router"), ["dev", "--host", "127.0.0.1"]).on("exit", (code) => process.exit(code ?? 0));
