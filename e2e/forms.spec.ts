import { allKept, expect, openDemo, test } from "./helpers";

test("a form says at each field what is wrong with it, goes to the first, and keeps what is right", async ({
  page,
}) => {
  await openDemo(page, "/plan");
  const name = page.getByLabel("Another category");
  const weight = page.getByLabel("Weight, %", { exact: true }).last();
  await weight.fill("a lot");
  await page.getByRole("button", { name: "Add category" }).click();
  await expect(name).toBeFocused();
  await expect(name).toHaveAccessibleDescription("It needs a name.");
  await expect(weight).toHaveAccessibleDescription('"a lot" is not a plain figure. Type points such as 17.5.');
  await name.fill("Excursions");
  await expect(name).not.toHaveAttribute("aria-invalid", "true");
  await page.keyboard.press("Enter");
  await expect(weight).toBeFocused();
  await weight.fill("7,5");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Excursions" })).toBeVisible();
  await expect(name).toBeFocused();
  await expect(name).toHaveValue("");
  await allKept(page);
});

test("a term without its moments and a scale without levels are refused at their fields", async ({ page }) => {
  await openDemo(page, "/plan/course");
  const terms = page.getByRole("region", { name: "Terms" });
  await terms.getByText("Add a term").click();
  await terms.getByLabel("Name", { exact: true }).fill("Summer");
  await terms.getByLabel("Weight", { exact: true }).last().fill("1");
  await terms.getByRole("button", { name: "Add term" }).click();
  await expect(terms.getByText("Choose the first moment of the term.")).toBeVisible();
  await expect(terms.getByText("Choose the last moment of the term.")).toBeVisible();
  await page.goto("/courses/reading-rivers/plan/rules");
  const scales = page.getByRole("form", { name: "Add a scale" });
  await scales.getByLabel("Name", { exact: true }).fill("Presence");
  await scales.getByRole("button", { name: "Add scale" }).click();
  await expect(scales.getByRole("alert")).toContainText("One level a line, the highest first");
  await scales.getByLabel("Levels, highest first").fill("There 100\nNot there 0");
  await scales.getByRole("button", { name: "Add scale" }).click();
  await expect(page.getByRole("region", { name: "Short scales" })).toContainText("There 100 % · Not there 0 %");
});
