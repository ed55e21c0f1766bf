import { largeCourseFile } from "../bench/large-course";
import { allKept, cell, expect, openDemo, paste, test } from "./helpers";

const question = (page: Parameters<typeof cell>[0], student: string) => cell(page, "Question paper 1", student);

test("a column goes in as fast as it can be read out: type, Enter, type, Enter", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await question(page, "Faruq Rahel").click();
  const read = ["31", "28.5", "m", "44", "x", "39 l1", "50"];
  for (const entry of read) {
    await page.keyboard.type(entry);
    await page.keyboard.press("Enter");
  }
  await expect(question(page, "Faruq Rahel")).toHaveText("31");
  await expect(question(page, "Greta Lindqvar")).toHaveText("28.5");
  await expect(question(page, "Hano Abeyra")).toHaveText("missing");
  await expect(question(page, "Ilse Tarnowe")).toHaveText("44");
  await expect(question(page, "Jorun Nakade")).toHaveText("excused");
  // One started day at 5 % of 50 takes 2.5.
  await expect(question(page, "Kesi Strand")).toHaveText("1 d36.5");
  await expect(question(page, "Lorcan Pell")).toHaveText("50");
  await expect(question(page, "Mei Barrow")).toBeFocused();
  await allKept(page);
});

test("cells are walked by arrows, Tab, Home and End, and left as they were by Escape", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await cell(page, "Field notebook", "Cato Mirelle").click();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowRight");
  await expect(cell(page, "Site sketch", "Clea Vantor")).toBeFocused();
  await page.keyboard.press("Home");
  await expect(cell(page, "Gauging report", "Clea Vantor")).toBeFocused();
  await page.keyboard.press("End");
  await expect(cell(page, "Field exam", "Clea Vantor")).toBeFocused();
  await page.keyboard.type("12");
  await page.keyboard.press("Escape");
  await expect(cell(page, "Field exam", "Clea Vantor")).toHaveText("·");
  await page.keyboard.type("12");
  await page.keyboard.press("Shift+Tab");
  await expect(cell(page, "Field exam", "Clea Vantor")).toHaveText("12");
  await expect(cell(page, "Seminar discussion", "Clea Vantor")).toBeFocused();
  await page.keyboard.press("ArrowLeft");
  await expect(question(page, "Clea Vantor")).toBeFocused();
  await page.keyboard.press("Control+Enter");
  await expect(page).toHaveURL(/score\/question-paper\/clea-vantor$/);
});

test("a figure set by hand stands out, keeps the computed one beside it, and goes back to it", async ({ page }) => {
  await openDemo(page, "/gradebook");
  const notebook = cell(page, "Field notebook", "Faruq Rahel");
  await expect(notebook).toHaveAccessibleName(/34.5, set by hand/);
  await notebook.click();
  await page.keyboard.type("-");
  await expect(page.locator("#entry-hint")).toHaveText(/^back to \d+(\.\d+)? · Enter to keep$/);
  await page.keyboard.press("Enter");
  await expect(notebook).not.toHaveAccessibleName(/set by hand/);
  await page.getByRole("button", { name: /^Undo: Faruq Rahel, Field notebook: cleared/ }).click();
  await expect(notebook).toHaveAccessibleName(/34.5, set by hand/);
});

test("a comment goes into a cell behind a colon, with a score or alone", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await question(page, "Hano Abeyra").click();
  await page.keyboard.type("33: nice graphs");
  await page.keyboard.press("Enter");
  await expect(question(page, "Hano Abeyra")).toHaveText("33");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.type(": and units");
  await page.keyboard.press("Enter");
  await expect(question(page, "Hano Abeyra")).toHaveText("33");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Space");
  const pane = page.getByRole("complementary", { name: "This result" });
  await expect(pane.getByLabel("Overall comment")).toHaveValue("nice graphs\nand units");
});

test("letters typed while nothing has the focus go to the marked cell", async ({ page }) => {
  await openDemo(page, "/gradebook");
  const loseFocus = () => page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await question(page, "Hano Abeyra").click();
  await loseFocus();
  await page.keyboard.type("48");
  await page.keyboard.press("Enter");
  await loseFocus();
  await page.keyboard.type("3");
  await page.keyboard.press("Enter");
  await expect(question(page, "Hano Abeyra")).toHaveText("48");
  await expect(question(page, "Ilse Tarnowe")).toHaveText("3");
});

