import { spawnSync } from "node:child_process";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { strFromU8, unzipSync } from "fflate";
import { allKept, cell, expect, open, openDemo, alone as test } from "./helpers";

test("a course file with a passphrase opens with the age command, and is read in again", async ({ page }) => {
  test.setTimeout(120_000);
  await openDemo(page, "/files");
  await page.getByLabel("Locked with a passphrase, if wished").fill("kvt4-9mqa");
  const saving = page.waitForEvent("download", { timeout: 80_000 });
  await page.getByRole("button", { name: "Make a course file" }).click();
  const download = await saving;
  expect(download.suggestedFilename()).toMatch(/^reading-rivers-\d{4}-\d\d-\d\d\.zip\.age$/);
  const path = await download.path();
  const opened = (passphrase: string) =>
    spawnSync("/usr/bin/python3", [join(import.meta.dirname, "../workers/copies/open-age.py"), path, passphrase], {
      maxBuffer: 100_000_000,
    });
  expect(opened("kvt4-9mqb").status).not.toBe(0);
  const parts = unzipSync(new Uint8Array(opened("kvt4-9mqa").stdout));
  expect(JSON.parse(strFromU8(parts["course.json"] ?? new Uint8Array()))).toMatchObject({
    title: "Reading Rivers: Field Hydrology",
  });
  await expect(page.getByText(/Last saved outside of this browser on .*; nothing was changed since/)).toBeVisible();
});

/** Stands in for the person who chooses a folder: one of the browser's own for this address, which writes like any other. */
const withFolder = (page: Page) =>
  page.addInitScript(() => {
    Object.assign(window, {
      showDirectoryPicker: async () => {
        const root = await navigator.storage.getDirectory();
        return root.getDirectoryHandle("Copies", { create: true });
      },
    });
  });

const namesIn = (page: Page): Promise<string[]> =>
  page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle("Copies");
    const names: string[] = [];
    for await (const name of folder.keys()) names.push(name);
    return names.sort();
  });

test("copies go into the chosen folder by themselves after work, and what the folder held besides stays", async ({
  page,
}) => {
  test.setTimeout(150_000);
  await withFolder(page);
  await page.clock.install({ time: new Date("2026-11-23T09:00:00Z") });
  await openDemo(page, "/files");
  await page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle("Copies", { create: true });
    await folder.getFileHandle("shopping list.txt", { create: true });
    await folder.getFileHandle("reading-rivers-notes.zip", { create: true });
    for (const day of ["05", "06", "07", "09", "10"])
      await folder.getFileHandle(`reading-rivers-2026-11-${day}-1200.zip`, { create: true });
  });
  await page.getByRole("button", { name: "Choose a folder for copies" }).click();
  await expect(page.getByText(/was written into Copies and read back/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText("Copies go into Copies, a minute after work")).toBeVisible();
  const after = await namesIn(page);
  // The last of each week stays; of the newest five one more.
  expect(after).toEqual([
    "reading-rivers-2026-11-06-1200.zip",
    "reading-rivers-2026-11-07-1200.zip",
    "reading-rivers-2026-11-09-1200.zip",
    "reading-rivers-2026-11-10-1200.zip",
    expect.stringMatching(/^reading-rivers-2026-11-23-09\d\d\.zip$/),
    "reading-rivers-notes.zip",
    "shopping list.txt",
  ]);
  await page.getByRole("link", { name: "Gradebook" }).click();
  await cell(page, "Gauging report", "Bram Oduya").click();
  await page.keyboard.type("71");
  await page.keyboard.press("Enter");
  await allKept(page);
  await page.clock.fastForward("11:00");
  await expect
    .poll(() => namesIn(page).then((names) => names.filter((name) => name.includes("-11-23-")).length), {
      timeout: 60_000,
    })
    .toBe(2);
});

test("the board says when a course of one's own stands in this browser alone for a week", async ({ page }) => {
  await page.clock.install({ time: new Date("2026-11-02T09:00:00Z") });
  await openDemo(page);
  await open(page, "/courses");
  await page.getByLabel("Name of the course").fill("Night Sky");
  await page.getByRole("button", { name: "Start an empty course" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Plan" })).toBeVisible();
  const alone = page.getByText("Only in this browser:");
  await open(page, "/courses/night-sky");
  await expect(page.getByRole("heading", { level: 1, name: "Night Sky" })).toBeVisible();
  await expect(alone).toHaveCount(0);
  await page.clock.setFixedTime(new Date("2026-11-10T10:00:00Z"));
  await open(page, "/courses/night-sky");
  await expect(page.getByRole("listitem").filter({ has: alone })).toContainText(
    /\d+ changes? in 8 days, and never saved anywhere else\. Make a course file/,
  );
});

test("files say what takes room, and whether the browser keeps it", async ({ page }) => {
  await openDemo(page, "/files");
  const table = page.getByRole("table", { name: "What takes room" });
  await expect(table.getByRole("row", { name: /Files of this course [\d.]+ [kM]B/ })).toBeVisible();
  await expect(table.getByRole("row", { name: /Its journal [\d.]+ [kM]B/ })).toBeVisible();
  await expect(page.getByText(/The browser (may clear it|keeps all of it)/)).toBeVisible();
});
