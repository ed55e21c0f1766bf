import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import type { Page } from "@playwright/test";
import { unzipSync } from "fflate";
import { allKept, expect, goTo, openDemo, test } from "./helpers";

const RELEASE = "/courses/reading-rivers/release";

async function releaseMemo(page: Page): Promise<void> {
  await openDemo(page, "/release?assignment=flood-memo");
  await page.getByRole("button", { name: /^Release to \d+ students/ }).click();
  await expect(page.getByText(/^Released to \d+ students\.$/)).toBeVisible();
  await allKept(page);
}

/** What a button saves, unpacked: names with their bytes. */
async function savedBy(page: Page, name: RegExp | string): Promise<Record<string, Uint8Array>> {
  const [download] = await Promise.all([
    page.waitForEvent("download", { timeout: 80_000 }),
    page.getByRole("button", { name }).click(),
  ]);
  return unzipSync(readFileSync(await download.path()));
}

const folder = () => mkdtempSync(join(tmpdir(), "copies-"));

test("a student's copy opens from disk without the application and without a network, complete", async ({
  page,
  browser,
}) => {
  await releaseMemo(page);
  await goTo(page, `${RELEASE}/deliver`);
  await page.getByLabel("For", { exact: true }).selectOption({ label: "Heron" });
  await page.getByLabel("Lock").selectOption({ label: "not locked" });
  const files = await savedBy(page, "Make copies for 14 students");
  expect(Object.keys(files)).toHaveLength(28);
  await expect(page.getByText("copies made for 14 students")).toBeVisible();
  const place = join(folder(), "L26041.html");
  writeFileSync(place, files["L26041.html"] ?? "");

  const offline = await browser.newContext({ offline: true });
  const reader = await offline.newPage();
  const faults: string[] = [];
  reader.on("console", (message) => faults.push(message.text()));
  reader.on("pageerror", (error) => faults.push(error.message));
  reader.on("request", (request) => {
    if (!/^(file|data):/.test(request.url())) faults.push(request.url());
  });
  await reader.goto(pathToFileURL(place).href);
  await expect(reader.getByText("For Aldous Brenn, L26041")).toBeVisible();
  await expect(reader.getByText("43 / 100")).toBeVisible();
  await expect(reader.getByText("I used n = 44 because the record runs over 44 years.")).toBeVisible();
  await expect(reader.getByText("Only 41 of them have a maximum. What becomes of T?")).toBeVisible();
  const [marked] = await Promise.all([
    reader.waitForEvent("download"),
    reader.getByRole("link", { name: "Save aldous-brenn-marked.pdf" }).click(),
  ]);
  const text = execFileSync("/usr/bin/pdftotext", [await marked.path(), "-"], { encoding: "utf8" });
  expect(text).toContain("Flood frequency at Ossel Weir");
  expect(faults).toEqual([]);
  await offline.close();

  const pdf = join(folder(), "L26041.pdf");
  writeFileSync(pdf, files["L26041.pdf"] ?? "");
  const letter = execFileSync("/usr/bin/pdftotext", ["-layout", pdf, "-"], { encoding: "utf8" });
  for (const words of ["Flood-frequency memo", "43 / 100", "Only 41 of them have a maximum.", "Ossel Weir"]) {
    expect(letter).toContain(words);
  }
  // Nobody else's name or number, and no marker's, stands in any of the copies.
  for (const [name, bytes] of Object.entries(files).filter(([one]) => one.endsWith(".html"))) {
    const page = new TextDecoder().decode(bytes);
    const numbers = new Set([...page.matchAll(/L26\d{3}/g)].map(([number]) => `${number}.html`));
    expect([...numbers]).toEqual([name]);
    expect(page).not.toMatch(/Halden|private/i);
  }
});

/** Opens a locked archive's page with the passphrase that the saved list gives for a student's number. */
function openedWith(list: string, number: string, locked: Uint8Array | undefined): string {
  const [, , passphrase = ""] =
    list
      .split("\r\n")
      .map((line) => line.split(","))
      .find(([one]) => one === number) ?? [];
  const place = join(folder(), "copy.zip");
  writeFileSync(place, locked ?? "");
  return execFileSync("/usr/bin/7z", ["x", "-so", `-p${passphrase}`, place, "copy.html"], { encoding: "utf8" });
}

async function savedList(page: Page): Promise<string> {
  const [list] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Save the list of passphrases" }).first().click(),
  ]);
  return readFileSync(await list.path(), "utf8");
}

