// npm run dev: the development server, with the demo's documents in place.
import { prepare } from "./build.mjs";
import { bin, start } from "./shell.mjs";

prepare();
start(bin("react-router"), ["dev", "--host", "127.0.0.1"]).on("exit", (code) => process.exit(code ?? 0));
