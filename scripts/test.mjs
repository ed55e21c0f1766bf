// npm test: everything a change must pass. Ends with one line, "N passed, N failed".
import { existsSync, readFileSync, rmSync } from "node:fs";
import { relative } from "node:path";
import { BUILD_STEPS, prepareBeside } from "./build.mjs";
import { readJourneys, short } from "./journeys.mjs";
import { at, bin, run, runQuietly } from "./shell.mjs";

const results = [];
const failures = [];
const note = (name, passed, failed) => {
  results.push({ name, passed, failed });
  console.log(`-- ${name}: ${passed} passed, ${failed} failed`);
};
const check = (name, command, args) => {
  console.log(`\n== ${name}`);
  const ok = run(command, args) === 0;
  note(name, ok ? 1 : 0, ok ? 0 : 1);
  return ok;
};

/**
 * Checks that run beside each other, those of a lane one after the other; a promise among them is waited for. What a check
 * says is shown when it is done. A check counts as one, unless it brings along how its outcome is counted.
 */
const checkInLanes = (...lanes) =>
  Promise.all(
    lanes.map(async (lane) => {
      for (const step of lane) {
        if (step instanceof Promise) {
          await step;
          continue;
        }
        const [name, command, args, count = null] = step;
        const { code, said } = await runQuietly(command, args);
        console.log(`\n== ${name}\n${said}`);
        if (count) count(name, code);
        else note(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1);
      }
    }),
  );

/** What the tests need of Debian's packages, with a file by which each is known to be there. */
const PACKAGES = {
  chromium: ["/usr/bin/chromium"],
  "chromium-headless-shell": ["/usr/bin/chromium-headless-shell"],
  // Poppler reads the PDF files that the application writes.
  "poppler-utils": ["/usr/bin/pdftotext"],
  // A second opinion on the locked archives that the application writes.
  "p7zip-full": ["/usr/bin/7z"],
  // Opens the copies locked as age files.
  age: ["/usr/bin/age"],
  // Writes and reads what cameras put into pictures.
  "libimage-exiftool-perl": ["/usr/bin/exiftool"],
  // Opens the spreadsheets that the application writes, and saves some for it to read.
  "libreoffice-calc-nogui": ["/usr/bin/soffice"],
  "python3-gi": ["/usr/lib/python3/dist-packages/gi/__init__.py"],
  "gir1.2-poppler-0.18": ["x86_64-linux-gnu", "aarch64-linux-gnu"].map(
    (place) => `/usr/lib/${place}/girepository-1.0/Poppler-0.18.typelib`,
  ),
};

/** Installs those that lack, while what needs none of them goes on. */
async function installPackages() {
  const lacking = Object.keys(PACKAGES).filter((name) => !PACKAGES[name].some((place) => existsSync(place)));
  if (lacking.length === 0) return;
  console.log(`Installing ${lacking.join(", ")} from Debian's packages`);
  process.env.DEBIAN_FRONTEND = "noninteractive";
  const { said } = await runQuietly("sh", [
    "-c",
    `apt-get update -qq; apt-get install -y -qq --no-install-recommends ${lacking.join(" ")}`,
  ]);
  console.log(said);
}

/** Counts from a JSON report; a run that left none counts as one failure, and so does what only its exit code tells. */
function countReport(name, file, code, read) {
  if (!existsSync(file)) return note(name, 0, 1);
  const { passed, failed } = read(JSON.parse(readFileSync(file, "utf8")));
  note(name, passed, failed === 0 && code !== 0 ? 1 : failed);
}

const unitReport = at("test-results", "unit.json");
const countUnitTests = (name, code) =>
  countReport(name, unitReport, code, (report) => {
    for (const file of report.testResults.filter(({ status }) => status === "failed")) {
      const failed = file.assertionResults.filter(({ status }) => status === "failed");
      if (failed.length === 0) failures.push(`${relative(at("."), file.name)}: ${short(file.message)}`);
      for (const { fullName, failureMessages } of failed) {
        failures.push(`${relative(at("."), file.name)}: ${fullName}\n      ${short(failureMessages[0])}`);
      }
    }
    const { numPassedTests: passed, numFailedTests: failed, numFailedTestSuites: files } = report;
    return { passed, failed: failed > 0 ? failed : files };
  });

const packages = installPackages();
const documents = prepareBeside();
rmSync(at("test-results"), { recursive: true, force: true });

check("types: routes", bin("react-router"), ["typegen"]);
const REPORTERS = ["--reporter=default", "--reporter=json"];
const FOLDERS = ["app", "core", "storage", "workers", "demo", "e2e", "server"];
await checkInLanes(
  [
    ["lint", bin("oxlint"), []],
    // The compiler of today checks the types in a sixth of the time that the one before it takes.
    ["types", process.execPath, [at("node_modules", "typescript-7", "bin", "tsc"), "-b"]],
    ["format", bin("oxfmt"), ["--check", "."]],
    ["layers", bin("depcruise"), ["--config", "layers.cjs", ...FOLDERS]],
    ["nothing unused", bin("knip"), ["--no-progress"]],
    ["docs/checks.md", process.execPath, ["scripts/checks.mjs", "--check"]],
    documents,
    ...BUILD_STEPS.map(([name, ...step]) => [`build: ${name}`, ...step]),
    ["script sizes", process.execPath, ["scripts/sizes.mjs"]],
  ],
  [
    packages,
    documents,
    ["unit tests", bin("vitest"), ["run", ...REPORTERS, `--outputFile.json=${unitReport}`], countUnitTests],
  ],
);

console.log("\n== end-to-end tests");
const browserReport = at("test-results", "e2e.json");
const ended = run(bin("playwright"), ["test"], { env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: browserReport } });
countReport("end-to-end tests", browserReport, ended, (report) => {
  const { acts, said, passed } = readJourneys(report);
  if (acts.length > 0) console.log(`-- acts of a person (one act: a click, a key, a choice, or one thing typed)`);
  for (const line of acts) console.log(`   ${line}`);
  failures.push(...said);
  return { passed, failed: said.length };
});

// What failed is said again at the end, where it is looked for: the runs above are long.
for (const { name, failed } of results) if (failed > 0) console.log(`\n-- failed: ${name}`);
for (const line of failures) console.log(`   ${line}`);

const total = (key) => results.reduce((sum, result) => sum + result[key], 0);
console.log(`\n${total("passed")} passed, ${total("failed")} failed`);
process.exit(total("failed") === 0 ? 0 : 1);
