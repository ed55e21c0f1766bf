import type { Page } from "@playwright/test";
import { ADDRESS, inApplication } from "./in-application";
import { median } from "./median";
import { appears } from "./watched";

/** What the lock costs in Debian's Chromium, in milliseconds. */
export interface LockFigures {
  /** From the click to the demo course lying sealed in its new slot, files and all. */
  readonly locked: number;
  /**
   * From the passphrase sent to the gradebook in sight. Most of it is trying the passphrase, which is made to cost some 700 ms on
   * the machine as it was when the course was locked: a comparison wants `opened`.
   */
  readonly unlocked: number;
  /** From the code of the recovery sheet sent to the gradebook in sight: trying it costs nothing. Median of several. */
  readonly opened: number;
  /** From the key that keeps a score to its new total, and to "All kept": medians, without and with the lock. */
  readonly shown: { readonly open: number; readonly sealed: number };
  readonly kept: { readonly open: number; readonly sealed: number };
}

const ENTRIES = 64;
/** Papers of one column whose scores are typed over and over. */
const PAPERS = 8;
/** Times that the course is opened with the code of its recovery sheet. */
const OPENINGS = 5;
const PASSPHRASE = "seven wet herons under a bridge";

/** Locks the demo course, opens it, and types scores before and after; open and sealed take turns in one run. */
export function measureLock(): Promise<LockFigures> {
  return inApplication(async (page) => {
    const open = await typeScores(page, "/courses/reading-rivers");
    await page.goto(`${ADDRESS}/courses/reading-rivers/lock`);
    await page.getByLabel("Passphrase", { exact: true }).fill(PASSPHRASE);
    await page.getByLabel("Once more").fill(PASSPHRASE);
    const start = performance.now();
    await page.getByRole("button", { name: "Lock the course", exact: true }).last().click();
    await page.waitForURL(/\/courses\/c-/);
    const locked = performance.now() - start;
    const home = new URL(page.url()).pathname.replace("/lock", "");
    await page.getByRole("button", { name: "Make a recovery sheet" }).click();
    const code = await page.getByText(/^([a-z0-9]{4}-){6}[a-z0-9]{4}$/).innerText();
    const opened: number[] = [];
    for (let time = 0; time < OPENINGS; time += 1) {
      await page.goto(`${ADDRESS}${home}/gradebook`);
      await page.getByRole("button", { name: "Open it with the recovery sheet" }).click();
      await page.getByLabel("The code of its recovery sheet").fill(code);
      opened.push(await untilUnlocked(page));
    }
    await page.goto(`${ADDRESS}${home}/gradebook`);
    await page.getByLabel("Its passphrase").fill(PASSPHRASE);
    const unlocked = await untilUnlocked(page);
    const sealed = await typeScores(page, null);
    return {
      locked,
      unlocked,
      opened: median(opened),
      shown: { open: open.shown, sealed: sealed.shown },
      kept: { open: open.kept, sealed: sealed.kept },
    };
  }, 120_000);
}

/** Sends what was typed; the milliseconds until the gradebook is in sight. */
async function untilUnlocked(page: Page): Promise<number> {
  const start = performance.now();
  await page.getByRole("button", { name: "Unlock" }).click();
  await appears(page, '[role="gridcell"][tabindex="0"]');
  return performance.now() - start;
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
