// How the application grows with a course, in Debian's Chromium: one size after the other, in one run.
import { statSync } from "node:fs";
import type { Page } from "@playwright/test";
import { timeTo, typeScores } from "./gradebook";
import { inApplication } from "./in-application";
import { largeCourseFile } from "./large-course";
import { readInLargeCourse } from "./large-course-read-in";

const SIZES = [
  [250, 60],
  [1_000, 120],
  [2_000, 120],
] as const;
const LONG = 600_000;

/** Bytes that the page's own script holds, after what is no longer needed has been let go. */
async function memoryOf(page: Page): Promise<number> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send("HeapProfiler.collectGarbage");
  const { usedSize } = await devtools.send("Runtime.getHeapUsage");
  await devtools.detach();
  return usedSize;
}

function measureSize(students: number, assignments: number): Promise<readonly number[]> {
  return inApplication(async (page) => {
    let start = performance.now();
    await readInLargeCourse(page, students, assignments);
    const readIn = performance.now() - start;
    const opened = await timeTo(page, () => page.getByRole("link", { name: "Gradebook" }).click());
    const { keyMedian } = await typeScores(page);
    await page.locator('[data-keeping="kept"]').waitFor();
    const reloaded = await timeTo(page, () => page.reload({ waitUntil: "commit" }));
    const memory = await memoryOf(page);
    await page.getByRole("link", { name: "Files", exact: true }).click();
    start = performance.now();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Make a course file" }).click();
    const size = statSync(await (await download).path()).size;
    const out = performance.now() - start;
    return [readIn, opened, keyMedian, reloaded, memory / 1e6, out, size / 1e6];
  }, LONG);
}

const HEADS = [
  "course",
  "course file read in, ms (with 4 s of rest)",
  "gradebook opened, ms",
  "key to total, ms",
  "reloaded, ms",
  "memory, MB",
  "course file out, ms",
  "its size, MB",
];
console.log(`| ${HEADS.join(" | ")} |\n|${HEADS.map(() => " ---: |").join("")}`);
for (const [students, assignments] of SIZES) {
  const read = ((await largeCourseFile(students, assignments)).length / 1e6).toFixed(1);
  const figures = await measureSize(students, assignments);
  const name = `${String(students)} x ${String(assignments)} (${read} MB)`;
  console.log(`| ${[name, ...figures.map((one) => one.toFixed(one < 100 ? 1 : 0))].join(" | ")} |`);
}
