import type { Page } from "@playwright/test";
import { ADDRESS, inApplication } from "./in-application";
import { readInLargeCourse } from "./large-course-read-in";
import { isGone, longestHold, press, says, watchPage } from "./watched";

/** What was measured of Release with a large class, in milliseconds. */
export interface ReleaseFigures {
  /** From the click on Release to its table of seals, and the longest the page was held meanwhile. */
  readonly opened: number;
  readonly openedHold: number;
  /** A score released to everyone, with the running total on show. */
  readonly released: number;
  readonly releasedHold: number;
  /** The running total shown to everyone. */
  readonly shown: number;
  readonly shownHold: number;
  /** The running total of everyone sealed again. */
  readonly sealed: number;
  readonly sealedHold: number;
  /** Totals on show let rest on released work only. */
  readonly rested: number;
  readonly restedHold: number;
}

/** Releases, shows and rests totals in the built application, with a course of so many students and assignments. */
export function measureRelease(students: number, assignments: number): Promise<ReleaseFigures> {
  return inApplication(async (page) => {
    await readInLargeCourse(page, students, assignments);
    await watchPage(page);
    const opened = await timed(page, async () => {
      await press(page, "nav a", "Release");
      await says(page, "Release to ");
    });
    await page.goto(`${ADDRESS}/courses/large/release?total=course`);
    await settled(page);
    await watchPage(page);
    const shown = await timed(page, () => change(page, "Show the Course total"));
    const sealed = await timed(page, () => change(page, "Take back and seal"));
    await change(page, "Show the Course total");
    const rested = await timed(page, () => change(page, "Let them rest on", "Change what they rest on"));
    await page.goto(`${ADDRESS}/courses/large/release`);
    await settled(page);
    await watchPage(page);
    const released = await timed(page, async () => {
      await press(page, "main button", "Release to ");
      await says(page, "Released to");
    });
    const named = <N extends string>(name: N, [time, hold]: readonly [number, number]) =>
      ({ [name]: time, [`${name}Hold`]: hold }) as Record<N | `${N}Hold`, number>;
    return {
      ...named("opened", opened),
      ...named("shown", shown),
      ...named("sealed", sealed),
      ...named("rested", rested),
      ...named("released", released),
    };
  }, 180_000);
}

/** Until the class was looked through for leaks, so that nothing else is under way. */
async function settled(page: Page): Promise<void> {
  await page.waitForFunction(() => document.querySelector("html[data-ready]"), null, { polling: 50 });
  await says(page, "could work out a sealed score");
}

async function change(page: Page, button: string, action = button): Promise<void> {
  await press(page, "main button", button);
  await press(page, "[role=dialog] button", action);
  await isGone(page, "[role=dialog]");
  await settled(page);
}

/** Until what was done is kept and the page has rested for a while: what is held later counts too. */
async function keptAndRested(page: Page): Promise<void> {
  await settled(page);
  await page.waitForFunction(() => document.querySelector('[data-keeping="kept"]'), null, { polling: 50 });
  await page.waitForTimeout(1_500);
}

async function timed(page: Page, act: () => Promise<void>): Promise<readonly [number, number]> {
  const start = performance.now();
  await act();
  const time = performance.now() - start;
  await keptAndRested(page);
  return [time, await longestHold(page)];
}