test("one section is shown by itself, and the address keeps it", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await page.getByRole("combobox", { name: "Section" }).selectOption("Heron");
  await expect(page.getByText("14 of 28")).toBeVisible();
  await expect(page).toHaveURL(/section=heron/);
  await page.reload();
  await expect(page.getByText("14 of 28")).toBeVisible();
  await expect(page.getByRole("row", { name: /^Ilse Tarnowe/ })).toHaveCount(0);
});

test("a block goes in from a spreadsheet with the refused cells named, and comes out again", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await question(page, "Hano Abeyra").click();
  await paste(page, "31\nabc\n60\n44");
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText("Ilse Tarnowe");
  await expect(dialog).toContainText("60 is above the maximum of 50.");
  await dialog.getByRole("button", { name: "Enter 2 scores" }).click();
  await expect(question(page, "Hano Abeyra")).toHaveText("31");
  await expect(question(page, "Ilse Tarnowe")).toHaveText("waiting");
  await expect(question(page, "Kesi Strand")).toHaveText("44");
  await page.getByRole("button", { name: /^Undo: 2 scores pasted/ }).click();
  await expect(question(page, "Kesi Strand")).toHaveText("waiting");
});

test("a selection is filled, given a standing by one key, and cleared, each by one undo", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await question(page, "Hano Abeyra").click();
  await page.keyboard.type("20");
  await page.keyboard.press("Enter");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("Control+d");
  await expect(question(page, "Jorun Nakade")).toHaveText("20");
  await page.keyboard.press("m");
  await expect(question(page, "Ilse Tarnowe")).toHaveText("missing");
  await page.keyboard.press("Delete");
  await expect(question(page, "Ilse Tarnowe")).toHaveText("20");
  await expect(page.getByText("3 rows selected")).toBeVisible();
});

test("a whole column is filled or adjusted only after a look, with a reason that stands in the journal", async ({
  page,
}) => {
  await openDemo(page, "/gradebook");
  const menu = async (item: string) => {
    await page.getByRole("button", { name: "More for Site sketch" }).click();
    await page.getByRole("menuitem", { name: item }).click();
  };
  const before = await cell(page, "Site sketch", "Cato Mirelle").textContent();
  await menu("Adjust by points, with a reason");
  await page.getByLabel("Points to add, such as 2 or -1.5").fill("1");
  await page.getByLabel("Reason, for the journal").fill("The scale bar was missing on the sheet.");
  await page.getByRole("button", { name: /^Adjust \d+ scores/ }).click();
  await expect(cell(page, "Site sketch", "Cato Mirelle")).toHaveText(`✎ ${String(Number(before) + 1)}`);
  await cell(page, "Site sketch", "Cato Mirelle").click();
  await page.keyboard.press("Space");
  const story = page.getByRole("complementary", { name: "This result" });
  await expect(story).toContainText("Reason: The scale bar was missing on the sheet.");
  await story.getByRole("button", { name: `Back to ${String(before)}` }).click();
  await expect(cell(page, "Site sketch", "Cato Mirelle")).toHaveText(String(before));
  await menu("Mean, spread and counts");
  await expect(page.getByRole("complementary", { name: "This assignment" })).toContainText("standard deviation");
});

test("the gradebook sorts, hides columns and shows only those who matter now", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await page.getByRole("columnheader", { name: /Now/ }).getByRole("button").click();
  await expect(page.getByRole("columnheader", { name: /Now/ })).toHaveAttribute("aria-sort", "descending");
  await expect(page).toHaveURL(/sort=total.down/);
  await page.getByLabel("Students shown").selectOption("With work missing");
  await expect(page.getByText(/^[1-9] of 28$/)).toBeVisible();
  await page.getByRole("button", { name: "More for Bridge count" }).click();
  await page.getByRole("menuitem", { name: "Hide this column" }).click();
  await expect(page.getByRole("columnheader", { name: /Bridge/ })).toHaveCount(0);
  await page.getByRole("button", { name: "Show 1 hidden column" }).click();
  await expect(page.getByRole("columnheader", { name: /Bridge/ })).toHaveCount(1);
});

