// Builds the application: demo course, files of pdf.js, the client, the server.
import { cpSync, existsSync, readdirSync, rmSync, statSync } from "node:fs";
import { join } from "node:path";
import { at, bin, install, runOrStop, runQuietly } from "./shell.mjs";

/** Files that pdf.js reads at run time, served from our own address. */
export function copyPdfFiles() {
  rmSync(at("public", "pdfjs"), { recursive: true, force: true });
  for (const folder of ["cmaps", "standard_fonts", "wasm", "iccs"]) {
    cpSync(at("node_modules", "pdfjs-dist", folder), at("public", "pdfjs", folder), { recursive: true });
  }
}

/** Whether the demo's documents are younger than all that they are made of: making them takes as long as a build. */
function areDocumentsMade() {
  const list = at("public", "demo", "documents.json");
  if (!existsSync(list)) return false;
  // A folder is as young as the last time that something came into it or went.
  const sources = ["make", "hand-ins", "inbox"].flatMap((folder) => [
    at("demo", folder),
    ...readdirSync(at("demo", folder), { recursive: true }).map((name) => join(at("demo", folder), name)),
  ]);
  const made = statSync(list).mtimeMs;
  return [...sources, at("package-lock.json")].every((path) => statSync(path).mtimeMs < made);
}

let isPrepared = false;

const DOCUMENTS = ["node", ["demo/make/make-documents.mjs"]];

/** Makes what is made before a build, once in a run. */
export function prepare() {
  if (isPrepared) return;
  isPrepared = true;
  install();
  copyPdfFiles();
  if (!areDocumentsMade()) runOrStop(...DOCUMENTS);
}

/** The same, for a run that has other things to do while the demo's documents are made. */
export async function prepareBeside() {
  isPrepared = true;
  install();
  copyPdfFiles();
  if (areDocumentsMade()) return;
  const { code, said } = await runQuietly(...DOCUMENTS);
  if (code !== 0) throw new Error(`the demo's documents were not made\n${said}`);
}

/** What a build does once all is prepared, one after the other. */
export const BUILD_STEPS = [
  ["the demo's journal", "node", ["scripts/demo-journal.mjs"]],
  ["the application", bin("react-router"), ["build"]],
  ["what is kept for offline", "node", ["scripts/offline.mjs"]],
  ["the server", bin("tsc"), ["-p", "tsconfig.server.json"]],
];

export function build() {
  prepare();
  for (const [, command, args] of BUILD_STEPS) runOrStop(command, args);
}

if (process.argv[1] === at("scripts", "build.mjs")) build();
