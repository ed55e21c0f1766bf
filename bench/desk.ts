import type { Page } from "@playwright/test";
import { makePdf } from "../e2e/make-pdf";
import { ADDRESS, inApplication } from "./in-application";
import { median } from "./median";
import { says } from "./watched";

/** What was measured of the desk on the demo course in Debian's Chromium, in milliseconds. */
export interface DeskFigures {
  /** From the key for the next paper to its name and its work's words on screen: median and worst of those walked through. */
  readonly nextMedian: number;
  readonly nextWorst: number;
  readonly papers: number;
  /** From the key for a note on words taken up to the note in the margin, in the same turn of the page: median and worst. */
  readonly noteMedian: number;
  readonly noteWorst: number;
  /** From a file of 200 pages taken in to the words of its first page. */
  readonly firstPage: number;
  /** Most pages drawn at a time while scrolling through all of them. */
  readonly mostPages: number;
}

const PAPERS = 12;
const PAGES = 200;
const NOTES = 12;

/** Drives the built application through the demo course. */
export function measureDesk(): Promise<DeskFigures> {
  return inApplication(async (page) => {
    const next = await walk(page);
    return { ...next, ...(await putNotes(page)), ...(await readLong(page)) };
  }, 60_000);
}

/** Goes on from paper to paper and times, inside the page, each key until another name and some of its work stand there. */
async function walk(page: Page): Promise<Pick<DeskFigures, "nextMedian" | "nextWorst" | "papers">> {
  await page.goto(`${ADDRESS}/courses/reading-rivers/score/flood-memo/aldous-brenn`);
  await page.locator("html[data-ready]").waitFor();
  await page.waitForTimeout(3_000);
  await page.evaluate(() => {
    const times: number[] = [];
    let start = 0;
    let before = "";
    const name = () => document.querySelector("h1")?.textContent ?? "";
    const hasWork = () =>
      [...document.querySelectorAll("*")]
        .map((element) => (element.matches(".text-layer") ? element : element.shadowRoot))
        .some((layer) => (layer?.textContent.trim().length ?? 0) > 20);
    window.addEventListener(
      "keydown",
      (event) => {
        if (event.key !== "ArrowRight" || !event.altKey) return;
        before = name();
        start = performance.now();
      },
      true,
    );
    const look = () => {
      if (start !== 0 && name() !== before && hasWork()) {
        times.push(performance.now() - start);
        start = 0;
      }
      requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
    Object.assign(window, { nextTimes: times });
  });
  for (let step = 0; step < PAPERS; step += 1) {
    await page.keyboard.press("Alt+ArrowRight");
    await page.waitForTimeout(1_500);
  }
  const times = await page.evaluate(() => (window as unknown as { nextTimes: number[] }).nextTimes);
  return { nextMedian: median(times), nextWorst: Math.max(...times), papers: times.length };
}

/** Takes up the same words again and again, puts a note on them, and times each key inside the page. */
async function putNotes(page: Page): Promise<Pick<DeskFigures, "noteMedian" | "noteWorst">> {
  // Before the application listens: the note stands there before a listener of later would hear of the key.
  await page.addInitScript(() => {
    const times: number[] = [];
    const count = () => document.querySelectorAll('[aria-label="Notes in the margin"] > li').length;
    let start = 0;
    let before = 0;
    window.addEventListener(
      "keydown",
      (event) => {
        if (event.key !== "n" || event.target instanceof HTMLInputElement) return;
        before = count();
        start = performance.now();
      },
      true,
    );
    document.addEventListener("DOMContentLoaded", () => {
      new MutationObserver(() => {
        if (start === 0 || count() === before) return;
        times.push(performance.now() - start);
        start = 0;
      }).observe(document.body, { subtree: true, childList: true });
    });
    Object.assign(window, { noteTimes: times });
  });
  await page.goto(`${ADDRESS}/courses/reading-rivers/score/flood-memo/bram-oduya`);
  await page.locator("html[data-ready]").waitFor();
  await page.locator("[data-page] p").first().waitFor();
  await page.waitForTimeout(1_000);
  for (let note = 0; note < NOTES; note += 1) {
    await page.keyboard.press("/");
    await page.keyboard.type("flood");
    await page.keyboard.press("Enter");
    await page.getByRole("toolbar", { name: "For this passage" }).waitFor();
    await page.keyboard.press("n");
    await page.waitForTimeout(300);
    await page.keyboard.press("Escape");
    await page.waitForTimeout(300);
  }
  const times = await page.evaluate(() => (window as unknown as { noteTimes: number[] }).noteTimes);
  if (times.length !== NOTES) throw new Error(`${String(times.length)} notes of ${String(NOTES)} were put`);
  return { noteMedian: median(times), noteWorst: Math.max(...times) };
}

/** Hands in a PDF of many pages, times its first page, and scrolls through it counting the pages that are drawn. */
async function readLong(page: Page): Promise<Pick<DeskFigures, "firstPage" | "mostPages">> {
  const buffer = await makePdf({ pages: PAGES });
  await page.goto(`${ADDRESS}/courses/reading-rivers/score/story-map/bram-oduya`);
  await page.locator("html[data-ready]").waitFor();
  await page.waitForTimeout(1_000);
  const file = { name: "long.pdf", mimeType: "application/pdf", buffer };
  const start = performance.now();
  await page.getByLabel("Add files").setInputFiles(file);
  await says(page, "This is page 1 of");
  const firstPage = performance.now() - start;
  const mostPages = await page.evaluate(async () => {
    const layer = document.querySelector(".text-layer");
    let scroller = layer?.parentElement ?? null;
    while (scroller && scroller.scrollHeight <= scroller.clientHeight + 10) scroller = scroller.parentElement;
    if (!scroller) throw new Error("nothing to scroll");
    let most = 0;
    while (scroller.scrollTop + scroller.clientHeight < scroller.scrollHeight - 4) {
      scroller.scrollTop += scroller.clientHeight * 2;
      await new Promise((resolve) => setTimeout(resolve, 40));
      most = Math.max(most, document.querySelectorAll("canvas").length);
    }
    return most;
  });
  return { firstPage, mostPages };
}
