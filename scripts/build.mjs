// Builds the application: demo documents, files of pdf.js, the client, the server.
import { cpSync, rmSync } from "node:fs";
import { at, bin, install, runOrStop } from "./shell.mjs";

/** Files that pdf.js reads at run time, served from our own address. */
export function copyPdfFiles() {
  rmSync(at("public", "pdfjs"), { recursive: true, force: true });
  for (const folder of ["cmaps", "standard_fonts", "wasm", "iccs"]) {
    cpSync(at("node_modules", "pdfjs-dist", folder), at("public", "pdfjs", folder), { recursive: true });
  }
}

let isPrepared = false;

/** Makes what is made before a build, once in a run. */
export function prepare() {
  if (isPrepared) return;
  isPrepared = true;
  install();
  copyPdfFiles();
  runOrStop("node", ["demo/make/make-documents.mjs"]);
}

export function build() {
  prepare();
  runOrStop(bin("react-router"), ["build"]);
  runOrStop("node", ["scripts/offline.mjs"]);
  runOrStop(bin("tsc"), ["-p", "tsconfig.server.json"]);
}

if (process.argv[1] === at("scripts", "build.mjs")) build();
