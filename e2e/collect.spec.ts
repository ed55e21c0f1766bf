import type { Page } from "@playwright/test";
import { strToU8, zipSync } from "fflate";
import { Acts } from "./acts";
import { allKept, alone, expect, goTo, open, openDemo, test } from "./helpers";
import { dropInbox } from "./demo-inbox";
import { letGo } from "./let-go";
import { makePdf } from "./make-pdf";
import { putAllTo } from "./put-all-to";

const COLLECT = "/courses/reading-rivers/collect";
const tray = (page: Page) => page.getByRole("list", { name: "What came in" });
const piece = (page: Page, name: string) =>
  tray(page)
    .getByRole("listitem")
    .filter({ has: page.getByRole("button", { name, exact: true }) });
const takeIn = (page: Page) => page.getByRole("button", { name: /^Take in/ });
const isRead = (page: Page) => expect(page.getByText(/^Reading \d+ of/)).toHaveCount(0);

/** Chooses files as from the browser's own window. */
async function choose(
  page: Page,
  files: readonly { readonly name: string; readonly mimeType: string; readonly buffer: Buffer }[],
): Promise<void> {
  await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles([...files]);
}
const text = (name: string, words: string) => ({ name, mimeType: "text/markdown", buffer: Buffer.from(words) });

/** A piece put to other work wants the same student there as the scanned notebooks; put back, it is as it was. */
async function isPutToOtherWorkAndBack(page: Page): Promise<void> {
  const others = page.getByRole("list", { name: "For other work" });
  const putTo = async (work: string) => {
    await page.getByRole("button", { name: "More for L26041_storymap.pdf" }).click();
    await page.getByRole("menuitem", { name: "Put to other work" }).click();
    await page.getByLabel("Work it is for").selectOption({ label: work });
    await page.getByRole("button", { name: "Put it there" }).click();
  };
  await putTo("Field notebook");
  await expect(page.getByText("20 sure")).toBeVisible();
  await expect(others).toContainText("9 pieces for Field notebook");
  await page.getByLabel("Assignment it goes into").selectOption({ label: "Field notebook" });
  await expect(piece(page, "L26041_storymap.pdf")).toContainText("also wanted by notebooks Heron scan");
  await expect(piece(page, "notebooks Heron scan.pdf")).toContainText("cut into 8 papers");
  await putTo("Catchment story map");
  await expect(piece(page, "L26041_storymap.pdf")).toHaveCount(0);
  await page.getByRole("button", { name: /of “notebooks Heron scan.pdf”/ }).click();
  await expect(page.getByText("8 sure")).toBeVisible();
  await expect(piece(page, "notebooks Heron scan 1-4.pdf")).toContainText("Dov Amsel code on the paper");
  await expect(takeIn(page)).toHaveText("Take in 8 hand-ins");
  await page.goBack();
  await goTo(page, COLLECT);
  await others.getByRole("button", { name: "Look at them" }).click();
  await expect(page.getByLabel("Assignment it goes into")).toHaveValue("field-notebook");
  await goTo(page, COLLECT);
}