test("an entry is kept when another cell is clicked, and waits where it is while the grid is scrolled", async ({
  page,
}) => {
  await openDemo(page, "/gradebook");
  await question(page, "Hano Abeyra").click();
  await page.keyboard.type("27");
  await cell(page, "Field notebook", "Cato Mirelle").click();
  await expect(question(page, "Hano Abeyra")).toHaveText("27");
  await question(page, "Hano Abeyra").click();
  await page.keyboard.type("99");
  await cell(page, "Field notebook", "Cato Mirelle").click();
  await expect(question(page, "Hano Abeyra")).toHaveAttribute("aria-label", /not entered: 99/);
  await question(page, "Hano Abeyra").click();
  await page.keyboard.press("Escape");
  await expect(question(page, "Hano Abeyra")).toHaveText("27");
  await page.setViewportSize({ width: 1280, height: 320 });
  await question(page, "Aldous Brenn").click();
  await page.keyboard.type("33.5");
  const scroll = (top: number) =>
    page.getByRole("grid").evaluate((grid, to) => {
      if (grid.parentElement) grid.parentElement.scrollTop = to;
    }, top);
  await scroll(5_000);
  await expect(page.getByRole("textbox", { name: "Question paper 1, Aldous Brenn" })).toHaveCount(0);
  await scroll(0);
  await expect(page.getByRole("textbox", { name: "Question paper 1, Aldous Brenn" })).toHaveValue("33.5");
  await page.keyboard.press("Enter");
  await expect(question(page, "Aldous Brenn")).toHaveText("33.5");
});

test("the marked cell stays in sight and keeps the focus, however far the keys go", async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 460 });
  await openDemo(page, "/gradebook");
  const first = question(page, "Aldous Brenn");
  await first.click();
  /** What a person would touch in the middle of the cell that has the focus: nothing may lie over it. */
  const seen = () =>
    page.evaluate(() => {
      const cell = document.activeElement;
      if (!cell || cell.getAttribute("role") !== "gridcell") return "the focus is elsewhere";
      const { left, top, width, height } = cell.getBoundingClientRect();
      return cell.contains(document.elementFromPoint(left + width / 2, top + height / 2)) ? "in sight" : "covered";
    });
  for (let step = 0; step < 27; step += 1) {
    await page.keyboard.press("ArrowDown");
    await expect.poll(seen).toBe("in sight");
  }
  await page.keyboard.press("Control+ArrowUp");
  await expect(first).toBeFocused();
  await expect.poll(seen).toBe("in sight");
  await page.keyboard.press("Control+ArrowDown");
  await expect.poll(seen).toBe("in sight");
  for (let step = 0; step < 9; step += 1) {
    await page.keyboard.type(String(step + 20));
    await page.keyboard.press("Shift+Enter");
    await expect.poll(seen).toBe("in sight");
  }
  await allKept(page);
});

test("the focus goes along with a key that is pressed while the grid is still being drawn", async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 460 });
  await openDemo(page, "/gradebook");
  await question(page, "Aldous Brenn").click();
  await expect(question(page, "Aldous Brenn")).toBeFocused();
  // Right behind the drawing of a row that scrolling brings, before what that drawing leaves for later is done.
  await page.getByRole("grid").evaluate((grid) => {
    new MutationObserver((_, observer) => {
      observer.disconnect();
      const key = new KeyboardEvent("keydown", { key: "ArrowDown", ctrlKey: true, bubbles: true, cancelable: true });
      document.activeElement?.dispatchEvent(key);
    }).observe(grid, { subtree: true, childList: true });
    if (grid.parentElement) grid.parentElement.scrollTop = 60;
  });
  await expect(question(page, "Zelda Orme")).toBeFocused();
});

test("200 x 10 cells from a spreadsheet: seven that are refused stand with their reasons, and nothing goes in until agreed", async ({
  page,
}) => {
  await openDemo(page, "/files");
  const buffer = await largeCourseFile(200, 10);
  await page
    .locator('input[type="file"]')
    .first()
    .setInputFiles({ name: "l.zip", mimeType: "application/zip", buffer });
  await page.waitForURL(/courses\/large/);
  await page.getByRole("link", { name: "Gradebook" }).click();
  // By its place: a dialog hides what lies behind it from the names.
  const corner = page.locator('[data-row="0"][data-column="0"]');
  await corner.click();
  const block = Array.from({ length: 200 }, (_, row) =>
    Array.from({ length: 10 }, (_, column) => (row % 30 === 7 && column === 3 ? "abc" : "19.5")).join("\t"),
  ).join("\n");
  await paste(page, block);
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText("7 are refused");
  await expect(dialog.getByRole("region", { name: "Refused, and left out" }).getByRole("listitem")).toHaveCount(7);
  await expect(corner).not.toHaveText("19.5");
  await dialog.getByRole("button", { name: /^Enter [\d,]+ scores$/ }).click();
  await expect(corner).toHaveText("19.5");
  await page.getByRole("button", { name: /^Undo: / }).click();
  await expect(corner).not.toHaveText("19.5");
});
