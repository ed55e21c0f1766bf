import { createHash } from "node:crypto";
import { allKept, expect, goTo, openDemo, test } from "./helpers";

const WINDOW = "/window/reading-rivers/dov-amsel";
const part = (page: Parameters<typeof goTo>[0], name: string) => page.getByRole("region", { name: `Hand in ${name}` });

test("a student hands in by the window: due in their words, files and words, a receipt, and it waits on the desk", async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, WINDOW);
  await page.getByText("Catchment story map").click();
  const form = part(page, "Catchment story map");
  await expect(form).toContainText(/Closes in|late:/);
  // Whoever only looks hands nothing in.
  await expect(form.getByRole("button", { name: "Hand in" })).toHaveCount(0);
  await page.getByRole("link", { name: "Open as Dov Amsel" }).click();
  await expect(form.getByRole("button", { name: "Hand in" })).toBeDisabled();
  await form.locator('input[type="file"]').setInputFiles({
    name: "dov map.md",
    mimeType: "text/markdown",
    buffer: Buffer.from("# The river by Dov"),
  });
  await form.getByRole("textbox", { name: "Words to hand in" }).fill("https://maps.example/dov");
  await form.getByRole("button", { name: "Hand in" }).click();
  await expect(form).toContainText("Keep this receipt.");
  await expect(form).toContainText(createHash("sha256").update("# The river by Dov").digest("hex"));
  await expect(form).toContainText("Attempt 1");
  await goTo(page, "/courses/reading-rivers/score/story-map/dov-amsel");
  await expect(page.getByRole("link", { name: "dov map.md" })).toBeVisible();
  await allKept(page);
  await page.getByRole("link", { name: "dov map.md" }).click();
  await expect(page.getByText("The river by Dov", { exact: true })).toBeVisible();
});

test("no attempt left says so, a refused hand-in stays in the form, and late work says what it would cost", async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, `${WINDOW.replace("dov-amsel", "lorcan-pell")}?reading`);
  await page.getByText("Flood-frequency memo").first().click();
  const form = part(page, "Flood-frequency memo");
  await expect(form).toContainText(/\d+ days late: [\d.]+ points of 100 would be taken off\./);
  await form.locator('input[type="file"]').setInputFiles({
    name: "empty.pdf",
    mimeType: "application/pdf",
    buffer: Buffer.alloc(0),
  });
  await form.getByRole("button", { name: "Hand in" }).click();
  await expect(form).toContainText("empty.pdf is empty (0 bytes)");
  await expect(form.getByText("empty.pdf", { exact: true })).toBeVisible();
});
