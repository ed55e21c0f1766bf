import { spawn, type ChildProcess } from "node:child_process";
import { expect, test } from "@playwright/test";

const running = new Set<ChildProcess>();
test.afterEach(() => {
  for (const child of running) child.kill();
});

/** Runs one of the long tries in its short form; answers what it said when it found a fault, and nothing otherwise. */
function faultsOf(script: string, ...args: readonly string[]): Promise<string> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [`scripts/${script}`, ...args]);
    running.add(child);
    let said = "";
    child.stdout.on("data", (part) => (said += String(part)));
    child.stderr.on("data", (part) => (said += String(part)));
    child.once("exit", (code) => {
      running.delete(child);
      resolve(code === 0 ? "" : said);
    });
  });
}

// The short form of `npm run endure` and its kind; the long ones and their figures stand in docs/endurance.md.
test.describe.configure({ timeout: 240_000 });

// Gathering needs 500 changes first; storage/journal/old-entries.test.ts cuts it short at every write.
// Locking and a new passphrase take half a minute each; storage/lock/lock.test.ts cuts them short at every write.
const ACTS =
  process.env["PROPERTY_RUNS"] === "all" ? ["typing", "taking-in", "locking", "passphrase"] : ["typing", "taking-in"];
for (const [place, act] of ACTS.entries()) {
  test(`the whole browser is killed under ${act}: nothing lost, nothing twice, nothing half`, async () => {
    const port = String(4401 + place);
    expect(await faultsOf("endure.mjs", "--act", act, "--kills", "1", "--seed", "3", "--port", port)).toBe("");
  });
}

test("damaged inputs are refused or read by every reader", async () => {
  expect(await faultsOf("endure-inputs.mjs", "69", "3")).toBe("");
});

test("a thousand changes later, a course opens as one that was written at once", async () => {
  expect(await faultsOf("endure-day.mjs", "1000")).toBe("");
});
