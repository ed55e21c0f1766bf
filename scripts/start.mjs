// npm start: installs what is missing, builds, serves on 127.0.0.1.
import { build } from "./build.mjs";
import { serveBuilt } from "./serve.mjs";

build();
console.log(`\nUpright Quill is open at http://127.0.0.1:${await serveBuilt()}/ (Ctrl+C ends it)`);
