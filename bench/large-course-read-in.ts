import type { Page } from "@playwright/test";
import { ADDRESS } from "./in-application";
import { largeCourseFile } from "./large-course";

/** Reads the made-up large course into the application and waits until it is open. */
export async function readInLargeCourse(
  page: Page,
  students: number,
  assignments: number,
  isFirstJudged = false,
): Promise<void> {
  const buffer = await largeCourseFile(students, assignments, isFirstJudged);
  await readInFile(page, { name: "large.zip", mimeType: "application/zip", buffer });
  // The counts in the bar are worked out in the first seconds; they are not part of what is measured.
  await page.waitForTimeout(4_000);
}

/** Reads a course file of the made-up course in. Answers in how many milliseconds it stood open. */
export async function readInFile(
  page: Page,
  file: { readonly name: string; readonly mimeType: string; readonly buffer: Buffer } | string,
): Promise<number> {
  await page.goto(`${ADDRESS}/courses/reading-rivers/files`);
  await page.locator("html[data-ready]").waitFor();
  const start = performance.now();
  await page.locator('input[type="file"]').first().setInputFiles(file);
  await page.waitForURL(/courses\/large/);
  await page.getByRole("heading", { level: 1 }).waitFor();
  return performance.now() - start;
}
