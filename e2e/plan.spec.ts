import type { Page } from "@playwright/test";
import { allKept, alone, expect, goTo, openDemo, test } from "./helpers";

const names = (page: Page, category: string) =>
  page.getByRole("region", { name: category, exact: true }).getByRole("heading", { level: 3 });

/** Takes something up by its handle, moves it slowly to another's place, and lets it go there. */
async function drag(page: Page, handle: string, target: string): Promise<void> {
  const centre = async (name: string) => {
    const box = await page.getByRole("button", { name, exact: true }).boundingBox();
    if (!box) throw new Error(`${name} is not in sight`);
    return [box.x + box.width / 2, box.y + box.height / 2] as const;
  };
  await page.mouse.move(...(await centre(handle)));
  await page.mouse.down();
  await page.mouse.move(...(await centre(target)), { steps: 12 });
  await page.mouse.up();
}

test("assignments move by keyboard and by dragging, and every move can be undone", async ({ page }) => {
  await openDemo(page, "/plan");
  await page.getByRole("link", { name: "Site sketch" }).focus();
  await page.keyboard.press("Alt+ArrowUp");
  await expect(names(page, "Field work").first()).toContainText("Site sketch");
  await expect(page.getByRole("link", { name: "Site sketch" })).toBeFocused();
  await drag(page, "Move Site sketch", "Move Gauging report");
  // Another category is another weight: totals that stand would become others.
  await page.getByRole("alertdialog").getByRole("button", { name: "Change it" }).click();
  await expect(names(page, "Reports").first()).toContainText("Site sketch");
  await page.getByRole("button", { name: "Undo: Assignment Site sketch moved" }).click();
  await expect(names(page, "Field work").first()).toContainText("Site sketch");
});

test("an assignment is taken up, moved and put down with keys, and every step is said", async ({ page }) => {
  await openDemo(page, "/plan");
  const order = () => names(page, "Field work").allTextContents();
  const [first, second] = await order();
  const said = page.locator('[role="status"][aria-live="assertive"]');
  await page.getByRole("button", { name: `Move ${second ?? ""}`, exact: true }).focus();
  await page.keyboard.press("Space");
  await expect(said).toHaveText(`${second ?? ""} is held, where it was.`);
  await page.keyboard.press("ArrowUp");
  await expect(said).toHaveText(`${second ?? ""} is held, at ${first ?? ""}.`);
  await page.keyboard.press("Escape");
  await expect(said).toHaveText(`${second ?? ""} is left where it was.`);
  expect((await order()).slice(0, 2)).toEqual([first, second]);
  await page.keyboard.press("Space");
  await expect(said).toHaveText(`${second ?? ""} is held, where it was.`);
  await page.keyboard.press("ArrowUp");
  await expect(said).toHaveText(`${second ?? ""} is held, at ${first ?? ""}.`);
  await page.keyboard.press("Space");
  await expect(names(page, "Field work").first()).toHaveText(second ?? "");
  await expect(page.getByRole("button", { name: `Move ${second ?? ""}`, exact: true })).toBeFocused();
});

alone(
  "an arrow pressed at once after taking something up moves it, however late the page's timers run",
  async ({ page }) => {
    await page.addInitScript(() => {
      const soon = window.setTimeout.bind(window);
      // As on a machine that has no time: what was to run at once runs much later, and keys come before it.
      window.setTimeout = ((act: () => void, wait = 0) => soon(act, wait < 5 ? 600 : wait)) as typeof setTimeout;
    });
    await openDemo(page, "/plan");
    const [first, second] = await names(page, "Field work").allTextContents();
    const said = page.locator('[role="status"][aria-live="assertive"]');
    await page.getByRole("button", { name: `Move ${second ?? ""}`, exact: true }).focus();
    await page.keyboard.press("Space");
    await expect(said).toHaveText(`${second ?? ""} is held, where it was.`);
    await page.keyboard.press("ArrowUp");
    await expect(said).toHaveText(`${second ?? ""} is held, at ${first ?? ""}.`);
  },
);

