import type { Page } from "@playwright/test";
import { allKept, cell, expect, goTo, open, openDemo, test } from "./helpers";

const sealOf = (page: Page) => page.locator("summary").filter({ hasText: "Seal:" }).locator("span").innerText();

/** Types a score, so that the journal has one change more. */
async function scores(page: Page, score: string): Promise<void> {
  await goTo(page, "/courses/reading-rivers/gradebook");
  await cell(page, "Gauging report", "Bram Oduya").click();
  await page.keyboard.type(score);
  await page.keyboard.press("Enter");
  await allKept(page);
}

test("the journal's seal changes with every change, an earlier one is found, and a hand in the store is named", async ({
  page,
}) => {
  await openDemo(page);
  await scores(page, "71");
  await goTo(page, "/courses/reading-rivers/journal");
  const earlier = await sealOf(page);
  expect(earlier).toMatch(/^(\d{5} ){5}\d{5}$/);
  await scores(page, "72");
  await scores(page, "73");
  await goTo(page, "/courses/reading-rivers/journal");
  expect(await sealOf(page)).not.toBe(earlier);
  await page.locator("summary").filter({ hasText: "Seal:" }).click();
  await page.getByLabel("A seal noted earlier").fill(earlier.replaceAll(" ", ""));
  await page.getByRole("button", { name: "Check the journal" }).click();
  await expect(
    page.getByText(/All \d+ changes follow one another.*The seal you typed is that of change \d+/),
  ).toBeVisible();
  await page.getByLabel("A seal noted earlier").fill("12345 12345 12345 12345 12345 12345");
  await page.getByRole("button", { name: "Check the journal" }).click();
  await expect(page.getByText(/it never had the seal you typed/)).toBeVisible();
  // A hand that knows the store tells another story of the change before the last, and works its sum out.
  const changed = await page.evaluate(async () => {
    const database = await new Promise<IDBDatabase>((resolve) => {
      const opening = indexedDB.open("upright-quill");
      opening.onsuccess = () => {
        resolve(opening.result);
      };
    });
    const done = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve) => {
        request.onsuccess = () => {
          resolve(request.result);
        };
      });
    const journal = () => database.transaction("journal", "readwrite").objectStore("journal");
    const keys = ((await done(journal().getAllKeys())) as string[]).filter((one) => one.includes("/entry/")).sort();
    const key = keys.at(-2) ?? "";
    const sealed = (await done(journal().get(key))) as { text: string; before: string; sum: string };
    const text = sealed.text.replace('"line":"', '"line":"Never mind: ');
    const bytes = new TextEncoder().encode(`${sealed.before}\n${text}`);
    const sum = [...new Uint8Array(await crypto.subtle.digest("SHA-256", bytes))]
      .map((byte) => byte.toString(16).padStart(2, "0"))
      .join("");
    await done(journal().put({ ...sealed, text, sum }, key));
    database.close();
    return Number(key.slice(-9));
  });
  await open(page, "/courses/reading-rivers");
  const after = String(changed + 1);
  await expect(page.getByText(`the journal does not hold together at change ${after}`)).toBeVisible();
  await page.getByRole("link", { name: "Check it under Journal" }).click();
  await page.locator("summary").filter({ hasText: "Seal:" }).click();
  await page.getByRole("button", { name: "Check the journal" }).click();
  await expect(page.getByText(new RegExp(`Change ${after} of .* does not fit`))).toBeVisible();
});
