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

/** Asks the page itself, now and then: looking for roles and names in a large page takes as long as what is measured. */
const POLLED = { polling: 50 };

/** Until the page says some words. */
export async function says(page: Page, words: string): Promise<void> {
  await page.waitForFunction((sought) => document.body.textContent.includes(sought), words, POLLED);
}

/**
 * Until something on the page fits a selector, looked for at every frame. A locator's own waiting looks every half second
 * after the first looks, and what takes 900 ms is then read as 1,400.
 */
export async function appears(page: Page, css: string): Promise<void> {
  await page.waitForFunction((sought) => document.querySelector(sought) !== null, css, { polling: "raf" });
}

/** Until nothing on the page fits a selector. */
export async function isGone(page: Page, css: string): Promise<void> {
  await page.waitForFunction((sought) => !document.querySelector(sought), css, POLLED);
}

/** Presses the first button or link, of those that fit a selector, that says some words, once it can be pressed. */
export async function press(page: Page, css: string, words: string): Promise<void> {
  const found = await page.waitForFunction(
    ([sought, said]) =>
      [...document.querySelectorAll<HTMLElement>(sought)].find(
        (one) => !(one as HTMLButtonElement).disabled && one.textContent.includes(said),
      ),
    [css, words] as const,
    POLLED,
  );
  await found.evaluate((one) => {
    // In a turn of its own: the asking is over when it begins.
    setTimeout(() => {
      one?.click();
    });
  });
}
