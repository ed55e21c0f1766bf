import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { allKept, expect, open, openDemo, alone as test } from "./helpers";
import { openClosedTrees } from "./closed-trees";

const PASSPHRASE = "seven wet herons";

/** Types a passphrase twice where a new one is asked for. */
async function chooses(page: Page, label: string, passphrase: string): Promise<void> {
  await page.getByLabel(label, { exact: true }).fill(passphrase);
  await page.getByLabel("Once more").fill(passphrase);
}

/** Puts a lock on the demo course, and waits until it lies in its new slot. */
async function lockDemo(page: Page): Promise<void> {
  await openDemo(page, "/lock");
  await chooses(page, "Passphrase", PASSPHRASE);
  await expect(
    page.getByText("Strong: nobody finds it by guessing.").or(page.getByText("Good: it takes")),
  ).toBeVisible();
  await page.getByRole("button", { name: "Lock the course", exact: true }).last().click();
  await page.waitForURL(/\/courses\/c-[a-z0-9]+\/lock/, { timeout: 60_000 });
  await expect(page.getByRole("heading", { name: "This course is locked with a passphrase" })).toBeVisible();
}

async function unlocks(page: Page, passphrase: string): Promise<void> {
  await page.getByLabel("Its passphrase").fill(passphrase);
  await page.getByRole("button", { name: "Unlock" }).click();
}

test("a course is locked, opens with its passphrase where one left off, and with nothing else", async ({ page }) => {
  test.setTimeout(180_000);
  await lockDemo(page);
  const home = new URL(page.url()).pathname.replace("/lock", "");
  await open(page, `${home}/gradebook`);
  // A page that is loaded anew asks: the key lived in the memory of the page before.
  await expect(page.getByRole("heading", { level: 1, name: "Locked course" })).toBeVisible();
  await expect(page).toHaveTitle("Locked · Upright Quill");
  await unlocks(page, "seven wet heron");
  await expect(page.getByRole("alert")).toHaveText("This is not its passphrase.");
  await unlocks(page, PASSPHRASE);
  await expect(page.getByRole("grid")).toBeVisible();
  expect(new URL(page.url()).pathname).toBe(`${home}/gradebook`);
  await page.getByRole("link", { name: "Students" }).click();
  await page
    .getByRole("link", { name: /Bram Oduya/ })
    .first()
    .click();
  await expect(page.getByRole("heading", { level: 1, name: /Bram Oduya/ })).toBeVisible();
  // Titles stay in the browser's history: they name nobody.
  await expect(page).toHaveTitle("Student · Upright Quill");
  await page.keyboard.press("Control+Shift+L");
  await expect(page.getByRole("heading", { level: 1, name: "Locked course" })).toBeVisible();
  await expect(page.getByText("Bram")).toHaveCount(0);
  await page.getByRole("link", { name: "All courses in this browser" }).click();
  await expect(page.getByRole("listitem").filter({ hasText: "Locked course · locked" })).toBeVisible();
  await expect(page.getByText("Reading Rivers")).toHaveCount(0);
});

