import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { afterAll, beforeAll, expect, it } from "vitest";

/** What each rule of the house lets pass, and what it refuses. */
const CASES: Readonly<Record<string, { readonly passes: readonly string[]; readonly refuses: readonly string[] }>> = {
  "no-enum": { passes: ['type Mark = "a" | "b";'], refuses: ["enum Mark { A }"] },
  "one-choice": { passes: ["<Choice />"], refuses: ["<select />"] },
  "one-tick": { passes: ['<input type="text" />'], refuses: ['<input type="checkbox" />', '<input type="radio" />'] },
  "hint-in-data": {
    passes: ['<iframe title="a" />', '<Part title="a" />', '<p data-hint="a" />'],
    refuses: ['<p title="a" />'],
  },
  "time-is-handed-in": { passes: ["new Date(at)"], refuses: ["new Date()"] },
};

const folder = mkdtempSync(join(tmpdir(), "quill-house-"));
const said = { text: "" };

beforeAll(() => {
  const rules = Object.fromEntries(Object.keys(CASES).map((name) => [`house/${name}`, "error"]));
  const config = { jsPlugins: [resolve("house-rules.mjs")], categories: { correctness: "off" }, rules };
  writeFileSync(join(folder, ".oxlintrc.json"), JSON.stringify(config));
  for (const [name, { passes, refuses }] of Object.entries(CASES)) {
    for (const [at, code] of [...passes, ...refuses].entries())
      writeFileSync(join(folder, `${name}-${at.toString()}.tsx`), code);
  }
  const linter = resolve("node_modules/.bin/oxlint");
  said.text = spawnSync(linter, ["-c", join(folder, ".oxlintrc.json"), "-f", "unix", "."], {
    cwd: folder,
    encoding: "utf8",
  }).stdout;
});
afterAll(() => {
  rmSync(folder, { recursive: true });
});

for (const [name, { passes, refuses }] of Object.entries(CASES)) {
  it(`the lint's rule ${name} refuses what it is for, and nothing else`, () => {
    const found = [...passes, ...refuses].filter((_, at) => said.text.includes(`${name}-${at.toString()}.tsx:`));
    expect(found).toEqual(refuses);
  });
}