test("criteria of a rubric are moved by their handles", async ({ page }) => {
  await openDemo(page, "/plan/rubrics");
  await page.getByRole("link", { name: "Field notebook" }).click();
  const handles = page.getByRole("button", { name: /^Move / });
  await expect(handles.first()).toBeVisible();
  const [first, second] = await handles.evaluateAll((all) => all.map((one) => one.getAttribute("aria-label")));
  await drag(page, first ?? "", second ?? "");
  await expect(handles.first()).toHaveAttribute("aria-label", second ?? "");
});

test("an assignment is removed only after saying what is lost, and one undo brings all of it back", async ({
  page,
}) => {
  await openDemo(page, "/plan");
  await page.getByRole("button", { name: "More for Field notebook" }).click();
  await page.getByRole("menuitem", { name: "Remove" }).click();
  await expect(page.getByRole("alertdialog")).toContainText("104 judged criteria");
  await page.getByRole("button", { name: "Remove", exact: true }).click();
  await expect(page.getByRole("link", { name: "Field notebook" })).toHaveCount(0);
  await page.getByRole("button", { name: "Undo: Assignment Field notebook removed" }).click();
  await expect(page.getByRole("main").getByRole("listitem").filter({ hasText: "Field notebook" })).toContainText(
    "28 scored",
  );
});

test("a rule is tried on an example and on all totals before it is applied", async ({ page }) => {
  await openDemo(page, "/plan/rules");
  const late = page.getByRole("region", { name: "Late and missing work" });
  await expect(late.getByRole("row", { name: /3 days after/ })).toContainText("34");
  await late.getByLabel("Taken off for each unit, %").fill("10");
  await expect(late.getByRole("row", { name: /3 days after/ })).toContainText("26.5");
  const bar = page.getByRole("region", { name: "What would change" });
  await expect(bar).toContainText(/\d+ of 28 totals would change/);
  await bar.getByRole("button", { name: "Apply the rules" }).click();
  await expect(bar).toHaveCount(0);
  await expect(page.getByRole("button", { name: /^Undo: .*late rule changed/ })).toBeEnabled();
  await page.getByLabel("Pass mark, %").fill("-3");
  await expect(page.getByText("A plain figure, 0 or more.")).toBeVisible();
});

test("a rubric in use changes only with a view of what happens to the papers judged by it", async ({ page }) => {
  await openDemo(page, "/plan/rubrics");
  await page.getByRole("link", { name: "Field notebook" }).click();
  const bound = page.getByRole("slider", { name: /^Upper bound of Every day/ });
  await bound.focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  const bar = page.getByRole("region", { name: "What would change" });
  await expect(bar).toContainText("28 papers are judged by it.");
  await expect(bar).toContainText(/\d+ scores? would change/);
  await bar.getByRole("button", { name: "Put it back" }).click();
  await expect(bar).toHaveCount(0);
});

test("a new rubric keeps itself, names its faults as they are typed, and is tried on a paper", async ({ page }) => {
  await openDemo(page, "/plan/rubrics");
  await page.getByRole("button", { name: "Make a rubric", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1, name: "New rubric" })).toBeVisible();
  await page.getByRole("slider", { name: "First criterion", exact: true }).focus();
  await page.keyboard.press("2");
  await expect(page.getByRole("complementary", { name: "Tried on a paper" })).toContainText("8 of 12");
  const from = page.getByLabel("from").nth(1);
  await from.fill("2");
  await expect(page.getByText(/Two levels overlap at 2.*Not kept until it is mended/)).toBeVisible();
  await from.fill("4.5");
  await page.getByLabel("Name").fill("Sketch rubric");
  await allKept(page);
  await expect(page.getByRole("heading", { level: 1, name: "Sketch rubric" })).toBeVisible();
  await goTo(page, "/courses/reading-rivers/plan/rubrics");
  await expect(page.getByRole("listitem").filter({ hasText: "Sketch rubric" })).toContainText("not used yet");
});

