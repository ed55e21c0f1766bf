import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { makePdf } from "../e2e/make-pdf";
import { asPictures, asScan } from "../e2e/make-scan";
import { ADDRESS, inApplication } from "./in-application";
import { longestHold, says, watchPage } from "./watched";

/** Pages of a paper, its cover among them. */
const PAGES = 5;
const PAPERS = 60;
/** Students of the demo course. */
const STUDENTS = 28;

/** A scan of 300 pages of A4 at 150 dots an inch: 60 papers with their covers, every third upside down. */
async function scanOf(page: Page): Promise<Buffer> {
  await page.getByRole("button", { name: "Codes for a pile" }).click();
  await page.getByLabel("Blank ones, for guests and spoilt sheets").fill(String(PAPERS - STUDENTS));
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: `Make ${String(PAPERS)} cover sheets` }).click();
  const covers = asPictures(readFileSync(await (await download).path()));
  await page.keyboard.press("Escape");
  const work = asPictures(await makePdf({ pages: PAGES - 1 }));
  return asScan(
    covers.flatMap((picture, index) =>
      [picture, ...work].map((one) => ({ picture: one, isUpsideDown: index % 3 === 1 })),
    ),
  );
}

/**
 * Milliseconds from a scan of 300 pages chosen to its 60 papers in the tray, the longest that the page was held, and the
 * most memory in MB that its process had, workers among it, as `ps` of Debian's procps tells.
 */
export async function measureScan() {
  const folder = mkdtempSync(join(tmpdir(), "quill-bench-"));
  // By its path: a buffer would be carried into the page first, which is not what is measured.
  const path = join(folder, "pile.pdf");
  try {
    return await inApplication(async (page) => {
      await page.goto(`${ADDRESS}/courses/reading-rivers/collect?into=field-notebook`);
      await page.locator("html[data-ready]").waitFor();
      writeFileSync(path, await scanOf(page));
      await watchPage(page);
      const start = Date.now();
      let megabytes = 0;
      const watching = setInterval(() => {
        megabytes = Math.max(megabytes, largestRenderer());
      }, 500);
      await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles(path);
      await says(page, `${String(STUDENTS)} of ${String(PAPERS)} have their student.`);
      clearInterval(watching);
      const all = Date.now() - start;
      const longest = await longestHold(page);
      return { all, longest, megabytes };
    }, 180_000);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

function largestRenderer(): number {
  const lines = execFileSync("ps", ["-eo", "rss,args"], { encoding: "utf8" }).split("\n");
  const sizes = lines.filter((line) => line.includes("--type=renderer")).map((line) => Number.parseInt(line, 10));
  return Math.max(0, ...sizes) / 1_024;
}
