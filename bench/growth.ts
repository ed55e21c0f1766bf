// How the application grows with a course, in Debian's Chromium: one size after the other, in one run.
import { mkdtempSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { timeTo, typeScores } from "./gradebook";
import { inApplication } from "./in-application";
import { fileOf, largeCourseColumns } from "./large-course";
import { readInFile } from "./large-course-read-in";

const ALL = "250x60 1000x120 2000x120 5000x200";
const SIZES = (process.argv[2] ?? ALL).split(" ").map((size) => size.split("x").map(Number));
const LONG = 600_000;

/** Bytes that the page's own script holds, after what is no longer needed has been let go. */
async function memoryOf(page: Page): Promise<number> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send("HeapProfiler.collectGarbage");
  const { usedSize } = await devtools.send("Runtime.getHeapUsage");
  await devtools.detach();
  return usedSize;
}

async function measureSize(students: number, assignments: number): Promise<readonly number[]> {
  const folder = mkdtempSync(join(tmpdir(), "quill-growth-"));
  const file = join(folder, "large.zip");
  writeFileSync(file, await fileOf(largeCourseColumns(students, assignments)));
  try {
    return [statSync(file).size / 1e6, ...(await inApplication((page) => grow(page, file), LONG))];
  } finally {
    rmSync(folder, { recursive: true });
  }
}

async function grow(page: Page, file: string): Promise<readonly number[]> {
  const readIn = await readInFile(page, file);
  // The counts in the bar are worked out in the first seconds.
  await page.waitForTimeout(4_000);
  const opened = await timeTo(page, () => page.getByRole("link", { name: "Gradebook" }).click());
  const { keyMedian } = await typeScores(page);
  await page.locator('[data-keeping="kept"]').waitFor();
  const reloaded = await timeTo(page, () => page.reload({ waitUntil: "commit" }));
  const memory = await memoryOf(page);
  await page.getByRole("link", { name: "Files", exact: true }).click();
  const start = performance.now();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Make a course file" }).click();
  await (await download).path();
  return [readIn, opened, keyMedian, reloaded, memory / 1e6, performance.now() - start];
}

const HEADS = [
  "course",
  "its course file, MB",
  "read in, ms",
  "gradebook opened, ms",
  "key to total, ms",
  "reloaded, ms",
  "memory, MB",
  "course file out, ms",
];
console.log(`| ${HEADS.join(" | ")} |\n|${HEADS.map(() => " ---: |").join("")}`);
for (const [students = 0, assignments = 0] of SIZES) {
  const figures = await measureSize(students, assignments);
  const name = `${String(students)} x ${String(assignments)}`;
  console.log(`| ${[name, ...figures.map((one) => one.toFixed(one < 100 ? 1 : 0))].join(" | ")} |`);
}
