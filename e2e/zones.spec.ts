import type { Page } from "@playwright/test";
import { axeFinds } from "./axe";
import { allKept, expect, goTo, openDemo, test } from "./helpers";
import { makePdf } from "./make-pdf";

/** Papers of three pages for two students, taken in. */
async function withPapers(page: Page): Promise<void> {
  await openDemo(page, "/collect?into=story-map");
  const buffer = await makePdf({ pages: 3 });
  await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles([
    { name: "Ilse Tarnowe.pdf", mimeType: "application/pdf", buffer },
    { name: "Dov Amsel.pdf", mimeType: "application/pdf", buffer: await makePdf({ pages: 4 }) },
  ]);
  await page.getByRole("button", { name: "Take in 2 hand-ins" }).click();
  await allKept(page);
}

const DESK = "/courses/reading-rivers/score/story-map/ilse-tarnowe";

test("a zone is drawn once, by hand or by keys; the sweep shows it of every paper, the desk goes to it", async ({
  page,
}) => {
  await withPapers(page);
  await goTo(page, DESK);
  await page.getByRole("button", { name: "More for this paper" }).click();
  await page.getByRole("menuitem", { name: "Where each criterion is answered" }).click();
  await expect(page.getByRole("heading", { name: "Zones" })).toBeVisible();

  // With the mouse: the first criterion, on page 1.
  const sheet = page.locator("[data-page='1']");
  await expect(sheet.locator("canvas")).toBeAttached();
  const box = await sheet.boundingBox();
  if (!box) throw new Error("no page");
  await page.mouse.move(box.x + 40, box.y + 40);
  await page.mouse.down();
  await page.mouse.move(box.x + 500, box.y + 220, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole("button", { name: "Zone of Choice of stops, page 1" })).toBeVisible();
  await expect(page.getByRole("button", { name: /^Choice of stops page 1/ })).toBeVisible();

  // By keys: the second, on page 3.
  await page.keyboard.press("2");
  await page.getByLabel("By keys: a zone on page").fill("3");
  await page.keyboard.press("Enter");
  const second = page.getByRole("button", { name: "Zone of Evidence, page 3" });
  await second.focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Shift+ArrowDown");
  await allKept(page);
  const style = await second.evaluate((element) => [element.style.top, element.style.height]);
  expect(style).toEqual(["6%", "21%"]);
  const violations = await axeFinds(page);
  expect(violations).toEqual([]);

  await page.getByRole("link", { name: "To the sweep" }).click();
  for (const name of ["Dov Amsel.pdf", "Ilse Tarnowe.pdf"]) {
    const part = page.getByRole("img", { name: `Part of page 1 of ${name}` });
    await part.scrollIntoViewIfNeeded();
    await expect(part.locator("canvas")).toBeAttached();
  }
  await page.keyboard.press("]");
  await expect(page.getByRole("img", { name: "Part of page 3 of Dov Amsel.pdf" })).toBeVisible();

  // On the desk the second criterion, once marked, brings page 3 into view.
  await goTo(page, DESK);
  const work = page.getByRole("region", { name: "The work: Ilse Tarnowe.pdf" });
  await expect(work.locator("[data-page='1'] canvas")).toBeAttached();
  await expect(work.locator("[data-page='3']")).not.toBeInViewport();
  await page.keyboard.press("ArrowDown");
  await expect(work.locator("[data-page='3']")).toBeInViewport();
});

