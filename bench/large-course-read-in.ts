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
  await page.goto(`${ADDRESS}/courses/reading-rivers/files`);
  await page.locator("html[data-ready]").waitFor();
  const file = {
    name: "large.zip",
    mimeType: "application/zip",
    buffer: await largeCourseFile(students, assignments, isFirstJudged),
  };
  await page.locator('input[type="file"]').first().setInputFiles(file);
  await page.waitForURL(/courses\/large/);
  await page.getByRole("heading", { level: 1 }).waitFor();
  // The counts in the bar are worked out in the first seconds; they are not part of what is measured.
  await page.waitForTimeout(4_000);
}