test("copies are locked with a passphrase each, and the list is saved by itself, before one leaves", async ({
  page,
}) => {
  await openDemo(page, "/release/deliver");
  await expect(page.getByLabel("Lock")).toHaveValue("archive");
  await page.getByLabel("For", { exact: true }).selectOption({ label: "Heron" });
  await page.getByRole("checkbox", { name: "Aldous Brenn" }).uncheck();
  const saved: string[] = [];
  page.on("download", (download) => saved.push(download.suggestedFilename()));
  const files = await savedBy(page, "Make copies for 13 students");
  expect(Object.keys(files)).toHaveLength(13);
  await expect(page.getByText("The passphrases of 13 copies are kept nowhere.", { exact: false })).toBeVisible();
  expect(saved).toHaveLength(1);

  await page.getByRole("link", { name: "Gradebook" }).click();
  await page.getByRole("button", { name: "Leave as it is" }).click();
  await expect(page).toHaveURL(/deliver$/);
  const list = await savedList(page);
  expect(list.trim().split("\r\n")).toHaveLength(14);
  expect(new Set(list.split("\r\n").map((line) => line.split(",")[2])).size).toBe(15);
  const [name = "", locked] = Object.entries(files)[0] ?? [];
  const number = name.replace(".zip", "");
  expect(openedWith(list, number, locked)).toContain(number);
  await expect(page.getByText("copies made for 13 students, locked")).toBeVisible();
  await page.getByRole("link", { name: "Gradebook" }).click();
  await expect(page).toHaveURL(/gradebook/);
});

test("a copy in an e-mail draft is locked too", async ({ page }) => {
  await releaseMemo(page);
  await goTo(page, `${RELEASE}/post?assignment=flood-memo&section=heron`);
  await page.getByLabel("In each e-mail draft").selectOption({ label: "the student's copy, locked, as an archive" });
  const drafts = await savedBy(page, "Save as e-mail drafts");
  // Made again before the first list was saved: it stays, beside the new one.
  await savedBy(page, "Save as e-mail drafts");
  await expect(page.getByRole("region", { name: "Passphrases" })).toHaveCount(2);
  const list = await savedList(page);
  const text = new TextDecoder().decode(drafts["L26041.eml"]);
  expect(text).toContain('filename="L26041.zip"');
  const [, encoded = ""] = /L26041\.zip"[^]*?\r\n\r\n([A-Za-z0-9+/=\r\n]+)/.exec(text) ?? [];
  expect(openedWith(list, "L26041", Buffer.from(encoded, "base64"))).toContain("For Aldous Brenn, L26041");
});

test("a letter goes through the post office into the window, is opened there, and as a draft into a file", async ({
  page,
}) => {
  await releaseMemo(page);
  await goTo(page, `${RELEASE}/post?assignment=flood-memo`);
  await page.getByLabel("Subject").fill("{assignment} is back");
  await page.getByLabel("Text").fill("Dear {given}, you have {score}. {nonsense}");
  await expect(page.getByText("Nothing to put in here for {nonsense}.")).toBeVisible();
  await expect(page.getByRole("button", { name: /^Send to/ })).toBeDisabled();
  await page.getByLabel("Text").fill("Dear {given}, you have {score}.");
  const reading = page.getByRole("region", { name: "How it reads" });
  await expect(reading).toContainText("Dear Aldous, you have 43 / 100.");
  await reading.getByRole("button", { name: "next" }).click();
  await expect(reading).toContainText("Dear Anouk");

  const drafts = await savedBy(page, "Save as e-mail drafts");
  const place = join(folder(), "draft.eml");
  writeFileSync(place, drafts["L26041.eml"] ?? "");
  const script = join(import.meta.dirname, "../core/formats/letters/read-mail.py");
  const draft: unknown = JSON.parse(execFileSync("/usr/bin/python3", [script, place], { encoding: "utf8" }));
  expect(draft).toMatchObject({
    to: [{ name: "Aldous Brenn", address: "aldous.brenn@larkmere.example" }],
    subject: "Flood-frequency memo is back",
    defects: [],
  });

  await page.getByRole("button", { name: /^Send to \d+ students by the post office/ }).click();
  await expect(page.getByText(/^Sent to \d+ students\./)).toBeVisible();
  await allKept(page);
  await goTo(page, "/window/reading-rivers/aldous-brenn?reading");
  await page.getByText("Flood-frequency memo is back").click();
  await expect(page.getByText("Dear Aldous, you have 43 / 100.")).toBeVisible();
  await goTo(page, `${RELEASE}/post`);
  await expect(page.getByRole("heading", { name: /^Sent: \d+ letters, 1 opened/ })).toBeVisible();
});

