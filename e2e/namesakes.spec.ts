import { expect, goTo, openDemo, test } from "./helpers";

const COURSE = "/courses/reading-rivers";

test("two students of one name are told apart by their numbers wherever they stand", async ({ page }) => {
  await openDemo(page, "/plan/course");
  await page.getByLabel("Students, one a line").fill("L29001, Ilse Tarnowe");
  await page.getByRole("button", { name: "Add 1 student" }).click();
  await expect(page.getByLabel("Students, one a line")).toHaveValue("");
  const places = [
    "/gradebook",
    "/students",
    "/pile/question-paper",
    "/quick/seminar",
    "/journal",
    "/release?assignment=flood-memo",
    "/release/remind?kind=missing&assignment=question-paper",
  ];
  for (const place of places) {
    await goTo(page, COURSE + place);
    if (place.startsWith("/pile")) await page.getByRole("combobox").last().fill("ilse");
    await expect(page.getByText(/Ilse Tarnowe, L29001/).first(), place).toBeAttached();
    // The other one has handed in, and is not reminded.
    if (place.includes("remind")) continue;
    await expect(page.getByText(/Ilse Tarnowe, L26\d+, (Heron|Kingfisher)/).first(), place).toBeAttached();
  }
  await page.keyboard.press("Control+k");
  await page.keyboard.type("ilse");
  await expect(page.getByRole("option", { name: /Ilse Tarnowe, L29001/ }).first()).toBeVisible();
});
