import type { Page } from "@playwright/test";
import { inApplication } from "./in-application";
import { readInLargeCourse } from "./large-course-read-in";
import { appears } from "./watched";

/** What was measured of the gradebook in Debian's Chromium, in milliseconds. */
export interface GradebookFigures {
  /** From the click on Gradebook to the first cells drawn. */
  readonly opened: number;
  /** From a reload of the page to the first cells drawn. */
  readonly reloaded: number;
  /**
   * From the key that keeps a score to the new total in the page: median and 95th percentile. Both happen in one turn of
   * the page, so this is the script between them with what it lays out.
   */
  readonly keyMedian: number;
  readonly key95: number;
  /** Frames while scrolling in which a row in view was not drawn, of how many. */
  readonly blankFrames: number;
  readonly frames: number;
}

const ENTRIES = 60;

/** Drives the built application with a course of so many students and assignments. */
export function measureGradebook(students: number, assignments: number): Promise<GradebookFigures> {
  return inApplication(async (page) => {
    await readInLargeCourse(page, students, assignments);
    const opened = await timeTo(page, () => page.getByRole("link", { name: "Gradebook" }).click());
    const keys = await typeScores(page);
    const scrolled = await scroll(page);
    await page.locator('[data-keeping="kept"]').waitFor();
    const reloaded = await timeTo(page, () => page.reload({ waitUntil: "commit" }));
    return { opened, reloaded, ...keys, ...scrolled };
  }, 180_000);
}

export async function timeTo(page: Page, act: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await act();
  await appears(page, '[role="gridcell"][tabindex="0"]');
  return performance.now() - start;
}

/** Types scores down a column and times, inside the page, each Enter until the student's total shows the new figure. */
export async function typeScores(page: Page): Promise<Pick<GradebookFigures, "keyMedian" | "key95">> {
  await page.evaluate(() => {
    const times: number[] = [];
    let start = 0;
    let total: Element | null = null;
    let before = "";
    window.addEventListener(
      "keydown",
      (event) => {
        if (event.key !== "Enter") return;
        total = document.activeElement?.closest('[role="row"]')?.children[1] ?? null;
        before = total?.textContent ?? "";
        start = performance.now();
      },
      true,
    );
    new MutationObserver(() => {
      if (start === 0 || !total || total.textContent === before) return;
      times.push(performance.now() - start);
      start = 0;
    }).observe(document.body, { subtree: true, childList: true, characterData: true });
    Object.assign(window, { entryTimes: times });
  });
  for (let entry = 0; entry < ENTRIES; entry += 1) {
    await page.keyboard.type(String((entry % 9) + 1));
    await page.keyboard.press("Enter");
    await page.waitForTimeout(250);
  }
  const times = await page.evaluate(() => (window as unknown as { entryTimes: number[] }).entryTimes);
  return {
    keyMedian: quantile(times, 0.5),
    key95: quantile(times, 0.95),
  };
}

const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * share)] ?? 0;

/** Scrolls down and across, and counts the frames in which the middle of the grid shows no cell. */
async function scroll(page: Page): Promise<{ blankFrames: number; frames: number }> {
  return page.evaluate(async () => {
    const scroller = document.querySelector<HTMLElement>('[role="grid"]')?.parentElement;
    if (!scroller) throw new Error("no grid");
    let blankFrames = 0;
    const frames = 120;
    for (let step = 0; step < frames; step += 1) {
      scroller.scrollTop += 230;
      scroller.scrollLeft += 60;
      await new Promise((resolve) => requestAnimationFrame(resolve));
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const box = scroller.getBoundingClientRect();
      const middle = document.elementFromPoint(box.left + box.width * 0.7, box.top + box.height * 0.6);
      if (!middle?.closest('[role="gridcell"]')) blankFrames += 1;
    }
    return { blankFrames, frames };
  });
}