test("a paper that lies otherwise is mended alone, and the zone can be taken back and undone", async ({ page }) => {
  await withPapers(page);
  await goTo(page, `${DESK}/zones`);
  await page.getByRole("button", { name: "Put it there" }).click();
  await expect(page.getByRole("button", { name: "Zone of Choice of stops, page 1" })).toBeEnabled();
  await page.getByRole("checkbox", { name: "For this paper alone" }).click();
  await expect(page.getByRole("button", { name: "Zone of Choice of stops, page 1" })).toBeDisabled();
  // Mended where it lies: the stroke begins inside the zone of all papers.
  const box = await page.locator("[data-page='1']").boundingBox();
  if (!box) throw new Error("no page");
  await page.mouse.move(box.x + 80, box.y + 90);
  await page.mouse.down();
  await page.mouse.move(box.x + 420, box.y + 380, { steps: 4 });
  await page.mouse.up();
  const own = page.getByRole("button", { name: "Zone of Choice of stops, page 1" });
  await expect(own).toBeEnabled();
  // Pressed without a stroke it takes the focus, and Delete gives the zone of all papers back.
  await own.click();
  await expect(own).toBeFocused();
  await page.keyboard.press("Delete");
  await expect(own).toBeDisabled();
  await page.getByLabel("By keys: a zone on page").fill("2");
  await page.getByRole("button", { name: "Put it there" }).click();
  await expect(page.getByRole("button", { name: "Zone of Choice of stops, page 2" })).toBeEnabled();
  await allKept(page);
  await goTo(page, "/courses/reading-rivers/sweep/story-map");
  await expect(page.getByRole("img", { name: "Part of page 2 of Ilse Tarnowe.pdf" })).toBeVisible();
  await expect(page.getByRole("img", { name: "Part of page 1 of Dov Amsel.pdf" })).toBeVisible();
  await page.getByRole("button", { name: /^Undo: Ilse Tarnowe, Catchment story map, Choice of stops/ }).click();
  await expect(page.getByRole("img", { name: "Part of page 1 of Ilse Tarnowe.pdf" })).toBeVisible();

  await goTo(page, "/courses/reading-rivers/score/story-map/greta-lindqvar/zones");
  await expect(page.getByText("Greta Lindqvar has handed in nothing that has pages.", { exact: false })).toBeVisible();
});

test("an exam on paper: one says where each question is answered, and reads that part of every paper, with its marks", async ({
  page,
}) => {
  await openDemo(page, "/collect?into=practice");
  const [buffer, other] = [await makePdf({ pages: 2 }), await makePdf({ pages: 3 })];
  await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles([
    { name: "Cato Mirelle.pdf", mimeType: "application/pdf", buffer },
    { name: "Esi Okonwe.pdf", mimeType: "application/pdf", buffer: other },
  ]);
  await page.getByRole("button", { name: "Take in 2 hand-ins" }).click();
  await allKept(page);
  await goTo(page, "/courses/reading-rivers/score/practice/cato-mirelle");
  await page.locator(".text-layer span").first().waitFor();
  // A pin where the first question is answered.
  await page.keyboard.press("t");
  for (let step = 0; step < 3; step += 1) await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Enter");
  await page.keyboard.type("Units?");
  await page.keyboard.press("Control+Enter");
  await allKept(page);
  await page.getByRole("button", { name: "More for this paper" }).click();
  await page.getByRole("menuitem", { name: "Where each question is answered" }).click();
  await page.getByRole("button", { name: /^Question 1: / }).click();
  await page.getByRole("button", { name: "Put it there" }).click();
  await allKept(page);
  await page.getByRole("link", { name: "To the answers" }).click();
  // Read from the paper it waits, though no text came in; who answered in text is read as before.
  const line = page.getByRole("list", { name: "Answers" }).getByRole("listitem").filter({ hasText: "Cato Mirelle" });
  await expect(line).toContainText("waits");
  await expect(line.getByRole("img", { name: "Part of page 1 of Cato Mirelle.pdf" }).locator("canvas")).toBeAttached();
  await expect(line.locator("[data-remark]")).toHaveCount(1);
  await line.getByRole("button", { name: "Cato Mirelle" }).click();
  await page.keyboard.press("2");
  await expect(line.locator("strong")).toHaveText("2");
  const pages = page.getByRole("img", { name: /^Part of page 1 of / });
  await expect(pages).toHaveCount(2);
  await page.getByRole("checkbox", { name: "Without names" }).click();
  await expect(page.getByRole("img", { name: /Cato|Esi/ })).toHaveCount(0);
  await expect(pages).toHaveCount(2);
});
