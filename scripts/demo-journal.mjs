// Makes the journal of the demo course, which is the same every time, once and not in every browser that opens it.
import { readFileSync, writeFileSync } from "node:fs";
import { runnerImport } from "vite";
import { at } from "./shell.mjs";

const { module } = await runnerImport(at("demo", "index.ts"), { configFile: false, root: at("."), logLevel: "warn" });
const documents = module.demoDocumentsSchema.parse(JSON.parse(readFileSync(at("public", "demo", "documents.json"))));
writeFileSync(at("public", "demo", "journal.json"), JSON.stringify(module.demoJournal(documents)));