test("what a class handed in finds its students, the rest is decided by keys, and it is one step to take in and to undo", async ({
  page,
}) => {
  await openDemo(page, "/collect");
  await dropInbox(page);
  await expect(page.getByText("5 to decide")).toBeVisible();
  await expect(page.getByText("5 likely")).toBeVisible();
  await expect(page.getByText("21 sure")).toBeVisible();
  await isPutToOtherWorkAndBack(page);
  await expect(page.getByText("21 sure")).toBeVisible();
  await expect(piece(page, "L26041_storymap.pdf")).toContainText("Aldous Brenn number L26041");
  await expect(piece(page, "Heron/Vantor, Clea/map.pdf")).toContainText(
    "Clea Vantor whole name in the folder · named on page 1",
  );
  await expect(piece(page, "Story map, corrected — Hano Abeyra")).toContainText("Hano Abeyra sender's address");
  await expect(piece(page, "Story map, corrected — Hano Abeyra")).toContainText("attempt 2");
  await expect(piece(page, "Viggo Tamsin (draft) copy.docx")).toContainText("the same file again of Viggo Tamsin");
  await expect(piece(page, "no subject.eml — Oona Dufresne")).toContainText(
    "no attachment: what the letter says would be the work",
  );

  // Part of a name and Enter; the hand goes on to the next. With nothing typed, Enter takes the guess.
  const field = (name: string) => page.getByRole("textbox", { name: `Student of ${name}` });
  await field("essay_final_v2.pdf").focus();
  await page.keyboard.type("ams");
  await page.keyboard.press("Enter");
  await expect(field("scan0007.pdf")).toBeFocused();
  await page.keyboard.type("duf");
  await page.keyboard.press("Enter");
  await expect(field("hask story.docx")).toBeFocused();
  await page.keyboard.press("ArrowDown");
  await expect(field("no subject.eml.txt")).toBeFocused();
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Enter");
  await expect(piece(page, "hask story.docx")).toContainText("Rhun Hask put there by you");
  await page.getByRole("button", { name: "More for no subject.eml.txt" }).click();
  await page.getByRole("menuitem", { name: "Leave it out" }).click();
  // The marks sheet among it waits for a look at its scores.
  await expect(page.getByText("1 to decide")).toBeVisible();

  await expect(takeIn(page)).toHaveText("Take in 27 hand-ins, leave 1 here");
  await takeIn(page).click();
  const news = page.getByRole("region", { name: "News" });
  await expect(news).toContainText("Catchment story map: 27 hand-ins taken in");
  await expect(page.getByText("Everybody has handed in")).toBeVisible();
  await allKept(page);

  await page.getByRole("button", { name: /^Undo: Catchment story map/ }).click();
  await expect(takeIn(page)).toHaveText("Take in 27 hand-ins, leave 1 here");
  await expect(page.getByText("Still out: 25 of 28")).toBeVisible();
  await page.getByRole("button", { name: /^Redo: Catchment story map/ }).click();
  await page.getByRole("link", { name: "Judge the first" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  await expect(page).toHaveURL(/\/score\/story-map\/aldous-brenn/);
  await goTo(page, "/courses/reading-rivers/score/story-map/lorcan-pell");
  await expect(page.getByRole("link", { name: "story map.pdf" })).toBeVisible();
  await expect(page.getByRole("link", { name: "sources.md" })).toBeVisible();
});

test("from the board to the first of 28 dropped essays", async ({ page }) => {
  await openDemo(page);
  const essays = Array.from({ length: 28 }, (_, index) => {
    const number = `L${String(26_041 + index * 7)}`;
    return [`${number} story map.md`, `# The river by ${number}`] as const;
  });
  const acts = new Acts(page);
  await acts.drop("h1", essays);
  await expect(takeIn(page)).toHaveText("Take in 28 hand-ins");
  await acts.click(takeIn(page));
  await acts.click(page.getByRole("link", { name: "Judge the first" }));
  await expect(page.getByText("The river by L26041")).toBeVisible();
  acts.done("28 dropped essays to the first on the desk", 4);
});

test("the tray outlives a reload with what was decided, and what was left lies in it after taking in", async ({
  page,
}) => {
  await openDemo(page, "/collect");
  await letGo(page, "h1", [
    ["Clea Vantor.md", "# One"],
    ["nobody.md", "# Two"],
    ["x.md", "# Three"],
  ]);
  await expect(page.getByText("2 to decide")).toBeVisible();
  await page.getByRole("textbox", { name: "Student of nobody.md" }).fill("dov");
  await page.keyboard.press("Enter");
  await expect(piece(page, "nobody.md")).toContainText("Dov Amsel");
  await page.reload();
  await expect(piece(page, "nobody.md")).toContainText("Dov Amsel put there by you");
  await expect(takeIn(page)).toHaveText("Take in 2 hand-ins, leave 1 here");
  await takeIn(page).click();
  await expect(tray(page).getByRole("listitem").filter({ hasText: ".md" })).toHaveCount(1);
  await expect(piece(page, "x.md")).toBeVisible();
  await allKept(page);
  await page.reload();
  await expect(tray(page).getByRole("listitem").filter({ hasText: ".md" })).toHaveCount(1);
  // Clea's again, the very same: it is left out and said so.
  await letGo(page, "h1", [["Clea Vantor (1).md", "# One"]]);
  await expect(piece(page, "Clea Vantor (1).md")).toContainText("the same file again of Clea Vantor");
});

test("an act on a piece: another student, one more file, as it was found, into another assignment, all in time", async ({
  page,
}) => {
  await openDemo(page, "/collect?into=flood-memo");
  await choose(page, [text("Greta Lindqvar.md", "# A"), text("lindqvar table.md", "# B")]);
  await expect(piece(page, "Greta Lindqvar.md")).toContainText(/days? late/);
  const more = async (name: string, act: string) => {
    await page.getByRole("button", { name: `More for ${name}` }).click();
    await page.getByRole("menuitem", { name: act }).click();
  };
  const second = page.getByRole("textbox", { name: "Student of lindqvar table.md" });
  await expect(piece(page, "lindqvar table.md")).toContainText("also wanted by Greta Lindqvar.md");
  await second.press("Enter");
  await expect(takeIn(page)).toHaveText("Take in 2 hand-ins");
  await more("lindqvar table.md", "One more file of the hand-in before it");
  await expect(takeIn(page)).toHaveText("Take in 1 hand-in");
  await more("lindqvar table.md", "As it was found");
  await expect(takeIn(page)).toHaveText("Take in 1 hand-in, leave 1 here");
  await more("Greta Lindqvar.md", "Put to another student");
  await page.getByRole("textbox", { name: "Student of Greta Lindqvar.md" }).fill("lorc");
  await page.getByRole("button", { name: "Lorcan Pell" }).click();
  await expect(piece(page, "Greta Lindqvar.md")).toContainText("Lorcan Pell");
  await expect(piece(page, "Greta Lindqvar.md")).toContainText("is excused");
  await page.getByLabel("Time handed in").selectOption({ label: "all in time" });
  await expect(page.getByText(/days? late/)).toHaveCount(0);
  await page.getByLabel("Assignment it goes into").selectOption({ label: "Catchment story map" });
  await expect(page.getByText("Still out: 25 of 28")).toBeVisible();
});

test("who is still out is told beside the tray, and marked missing in one step", async ({ page }) => {
  await openDemo(page, "/collect?into=bridge-count");
  const out = page.getByRole("region", { name: "Still out" });
  await expect(out.getByText(/\d+ days over/).first()).toBeVisible();
  await expect(out.getByRole("link", { name: /^Remind \d+/ })).toHaveAttribute(
    "href",
    /remind\?kind=nothingIn&assignment=bridge-count/,
  );
  await out.getByRole("button", { name: /^Mark \d+ students missing/ }).click();
  await expect(out.getByText(/days over/)).toHaveCount(0);
  await expect(page.getByRole("region", { name: "News" })).toContainText("set missing");
});

test("more time for one student: lateness counts from it, the student reads it, and it can be taken back", async ({
  page,
}) => {
  await openDemo(page, "/collect?into=bridge-count");
  const out = page.getByRole("region", { name: "Still out" });
  const name = (
    await out.getByRole("listitem").filter({ hasText: "over" }).first().getByRole("link").innerText()
  ).trim();
  const give = async () => {
    await out.getByRole("button", { name: "More time" }).click();
    await page.getByRole("combobox", { name: "For whom" }).selectOption({ label: name });
  };
  await give();
  await page.getByRole("button", { name: "Give 1 student more time" }).click();
  await expect(page.getByRole("alert")).toContainText("Until when?");
  await page.getByRole("textbox", { name: "Until" }).fill("1 Oct 2026");
  await page.getByRole("button", { name: "Give 1 student more time" }).click();
  await expect(page.getByRole("alert")).toContainText("More time ends after the due time");
  await page.getByRole("textbox", { name: "Until" }).fill("31 Dec 2031 12:00");
  await page.getByLabel("Why, for those who mark").fill("was ill");
  await page.getByRole("button", { name: "Give 1 student more time" }).click();
  await expect(page.getByRole("region", { name: "News" })).toContainText(`${name}, Bridge count: more time, until`);
  await expect(out.getByRole("listitem").filter({ hasText: name })).toContainText("until 31 Dec 2031");
  await choose(page, [text(`${name}.md`, "# Memo")]);
  await expect(piece(page, `${name}.md`)).toContainText(name);
  await expect(piece(page, `${name}.md`)).not.toContainText("late");
  await allKept(page);
  await give();
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(piece(page, `${name}.md`)).toContainText(/days? late/);
});

test("what cannot be read is said with how to mend it, and the rest goes on", async ({ page }) => {
  await openDemo(page, "/collect?into=story-map");
  const zip = (files: Record<string, string>) =>
    Buffer.from(zipSync(Object.fromEntries(Object.entries(files).map(([name, words]) => [name, strToU8(words)]))));
  await choose(page, [
    { name: "locked L26069.pdf", mimeType: "application/pdf", buffer: await makePdf({ pages: 2, password: "x" }) },
    { name: "L26076.pdf", mimeType: "application/pdf", buffer: Buffer.from("%PDF-1.7\nbroken") },
    { name: "L26083.pdf", mimeType: "application/pdf", buffer: Buffer.alloc(0) },
    { name: "broken.zip", mimeType: "application/zip", buffer: zip({ "a.md": "text" }).subarray(0, 30) },
    { name: "good.zip", mimeType: "application/zip", buffer: zip({ "Esi Okonwe/map.md": "# Map", "../out.md": "no" }) },
    { name: "L26090.pdf", mimeType: "application/pdf", buffer: await makePdf({ pages: 3 }) },
  ]);
  await isRead(page);
  await expect(piece(page, "locked L26069.pdf")).toContainText("asks for a password");
  await expect(piece(page, "L26076.pdf")).toContainText("cannot be read");
  await expect(piece(page, "L26083.pdf")).toContainText("is empty (0 bytes)");
  await expect(page.getByText("broken.zip is damaged and cannot be opened")).toBeVisible();
  await expect(page.getByText("would lie outside of its archive")).toBeVisible();
  await expect(piece(page, "L26090.pdf")).toContainText("3 pages");
  await expect(piece(page, "good.zip/Esi Okonwe/map.md")).toContainText("Esi Okonwe");
  // With its password, a second locked one lies there open.
  await choose(page, [
    { name: "L26111 locked.pdf", mimeType: "application/pdf", buffer: await makePdf({ pages: 4, password: "weir" }) },
  ]);
  await piece(page, "L26111 locked.pdf").getByRole("button", { name: "Unlock" }).click();
  await page.getByLabel("Its password").fill("wear");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("This is not its password.");
  await page.getByLabel("Its password").fill("weir");
  await page.keyboard.press("Enter");
  await expect(piece(page, "L26111 locked.pdf")).toContainText("4 pages");
  await expect(piece(page, "L26111 locked.pdf")).not.toContainText("password");
  // A locked one may be taken in all the same: Enter takes whom it belongs to.
  await page.getByRole("textbox", { name: "Student of locked L26069.pdf" }).press("Enter");
  await expect(piece(page, "locked L26069.pdf")).toContainText("Clea Vantor");
  await page.getByRole("button", { name: "Read", exact: true }).click();
  await expect(page.getByText("broken.zip is damaged")).toHaveCount(0);
});

test("three hundred files: shown at once, taken in whole or not at all when the page is closed in the middle", async ({
  page,
  context,
}) => {
  await openDemo(page, "/collect?into=story-map");
  const files = Array.from({ length: 300 }, (_, index) =>
    text(`nobody ${String(index)}.md`, `# Work ${String(index)}`),
  );
  await choose(page, files);
  await expect(tray(page).getByRole("listitem").nth(1)).toBeVisible();
  await isRead(page);
  await expect(page.getByText("300 to decide")).toBeVisible();
  expect(await page.locator("[data-tray-field]").count()).toBeLessThan(80);
  await putAllTo(page, "student:dov-amsel");
  await page.reload();
  await expect(takeIn(page)).toHaveText("Take in 300 hand-ins");
  await takeIn(page).click();
  await page.close();
  const again = await context.newPage();
  await open(again, COLLECT);
  await expect(wholeOrNothing(again)).toHaveCount(1);
});

alone("a full disk in the middle of taking in three hundred: all of them or none, and it is said", async ({ page }) => {
  await page.addInitScript(() => {
    // From then on nothing more can be written, as on a full disk.
    // oxlint-disable-next-line typescript/unbound-method -- it is called with its own `this` below
    const { put } = IDBObjectStore.prototype;
    IDBObjectStore.prototype.put = function (...given: Parameters<typeof put>) {
      if ((window as { isFull?: boolean }).isFull) throw new DOMException("The disk is full.", "QuotaExceededError");
      return put.apply(this, given);
    };
  });
  await openDemo(page, "/collect?into=story-map");
  await choose(
    page,
    Array.from({ length: 300 }, (_, index) => text(`nobody ${String(index)}.md`, `# Work ${String(index)}`)),
  );
  await isRead(page);
  await putAllTo(page, "student:dov-amsel");
  await page.reload();
  await expect(takeIn(page)).toHaveText("Take in 300 hand-ins");
  await page.evaluate(() => {
    (window as { isFull?: boolean }).isFull = true;
  });
  await takeIn(page).click();
  await expect(page.getByRole("alert")).toContainText("The disk is full.");
  await page.reload();
  await expect(wholeOrNothing(page)).toHaveCount(1);
});

/** What the tray says when it holds all three hundred, or none of them any more. */
const wholeOrNothing = (page: Page) =>
  page.getByText(/^The tray is empty/).or(page.getByRole("button", { name: "Take in 300 hand-ins" }));
