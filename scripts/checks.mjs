// Writes docs/checks.md from the tests: which figures are held against which source. With --check it only compares.
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { at } from "./shell.mjs";

const reference = JSON.parse(readFileSync(at("core/testing/reference.json"), "utf8"));
const LIBRARIES = ["fraction.js", "simple-statistics", "javascript-lp-solver", "papaparse", "hyperformula"];

const filesBelow = (folder) =>
  readdirSync(at(folder), { recursive: true })
    .map((name) => `${folder}/${name}`)
    .filter((name) => name.endsWith(".test.ts") || name.endsWith(".test.tsx") || name.startsWith("bench/"))
    .filter((name) => name.endsWith(".ts") || name.endsWith(".tsx"))
    .sort();
const files = ["app", "bench", "core", "storage"].flatMap(filesBelow);
const texts = new Map(files.map((file) => [file, readFileSync(at(file), "utf8")]));

/** Ids named in a test: whole, or by the fixed beginning of a template that is filled in. */
function idsIn(text) {
  const prefixes = [...text.matchAll(/`([a-z][\w.]*\.)\$\{/g)].map((match) => match[1]);
  return Object.keys(reference).filter(
    (id) =>
      text.includes(`"${id}"`) ||
      text.includes(`reference ${id}:`) ||
      text.includes(`reference ${id})`) ||
      prefixes.some((prefix) => id.startsWith(prefix)),
  );
}

const usedIn = new Map();
for (const [file, text] of texts) {
  for (const id of idsIn(text)) usedIn.set(id, [...(usedIn.get(id) ?? []), file]);
}

const cell = (text) => String(text).replace(/\s+/g, " ").replaceAll("|", "\\|").trim();
const row = (...cells) => `| ${cells.map(cell).join(" | ")} |`;
const published = [...usedIn].sort(([a], [b]) => (a < b ? -1 : 1));
const open = Object.keys(reference).filter((id) => !usedIn.has(id));

const opinions = LIBRARIES.flatMap((library) =>
  [...texts].filter(([, text]) => text.includes(`from "${library}"`)).map(([file]) => ({ library, file })),
);
/** Titles of tests that say where their figure comes from, when that is no published value. */
const ORIGIN = /\(by hand|by hand\)|: by hand|, by hand:|worked by hand|from memory|convention of the handbook/i;
const marks = [...texts].flatMap(([file, text]) =>
  [...text.matchAll(/(?:it|describe)\(\s*["`]([^"`]*)["`]/g)]
    .filter(([, title]) => ORIGIN.test(title))
    .map(([, title]) => ({ file, words: title })),
);
const practice = filesBelowSource().flatMap((file) =>
  [...readFileSync(at(file), "utf8").matchAll(/.*common practice, no source.*/g)].map((match) => ({
    file,
    words: match[0].replace(/^[\s/*]+/, "").slice(0, 150),
  })),
);
function filesBelowSource() {
  return readdirSync(at("core"), { recursive: true })
    .map((name) => `core/${name}`)
    .filter((name) => name.endsWith(".ts") && !name.endsWith(".test.ts"))
    .sort();
}

const page = [
  "# Outside checks",
  "",
  "Made by `npm run checks` from the tests; do not edit. Each published value that a test holds the figures against, with its",
  "source and how sure it is: *confirmed* values were worked out in more than one way, *memory* ones are to be looked up again,",
  "*definition* marks a convention that the handbook settles.",
  "",
  `## Published values (${published.length})`,
  "",
  row("check", "what", "source", "status", "tests"),
  "|---|---|---|---|---|",
  ...published.map(([id, tests]) =>
    row(
      `\`${id}\``,
      reference[id].title,
      reference[id].source,
      reference[id].status,
      tests.map((file) => `\`${file}\``).join(", "),
    ),
  ),
  "",
  "## Second opinions from general-purpose libraries",
  "",
  row("library", "where"),
  "|---|---|",
  ...opinions.map(({ library, file }) => row(library, `\`${file}\``)),
  "",
  "## Worked by hand, conventions, and values from memory",
  "",
  "Five whole totals from entry to letter: [figures.md](figures.md).",
  "",
  row("where", "the test's own words"),
  "|---|---|",
  ...marks.map(({ file, words }) => row(`\`${file}\``, words)),
  "",
  "## Facts of the trade without a source",
  "",
  row("where", "words"),
  "|---|---|",
  ...practice.map(({ file, words }) => row(`\`${file}\``, words)),
  "",
  `## Reference values not used yet (${open.length})`,
  "",
  "They belong to parts that are not built yet (exports, mail, PDF annotations, reading ease, ...).",
  "",
  open.map((id) => `\`${id}\``).join(", "),
  "",
].join("\n");

if (process.argv.includes("--check")) {
  const kept = readFileSync(at("docs/checks.md"), "utf8");
  if (kept !== page) {
    console.error("docs/checks.md is not what the tests say. Run npm run checks.");
    process.exit(1);
  }
} else writeFileSync(at("docs/checks.md"), page);
