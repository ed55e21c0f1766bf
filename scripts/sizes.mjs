// How much script a screen brings along, and the bounds that hold it. Run after a build: node scripts/sizes.mjs
import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, normalize } from "node:path";
import { gzipSync } from "node:zlib";
import { at } from "./shell.mjs";

const ASSETS = at("build", "client", "assets");
/**
 * Screens by the routes that make them, the most script each may bring, in KiB of gzip, and in how many files at most; what
 * is loaded when it is shown is apart, and so is pdf.js.
 */
const SCREENS = {
  "first screen (board)": { routes: ["routes/course/page", "routes/board/page"], most: 220, files: 15 },
  desk: { routes: ["routes/course/page", "routes/score/desk/page"], most: 450, files: 35 },
  gradebook: { routes: ["routes/course/page", "routes/records/gradebook/page"], most: 450, files: 20 },
  "student window": { routes: ["routes/window/page"], most: 450, files: 25 },
};

const manifestName = readdirSync(ASSETS).find((name) => /^manifest-.*\.js$/.test(name));
const { entry, routes } = JSON.parse(
  readFileSync(join(ASSETS, manifestName), "utf8")
    .replace(/^window\.__reactRouterManifest=/, "")
    .replace(/;\s*$/, ""),
);

const sizes = new Map();
const importsOf = new Map();
/** A file of the build with what it cannot start without. */
function look(file) {
  if (importsOf.has(file)) return;
  const text = readFileSync(join(ASSETS, file), "utf8");
  sizes.set(file, gzipSync(text).length / 1024);
  const needed = [...text.matchAll(/(?:\bfrom|\bimport)\s*["'](\.[^"']+\.js)["']/g)].map(([, name]) =>
    normalize(join(dirname(file), name)),
  );
  importsOf.set(file, needed);
  needed.forEach(look);
}
function withAllBelow(files) {
  const seen = new Set();
  const visit = (file) => {
    if (seen.has(file)) return;
    seen.add(file);
    look(file);
    importsOf.get(file).forEach(visit);
  };
  files.forEach(visit);
  return seen;
}

let tooLarge = 0;
for (const [name, { routes: wanted, most, files: mostFiles }] of Object.entries(SCREENS)) {
  const parts = ["root", ...wanted].flatMap((id) => {
    const route = routes[id];
    if (!route) throw new Error(`no route ${id} in the build`);
    return [route.module, route.clientLoaderModule, route.clientActionModule, ...route.imports].filter(Boolean);
  });
  const files = [...new Set([entry.module, ...entry.imports, ...parts].map((path) => path.replace(/^\/assets\//, "")))];
  const counted = [...withAllBelow(files)].filter((file) => !file.startsWith("pdf-document"));
  const size = counted.reduce((sum, file) => sum + sizes.get(file), 0);
  const isTooLarge = size > most || counted.length > mostFiles;
  if (isTooLarge) tooLarge += 1;
  console.log(
    `${name}: ${size.toFixed(1)} KiB of script (gzip), at most ${String(most)}; ${String(counted.length)} files, at most ${String(mostFiles)}${isTooLarge ? ": TOO LARGE" : ""}`,
  );
}
process.exit(tooLarge === 0 ? 0 : 1);