test("the plan of another course is taken over, with its dates moved, into a course with nothing in it", async ({
  page,
}) => {
  await openDemo(page);
  await page.getByRole("button", { name: "Switch course" }).click();
  await page.getByRole("menuitem", { name: "Start an empty course" }).click();
  await page.getByRole("textbox", { name: "Name of the course" }).fill("Next year");
  await page.getByRole("button", { name: "Start an empty course" }).click();
  await page
    .getByRole("navigation", { name: "Parts of the plan" })
    .getByRole("link", { name: "Course and roster" })
    .click();
  await page.getByRole("button", { name: "Take the plan over" }).click();
  await expect(page.getByRole("button", { name: /^Undo: Plan of Reading Rivers/ })).toBeVisible();
  await page.getByRole("link", { name: "Assignments", exact: true }).click();
  await expect(page.getByRole("listitem").filter({ hasText: "Gauging report" })).toContainText("due 24 Sep");
});

test("a weight, and a maximum lowered under scores that stand, are asked about with what they change", async ({
  page,
}) => {
  await openDemo(page, "/plan");
  const weight = page.getByLabel(/^Weight of .*, %$/).first();
  const before = await weight.inputValue();
  await weight.fill("1");
  await weight.press("Enter");
  const ask = page.getByRole("alertdialog");
  await expect(ask).toContainText(/\d+ totals would change/);
  await expect(ask.getByRole("listitem").first()).toContainText("→");
  await ask.getByRole("button", { name: "Leave as it is" }).click();
  await expect(weight).toHaveValue(before);
  await goTo(page, "/courses/reading-rivers/plan/assignments/site-sketch");
  const points = page.getByLabel("Points", { exact: true });
  await points.fill("10");
  await points.press("Enter");
  await expect(ask).toContainText("would stand above the new maximum");
  await ask.getByRole("button", { name: "Change it" }).click();
  await expect(points).toHaveValue("10");
  await expect(ask).toBeHidden();
});

test("who goes on writing while a category is being added is not called back to its field", async ({ page }) => {
  await openDemo(page, "/plan");
  const name = page.getByLabel("Another category");
  const writer = page.getByLabel("New assignments, one line each");
  await name.fill("Excursions");
  await writer.evaluate((field) => {
    document.activeElement?.closest("form")?.requestSubmit();
    (field as HTMLElement).focus();
  });
  await expect(page.getByRole("region", { name: "Excursions" })).toBeVisible();
  // The name is cleared in the same turn in which the field would take the focus.
  await expect(name).toHaveValue("");
  await page.keyboard.type("Quiz 9, 10 points");
  await expect(writer).toHaveValue("Quiz 9, 10 points");
  await expect(name).toHaveValue("");
});

test("a course of one's own asks once who marks, and has no late rule until one is set", async ({ page }) => {
  await openDemo(page, "/files");
  const start = async (title: string) => {
    await page.getByLabel("Name of the course").fill(title);
    if (title === "First") await page.getByLabel("Your name, as students see it").fill("Noor Albrecht");
    await page.getByRole("button", { name: "Start an empty course" }).click();
    await page.waitForURL(new RegExp(`/courses/${title.toLowerCase()}/plan`));
  };
  await start("First");
  await goTo(page, "/courses/first/plan/rules");
  await expect(page.getByLabel("Taken off for each unit, %")).toBeHidden();
  await goTo(page, "/courses/first/files");
  await expect(page.getByLabel("Your name, as students see it")).toHaveCount(0);
  await start("Second");
  await goTo(page, "/courses/second/journal");
  await expect(page.getByRole("cell", { name: "Noor Albrecht" }).first()).toBeVisible();
});