test("letters go to those who were chosen last, however fast the next press comes", async ({ page }) => {
  await releaseMemo(page);
  await goTo(page, `${RELEASE}/post?assignment=flood-memo`);
  const fields = [
    await page.getByLabel("To", { exact: true }).elementHandle(),
    await page.getByRole("button", { name: /^Send to \d+ students by the post office/ }).elementHandle(),
  ];
  await page.evaluate(async ([choice, send]) => {
    const select = choice as HTMLSelectElement;
    const heron = [...select.options].findIndex(({ text }) => text.includes("Heron"));
    select.selectedIndex = heron;
    select.dispatchEvent(new Event("change", { bubbles: true }));
    for (let step = 0; step < 20; step += 1) await Promise.resolve();
    (send as HTMLElement).click();
  }, fields);
  const sent = page.getByText(/^Sent to \d+ students\./);
  await expect(sent).toBeVisible();
  await allKept(page);
  const heron = await page.getByRole("button", { name: /^Send to \d+ students by the post office/ }).textContent();
  expect(await sent.textContent()).toContain(/\d+ students/.exec(heron ?? "")?.[0]);
});

test("a reminder warns where writing alone would tell something sealed, and stands in the journal", async ({
  page,
}) => {
  await openDemo(page, "/release/remind?kind=below&assignment=flood-memo&figure=60");
  await expect(page.getByText(/could tell from being written to how a sealed score stands/)).toBeVisible();
  await page.getByLabel("To those").selectOption({ label: "with nothing handed in" });
  await expect(page.getByText(/could tell from being written to/)).toHaveCount(0);
  const found = page.getByRole("list", { name: "Whom it goes to" }).getByRole("listitem");
  const count = await found.count();
  expect(count).toBeGreaterThan(1);
  await found.first().getByRole("checkbox").uncheck();
  await page.getByRole("button", { name: new RegExp(`^Send to ${String(count - 1)} student`) }).click();
  await expect(page.getByText("it stands in the journal", { exact: false })).toBeVisible();
  await allKept(page);
  await goTo(page, "/courses/reading-rivers/journal");
  await expect(page.getByRole("row").filter({ hasText: "with nothing handed in: reminder sent to" })).toBeVisible();
});

test("final grades are kept as they were exported and compared with today's", async ({ page }) => {
  await openDemo(page, "/release/grades");
  await expect(page.getByRole("list", { name: "Before the export" })).toContainText("waiting to be scored");
  const [csv] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Save as CSV" }).click(),
  ]);
  expect(readFileSync(await csv.path(), "utf8").split("\r\n")).toHaveLength(30);
  await expect(page.getByText("Today's grades are the same.")).toBeVisible();
  const set = await savedBy(page, "Save the open roster-and-results set");
  expect(Object.keys(set)).toContain("lineItems.csv");
  await allKept(page);
  await goTo(page, "/courses/reading-rivers/gradebook");
  const sketch = page.getByRole("gridcell", { name: /^Site sketch, Esi Okonwe:/ });
  await sketch.click();
  await page.keyboard.type("2");
  await page.keyboard.press("Enter");
  await expect(sketch).toHaveAccessibleName(/: 2, set by hand/);
  await allKept(page);
  await goTo(page, `${RELEASE}/grades`);
  await expect(page.getByText("1 grade is another today")).toBeVisible();
  await page.getByLabel("Student", { exact: true }).selectOption({ label: "Esi Okonwe" });
  const [report] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Save 1 report as PDF" }).click(),
  ]);
  const text = execFileSync("/usr/bin/pdftotext", ["-layout", await report.path(), "-"], { encoding: "utf8" });
  expect(text).toContain("Esi Okonwe");
  expect(text).toMatch(/Site sketch\s+not released/);

  await page.getByLabel("Holding").selectOption({ label: "everything, for the office" });
  await expect(page.getByText("Not for students.", { exact: false })).toBeVisible();
  const [office] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Save 1 report as PDF" }).click(),
  ]);
  const all = execFileSync("/usr/bin/pdftotext", ["-layout", await office.path(), "-"], { encoding: "utf8" });
  expect(all).toContain("For the office: holds figures that were not released to the student.");
  expect(all).toMatch(/Site sketch\s+2 \//);
});
