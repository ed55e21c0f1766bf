import type { Page } from "@playwright/test";

/** Keeps the longest task of the page, in milliseconds. */
export async function watchPage(page: Page): Promise<void> {
  await page.evaluate(() => {
    const seen = { longest: 0 };
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) seen.longest = Math.max(seen.longest, duration);
    }).observe({ entryTypes: ["longtask"] });
  });
}

/** The longest task since it was asked last. */
export const longestHold = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const { seen } = window as unknown as { seen: { longest: number } };
    const { longest } = seen;
    seen.longest = 0;
    return longest;
  });
