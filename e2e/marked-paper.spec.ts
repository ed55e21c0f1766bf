import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { allKept, expect, goTo, margin, openDemo, takeUp, test } from "./helpers";

const more = async (page: Page, words: string) => {
  await page.getByRole("button", { name: "More for this paper" }).click();
  await page.getByRole("menuitem", { name: words }).click();
};

async function savedBy(page: Page, words: string): Promise<string> {
  const download = page.waitForEvent("download");
  await more(page, words);
  // The score is sealed in the demo: what holds it is saved as an instructor's copy, and only when that is said.
  if (words.startsWith("Save the marked paper")) {
    await expect(page.getByRole("alertdialog")).toContainText("which its student has not been given");
    await page.getByRole("button", { name: "Save an instructor's copy" }).click();
  }
  return (await download).path();
}

/** Remarks of a PDF by pdf.js: type, words and rectangle. */
async function remarksOf(file: string) {
  const task = getDocument({ data: new Uint8Array(readFileSync(file)), useSystemFonts: true, verbosity: 0 });
  const document = await task.promise;
  const found: { page: number; subtype: string; words: string; rect: number[] }[] = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const annotations = (await (await document.getPage(number)).getAnnotations()) as {
      subtype: string;
      contentsObj: { str: string };
      rect: number[];
    }[];
    for (const { subtype, contentsObj, rect } of annotations) {
      if (subtype !== "Popup") found.push({ page: number, subtype, words: contentsObj.str, rect });
    }
  }
  const text = await (await document.getPage(document.numPages)).getTextContent();
  await task.destroy();
  return { found, last: text.items.map((item) => ("str" in item ? item.str : "")).join(" ") };
}

/** Puts one note, one strike-out and one tick on words of the paper. */
async function annotate(page: Page, note: string, struck: string, ticked: string): Promise<void> {
  await takeUp(page, note);
  await page.keyboard.press("n");
  await page.keyboard.type("Which year? Ποιος;");
  await page.keyboard.press("Control+Enter");
  await takeUp(page, struck);
  await page.keyboard.press("s");
  await takeUp(page, ticked);
  await page.keyboard.press("y");
  await allKept(page);
}

test("a marked PDF goes out with standard annotations and comes back in with every remark", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/sanna-wiik");
  await page.locator(".text-layer span").first().waitFor();
  const before = await margin(page).locator(":scope > li").count();
  await annotate(page, "highest flow", "record contains", "contains the");
  await expect(margin(page).locator(":scope > li")).toHaveCount(before + 3);
  const file = await savedBy(page, "Save the marked paper (PDF)");
  await expect(page.getByRole("status").filter({ hasText: "-instructors-copy.pdf was saved" })).toBeVisible();
  const { found, last } = await remarksOf(file);
  expect(found).toHaveLength(before + 3);
  expect(found.map(({ subtype }) => subtype)).toEqual(expect.arrayContaining(["Highlight", "StrikeOut", "Underline"]));
  expect(found.find(({ subtype }) => subtype === "StrikeOut")?.page).toBe(1);
  expect(found.some(({ words }) => words === "Which year? Ποιος;")).toBe(true);
  expect(last).toContain("Sanna Wiik");
  expect(last).toMatch(/Instructor.s copy, not released/);
  await goTo(page, "/courses/reading-rivers/journal");
  await expect(page.getByText(/Sanna Wiik, .*: instructor's copy of the marked paper saved/).first()).toBeVisible();
  await goTo(page, "/courses/reading-rivers/score/flood-memo/sanna-wiik");
  await page.locator(".text-layer span").first().waitFor();

  for (let step = 0; step < 4; step += 1) await page.keyboard.press("Control+z");
  await expect(margin(page).locator(":scope > li")).toHaveCount(before);
  await allKept(page);
  await page.getByLabel("A marked PDF").setInputFiles(file);
  await expect(page.getByRole("status").filter({ hasText: "read in" })).toBeVisible();
  await expect(margin(page).locator(":scope > li")).toHaveCount(before + 3);
  await expect(margin(page).getByText("Which year? Ποιος;")).toBeVisible();
  await allKept(page);
  await page.getByLabel("A marked PDF").setInputFiles(file);
  await expect(page.getByRole("status").filter({ hasText: "stands here already" })).toBeVisible();
  await page.reload();
  await expect(margin(page).locator(":scope > li")).toHaveCount(before + 3);
});

test("a Word file goes out as pages set anew, its remarks on their words, and they come back", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/bram-oduya");
  const work = page.getByRole("region", { name: /The work/ });
  await work.locator("p").first().waitFor();
  const before = await margin(page).locator(":scope > li").count();
  const words = ((await work.locator(".work-word p").nth(1).textContent()) ?? "")
    .trim()
    .split(/\s+/)
    .slice(2, 6)
    .join(" ");
  await takeUp(page, words);
  await page.keyboard.press("n");
  await page.keyboard.type("Say how.");
  await page.keyboard.press("Control+Enter");
  await expect(margin(page).locator(":scope > li")).toHaveCount(before + 1);
  await allKept(page);
  const file = await savedBy(page, "Save the marked paper (PDF)");
  const { found } = await remarksOf(file);
  expect(found.filter(({ words: said }) => said === "Say how.")).toHaveLength(1);
  expect(found).toHaveLength(before + 1);
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect(margin(page).getByText("Say how.")).toBeHidden();
  await allKept(page);
  await page.getByLabel("A marked PDF").setInputFiles(file);
  await expect(margin(page).getByText("Say how.")).toBeVisible();
});

test("remarks go out as web annotations; a file that is no PDF is refused without a change", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/sanna-wiik");
  await page.locator(".text-layer span").first().waitFor();
  await annotate(page, "highest flow", "record contains", "contains the");
  const saved = JSON.parse(readFileSync(await savedBy(page, "Save the remarks (JSON-LD)"), "utf8")) as {
    items: { target: { selector: { refinedBy: { exact?: string }[] } } }[];
  };
  const quotes = saved.items.map(({ target }) => target.selector.refinedBy[0]?.exact);
  expect(quotes).toEqual(expect.arrayContaining(["highest flow", "record contains"]));
  const count = await margin(page).locator(":scope > li").count();
  await page
    .getByLabel("A marked PDF")
    .setInputFiles({ name: "notes.pdf", mimeType: "application/pdf", buffer: Buffer.from("not a PDF") });
  await expect(page.getByRole("alert").filter({ hasText: "cannot be read as a PDF" })).toBeVisible();
  await expect(margin(page).locator(":scope > li")).toHaveCount(count);
});
