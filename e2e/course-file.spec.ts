import { readFileSync } from "node:fs";
import type { Locator, Page } from "@playwright/test";
import { allKept, cell, expect, goTo, openDemo, test } from "./helpers";
import { makePdf } from "./make-pdf";

const add = async (page: Page, name: string, buffer: Buffer) => {
  await page.getByLabel("Add files", { exact: true }).setInputFiles({ name, mimeType: "", buffer });
};
const saved = async (page: Page): Promise<Buffer> => {
  const saving = page.waitForEvent("download", { timeout: 80_000 });
  await page.getByRole("button", { name: "Make a course file" }).click();
  const file = readFileSync(await (await saving).path());
  await expect(page.getByText(/was saved \(.* MB\) and read back\./)).toBeVisible();
  return file;
};
/** Puts a file that the page fetches into a field: the test's own channel takes 50 MB at most. */
const carry = (field: Locator, address: string, name: string) =>
  field.evaluate(
    async (element, [from, as]) => {
      const carried = new DataTransfer();
      carried.items.add(new File([await (await fetch(from)).blob()], as));
      (element as HTMLInputElement).files = carried.files;
      element.dispatchEvent(new Event("change", { bubbles: true }));
    },
    [address, name] as const,
  );

/** A PDF of one page of text, swollen by noise that no reader looks at. */
async function largePdf(bytes: number): Promise<Buffer> {
  const pdf = await makePdf({ pages: 1 });
  const noise = Buffer.alloc(bytes);
  for (let at = 0, state = 7; at < bytes; at += 4) {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    noise.writeUInt32LE(state, at);
  }
  const text = Buffer.from(noise.toString("hex").slice(0, bytes), "latin1");
  // Behind the end of the file a comment may stand.
  return Buffer.concat([pdf, Buffer.from("\n%"), text, Buffer.from("\n%%EOF\n")]);
}

test("works with any name come out of the course file and back in, and so does one of many megabytes with its remarks", async ({
  page,
}) => {
  test.setTimeout(240_000);
  await openDemo(page, "/score/story-map/bram-oduya");
  const large = await largePdf(60_000_000);
  await page.route("**/large.pdf", (route) => route.fulfill({ body: large, contentType: "application/pdf" }));
  await carry(page.getByLabel("Add files", { exact: true }), "/large.pdf", "large..v2.pdf");
  await expect(page.getByRole("region", { name: "The work: large..v2.pdf" })).toBeVisible({ timeout: 60_000 });
  await expect(page.locator("canvas").first()).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press("t");
  await page.keyboard.press("Enter");
  await page.keyboard.type("Seen.");
  await page.keyboard.press("Control+Enter");
  await allKept(page);
  for (const [student, name] of [
    ["cato-mirelle", "essay..final.md"],
    ["clea-vantor", "draft...docx.txt"],
    ["dagny-kvist", "..pdf"],
    ["dov-amsel", " "],
  ] as const) {
    await goTo(page, `/courses/reading-rivers/score/story-map/${student}`);
    await add(page, name, Buffer.from(`The words of ${student}.`));
    await allKept(page);
  }
  await goTo(page, "/courses/reading-rivers/files");
  const file = await saved(page);
  expect(file.length).toBeGreaterThan(60_000_000);
  await page.route("**/course.zip", (route) => route.fulfill({ body: file, contentType: "application/zip" }));
  await carry(page.getByLabel("Choose a course file"), "/course.zip", "course.zip");
  await expect(page).toHaveURL(/reading-rivers-2/, { timeout: 100_000 });
  await goTo(page, "/courses/reading-rivers-2/score/story-map/cato-mirelle");
  await expect(page.getByText("The words of cato-mirelle.")).toBeVisible();
  await goTo(page, "/courses/reading-rivers-2/score/story-map/bram-oduya");
  await expect(page.getByRole("region", { name: "The work: large..v2.pdf" })).toBeVisible();
  await expect(page.getByRole("list", { name: "Notes in the margin" }).getByText("Seen.")).toBeVisible({
    timeout: 60_000,
  });
});

/** Changes something in a store of the browser, as a fault of the disk or a hand would. */
const inStore = (page: Page, act: "flip a block" | "clear all") =>
  page.evaluate(
    (what) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open("upright-quill");
        opening.onerror = () => {
          reject(new Error("not opened"));
        };
        opening.onsuccess = () => {
          const stores = [...opening.result.objectStoreNames].filter((name) => !name.startsWith("local-forage"));
          const turn = opening.result.transaction(stores, "readwrite");
          turn.oncomplete = () => {
            opening.result.close();
            resolve();
          };
          if (what === "clear all") {
            for (const name of stores) turn.objectStore(name).clear();
            return;
          }
          const journal = turn.objectStore("journal");
          const keys = journal.getAllKeys();
          keys.onsuccess = () => {
            const key = (keys.result as string[]).find((one) => one.includes("/block/"));
            const got = journal.get(key ?? "");
            got.onsuccess = () => {
              const block = got.result as { bytes: Uint8Array };
              block.bytes[900] = (block.bytes[900] ?? 0) ^ 1;
              journal.put(block, key);
            };
          };
        };
      }),
    act,
  );

test("a damaged course is shown as far as it goes, cannot be changed, and work goes on in a copy", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await inStore(page, "flip a block");
  await page.reload();
  await expect(page.getByRole("alert")).toContainText("Part of what this browser kept of this course is damaged.");
  const memo = cell(page, "Flood-frequency memo", "Jorun Nakade");
  await memo.click();
  await page.keyboard.type("70");
  await page.keyboard.press("Enter");
  await page.keyboard.press("ArrowUp");
  await expect(page.getByText(/This course can only be read/).first()).toBeVisible();
  await page.getByRole("button", { name: "Go on in a copy of it" }).click();
  await expect(page).toHaveURL(/reading-rivers-2/);
  await goTo(page, "/courses/reading-rivers-2/gradebook");
  await expect(page.getByRole("alert")).toHaveCount(0);
  await memo.click();
  await page.keyboard.type("70");
  await page.keyboard.press("Enter");
  await expect(memo).toContainText("70");
  await allKept(page);
  await goTo(page, "/courses");
  await expect(page.getByText("Part of it is damaged")).toHaveCount(1);
});

test("data cleared under an open page are seen at the next change, and the course is kept anew from the page", async ({
  page,
}) => {
  await openDemo(page, "/gradebook");
  const memo = cell(page, "Flood-frequency memo", "Jorun Nakade");
  await inStore(page, "clear all");
  await memo.click();
  await page.keyboard.type("70");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("What this browser kept of this course is gone");
  await expect(page.locator('[data-keeping="failed"]')).toBeVisible();
  await page.getByRole("button", { name: "Keep the course here anew" }).click();
  await allKept(page);
  await page.reload();
  await expect(memo).toContainText("70");
});

test("a figure typed at once after a click goes into that cell, whole", async ({ page }) => {
  test.setTimeout(120_000);
  await openDemo(page, "/gradebook");
  const names = ["Jorun Nakade", "Kesi Strand", "Mei Barrow", "Nadir Quill"];
  for (const [turn, name] of [...names, ...names.toReversed(), ...names].entries()) {
    const paper = cell(page, "Flood-frequency memo", name);
    const box = await paper.boundingBox();
    if (!box) throw new Error("not in view");
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
    await page.keyboard.type(String(21 + turn), { delay: 40 });
    await page.keyboard.press("Enter");
    await expect(paper).toContainText(String(21 + turn));
  }
});
