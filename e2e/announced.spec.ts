import { allKept, expect, goTo, openDemo, test } from "./helpers";

test("what is announced reaches the student before anything is released, and the rubric where it is said so", async ({
  page,
}) => {
  await openDemo(page, "/plan/assignments/story-map");
  const note = page.getByRole("textbox", { name: "Note beside it" });
  await note.fill("Bring your own maps.");
  await note.blur();
  await allKept(page);
  await goTo(page, "/window/reading-rivers/anouk-brisk");
  const announced = page.getByRole("region", { name: "Announced work" });
  await announced.getByText("Catchment story map").click();
  await expect(announced.getByText("Tell the story of the catchment in five or six stops.")).toBeVisible();
  await expect(announced.getByText("Bring your own maps.")).toBeVisible();
  await expect(page.getByRole("region", { name: /How Catchment story map will be judged/ })).toHaveCount(0);
  await announced.getByText("Flood-frequency memo").click();
  await expect(page.getByRole("region", { name: /How Flood-frequency memo will be judged/ })).toContainText(
    "Use of the record",
  );
  await goTo(page, "/courses/reading-rivers/plan/assignments/story-map");
  await page.getByRole("checkbox", { name: /Kept from students/ }).click();
  await allKept(page);
  await goTo(page, "/window/reading-rivers/anouk-brisk");
  await expect(page.getByRole("heading", { name: "Announced work" })).toBeVisible();
  await expect(page.getByText("Catchment story map")).toHaveCount(0);
});