test("the recovery sheet opens it too, a changed passphrase takes the place of the old one, and the lock comes off", async ({
  page,
}) => {
  test.setTimeout(180_000);
  await lockDemo(page);
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Make a recovery sheet" }).click();
  expect((await download).suggestedFilename()).toBe("recovery-sheet.pdf");
  const code = await page.getByText(/^([a-z0-9]{4}-){6}[a-z0-9]{4}$/).innerText();
  await page.getByLabel("The present passphrase").fill("another one");
  await chooses(page, "The new passphrase", "nine dry cormorants");
  await page.getByRole("button", { name: "Change the passphrase" }).click();
  await expect(page.getByText("The present passphrase is another one. Nothing was changed.")).toBeVisible();
  await page.getByLabel("The present passphrase").fill(PASSPHRASE);
  await chooses(page, "The new passphrase", "nine dry cormorants");
  await page.getByRole("button", { name: "Change the passphrase" }).click();
  await expect(
    page.getByText("The new passphrase opens it from now on, and the old one no longer does."),
  ).toBeVisible();
  await page.keyboard.press("Control+Shift+L");
  await unlocks(page, PASSPHRASE);
  await expect(page.getByRole("alert")).toBeVisible();
  await page.getByRole("button", { name: "Open it with the recovery sheet" }).click();
  await page.getByLabel("The code of its recovery sheet").fill(code.toUpperCase().replaceAll("-", " "));
  await page.getByRole("button", { name: "Unlock" }).click();
  await expect(page.getByRole("heading", { name: "This course is locked with a passphrase" })).toBeVisible();
  await page.getByRole("button", { name: "Take the lock off" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Take the lock off" }).click();
  await page.waitForURL(/\/courses\/reading-rivers/, { timeout: 60_000 });
  await open(page, "/courses/reading-rivers");
  await expect(page.getByRole("heading", { level: 1, name: "Reading Rivers: Field Hydrology" })).toBeVisible();
});

test("what is unlocked in one tab is so in all, and locks itself in all of them when no hand is on any", async ({
  page,
  context,
}) => {
  test.setTimeout(180_000);
  await lockDemo(page);
  const home = new URL(page.url()).pathname.replace("/lock", "");
  await page.getByLabel("Locks itself when nobody touches it").selectOption("5");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("Kept.")).toBeVisible();
  const other = await context.newPage();
  await openClosedTrees(other);
  // However busy the tab that has the key is, the other waits for it.
  const busy = page.evaluate(() => {
    for (const end = performance.now() + 3000; performance.now() < end;);
  });
  await open(other, `${home}/students`);
  await busy;
  await expect(other.getByRole("heading", { level: 1, name: "Students" })).toBeVisible();
  await context.clock.install();
  for (const one of [other, page]) {
    await open(one, `${home}/students`);
    await expect(one.getByRole("heading", { level: 1, name: "Students" })).toBeVisible();
  }
  // A hand on one tab keeps the other open.
  for (let round = 0; round < 2; round += 1) {
    await context.clock.fastForward(4 * 60_000);
    await other.bringToFront();
    await other.keyboard.press("Shift");
  }
  for (const one of [page, other]) {
    await expect(one.getByRole("heading", { level: 1, name: "Students" })).toBeVisible();
  }
  await context.clock.fastForward(6 * 60_000);
  for (const one of [page, other]) {
    await expect(one.getByRole("heading", { level: 1, name: "Locked course" })).toBeVisible();
  }
});

/** Words that stand in the course alone. */
const SECRETS = ["Marshlore", "Quagmire", "Ottoline", "Sedge essay", "half a thought"];

/** A file, or every file below a folder, as bytes. */
function filesBelow(path: string): Buffer[] {
  if (!statSync(path).isDirectory()) return [readFileSync(path)];
  return readdirSync(path).flatMap((name) => filesBelow(join(path, name)));
}

/** What of the secrets is found in all that the browser wrote, but for what it keeps to reopen its tabs. */
const found = (profile: string): string[] => {
  const files = readdirSync(join(profile, "Default"))
    .filter((name) => name !== "Sessions")
    .flatMap((name) => filesBelow(join(profile, "Default", name)));
  return SECRETS.filter((secret) =>
    files.some((file) => file.includes(secret, 0, "utf8") || file.includes(secret, 0, "utf16le")),
  );
};

for (const passphrase of ["", PASSPHRASE]) {
  test(`the browser's files hold ${passphrase ? "no word of a locked course" : "the words of an open course, which shows that the search finds them"}`, async ({
    baseURL,
  }) => {
    test.setTimeout(180_000);
    const profile = mkdtempSync(join(tmpdir(), "quill-profile-"));
    try {
      const browser = await chromium.launchPersistentContext(profile, {
        executablePath: "/usr/bin/chromium",
        args: ["--no-sandbox", "--disable-gpu", "--headless=new"],
        ...(baseURL && { baseURL }),
        viewport: { width: 1280, height: 800 },
      });
      const [page = await browser.newPage()] = browser.pages();
      await openClosedTrees(page);
      await open(page, "/");
      await page.waitForURL(/courses/);
      await open(page, "/courses");
      await page.getByLabel("Name of the course").fill("Marshlore");
      await page.getByText("With a lock").click();
      await page.getByLabel("Passphrase of the new course", { exact: true }).fill(passphrase);
      await page.getByLabel("Passphrase of the new course, once more").fill(passphrase);
      await page.getByRole("button", { name: "Start an empty course" }).click();
      await page.waitForURL(/\/plan/);
      await page.getByLabel("New assignments, one line each").fill("Sedge essay, 20 points, 14 Dec 09:00");
      await page.getByLabel("New assignments, one line each").press("Enter");
      await page.getByRole("link", { name: "Sedge essay" }).first().waitFor();
      await page
        .getByRole("navigation", { name: "Parts of the plan" })
        .getByRole("link", { name: "Course and roster" })
        .click();
      await page.getByLabel("Students, one a line").fill("1001\tOttoline Quagmire");
      await page.getByRole("button", { name: "Add 1 student" }).click();
      await expect(page.getByRole("heading", { name: "1 student" })).toBeVisible();
      // Half-typed, and left so.
      await page.getByLabel("Students, one a line").fill("half a thought");
      await allKept(page);
      await browser.close();
      expect(found(profile)).toEqual(passphrase ? [] : SECRETS);
    } finally {
      rmSync(profile, { recursive: true, force: true });
    }
  });
}
