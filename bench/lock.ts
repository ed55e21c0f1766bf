import type { Page } from "@playwright/test";
import { ADDRESS, inApplication } from "./in-application";
import { appears } from "./watched";

/** What the lock costs in Debian's Chromium, in milliseconds. */
export interface LockFigures {
  /** From the click to the demo course lying sealed in its new slot, files and all. */
  readonly locked: number;
  /** From the passphrase sent to the gradebook in sight. */
  readonly unlocked: number;
  /** From the key that keeps a score to its new total, and to "All kept": medians, without and with the lock. */
  readonly shown: { readonly open: number; readonly sealed: number };
  readonly kept: { readonly open: number; readonly sealed: number };
}

const ENTRIES = 64;
/** Papers of one column whose scores are typed over and over. */
const PAPERS = 8;
const PASSPHRASE = "seven wet herons under a bridge";

/** Locks the demo course, opens it, and types scores before and after; open and sealed take turns in one run. */
export function measureLock(): Promise<LockFigures> {
  return inApplication(async (page) => {
    const open = await typeScores(page, "/courses/reading-rivers");
    await page.goto(`${ADDRESS}/courses/reading-rivers/lock`);
    await page.getByLabel("Passphrase", { exact: true }).fill(PASSPHRASE);
    await page.getByLabel("Once more").fill(PASSPHRASE);
    let start = performance.now();
    await page.getByRole("button", { name: "Lock the course", exact: true }).last().click();
    await page.waitForURL(/\/courses\/c-/);
    const locked = performance.now() - start;
    const home = new URL(page.url()).pathname.replace("/lock", "");
    await page.goto(`${ADDRESS}${home}/gradebook`);
    await page.getByLabel("Its passphrase").fill(PASSPHRASE);
    start = performance.now();
    await page.getByRole("button", { name: "Unlock" }).click();
    await appears(page, '[role="gridcell"][tabindex="0"]');
    const unlocked = performance.now() - start;
    const sealed = await typeScores(page, null);
    return {
      locked,
      unlocked,
      shown: { open: open.shown, sealed: sealed.shown },
      kept: { open: open.kept, sealed: sealed.kept },
    };
  }, 120_000);
}

/** Types scores down a column and times, inside the page, each Enter until it is drawn and until it is kept. */
async function typeScores(page: Page, home: string | null) {
  if (home !== null) await page.goto(`${ADDRESS}${home}/gradebook`);
  await page.locator('[role="gridcell"][tabindex="0"]').click();
  await page.waitForTimeout(3_000);
  await page.evaluate(() => {
    const times = { shown: [] as number[], kept: [] as number[] };
    let start = 0;
    let isShown = false;
    window.addEventListener(
      "keydown",
      ({ key }) => {
        if (key !== "Enter") return;
        start = performance.now();
        isShown = false;
      },
      true,
    );
    new MutationObserver(() => {
      if (start === 0) return;
      if (!isShown) times.shown.push(performance.now() - start);
      isShown = true;
      if (!document.querySelector('[data-keeping="kept"]')) return;
      times.kept.push(performance.now() - start);
      start = 0;
    }).observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
    Object.assign(window, { lockTimes: times });
  });
  for (let entry = 0; entry < ENTRIES; entry += 1) {
    if (entry % PAPERS === 0 && entry > 0) for (let up = 0; up < PAPERS; up += 1) await page.keyboard.press("ArrowUp");
    await page.keyboard.type(String(((entry * 7 + Math.floor(entry / PAPERS)) % 9) + 1));
    await page.keyboard.press("Enter");
    await page.waitForTimeout(250);
  }
  const { shown, kept } = await page.evaluate(
    () => (window as unknown as { lockTimes: { shown: number[]; kept: number[] } }).lockTimes,
  );
  return { shown: median(shown), kept: median(kept) };
}

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
