import { allKept, expect, openDemo, test } from "./helpers";

test("a list is put in order by its heads, goes by rows with arrows, and shows the columns one wants", async ({
  page,
}) => {
  await openDemo(page, "/students");
  const table = page.getByRole("table", { name: "Students" });
  const names = () => table.getByRole("row").locator("td:first-child").allTextContents();
  const given = await names();
  const head = table.getByRole("columnheader", { name: "Total now, %" });
  await head.getByRole("button").click();
  await expect(head).toHaveAttribute("aria-sort", "ascending");
  const totals = (await table.getByRole("row").locator("td:nth-child(4)").allTextContents())
    .filter(Boolean)
    .map(Number);
  expect(totals).toEqual([...totals].sort((a, b) => a - b));
  await head.getByRole("button").click();
  await expect(head).toHaveAttribute("aria-sort", "descending");
  await head.getByRole("button").click();
  await expect(head).not.toHaveAttribute("aria-sort");
  expect(await names()).toEqual(given);

  const links = table.getByRole("row").locator("td:first-child a");
  await links.first().focus();
  await page.keyboard.press("ArrowDown");
  await expect(links.nth(1)).toBeFocused();
  await page.keyboard.press("ArrowUp");
  await expect(links.first()).toBeFocused();

  await page.getByRole("button", { name: "Columns of Students" }).click();
  await page.getByRole("menuitemcheckbox", { name: "Letter" }).click();
  await page.getByRole("menuitemcheckbox", { name: "Number" }).click();
  await page.keyboard.press("Escape");
  await expect(table.getByRole("columnheader")).toHaveText(["Name", "Section", "Total now, %", "What they see"]);

  const name = table.getByRole("columnheader", { name: "Name" });
  const before = (await name.boundingBox())?.width ?? 0;
  await table.getByRole("separator", { name: "Width of Name" }).focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect.poll(async () => (await name.boundingBox())?.width ?? 0).toBeGreaterThan(before + 20);
});

test("of a long list only what stands in the window is drawn, down to its last line", async ({ page }) => {
  await openDemo(page, "/journal");
  const table = page.getByRole("table", { name: "Changes" });
  const count = Number(await table.getAttribute("aria-rowcount")) - 1;
  expect(count).toBeGreaterThan(150);
  expect(await table.getByRole("row").count()).toBeLessThan(100);
  await page.evaluate(() => {
    window.scrollTo(0, document.body.scrollHeight);
  });
  const last = table.locator(`tr[aria-rowindex="${String(count + 1)}"]`);
  await expect(async () => {
    await page.evaluate(() => {
      window.scrollTo(0, document.body.scrollHeight);
    });
    await expect(last).toBeInViewport({ timeout: 500 });
  }).toPass();
  await expect(last.locator("td").first()).toHaveText("1");
});

test("what was done is said at the foot of the screen, and can be undone there", async ({ page }) => {
  await openDemo(page, "/plan");
  await page.getByRole("button", { name: "More for Bridge count" }).click();
  await page.getByRole("menuitem", { name: "Remove" }).click();
  await page.getByRole("button", { name: /^Remove/ }).click();
  const news = page.getByRole("region", { name: "News" });
  await expect(news).toContainText(/Bridge count/);
  await expect(page.getByRole("link", { name: "Bridge count" })).toHaveCount(0);
  await news.getByRole("button", { name: "Undo" }).click();
  await expect(news).toHaveText(/^Undone: .*Bridge count/);
  await expect(page.getByRole("link", { name: "Bridge count" })).toBeVisible();
  // It stands to be read: what went away with its button did not take it along.
  await page.waitForTimeout(1_000);
  await expect(news).toHaveText(/^Undone: .*Bridge count/, { timeout: 1 });
  await page.keyboard.press("Control+z");
  await allKept(page);
});
