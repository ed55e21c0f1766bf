import { spawn, type ChildProcess } from "node:child_process";
import { appendFileSync, cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { allKept, cell, expect, expectWritten, open, ruler, alone as test } from "./helpers";

const PORT = 4393;
const COURSE = "/courses/reading-rivers";
test.use({ baseURL: `http://127.0.0.1:${String(PORT)}`, serviceWorkers: "allow" });
test.describe.configure({ mode: "serial" });

let folder: string;
test.beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), "quill-build-"));
  cpSync("build/client", folder, { recursive: true });
});
test.afterAll(() => {
  rmSync(folder, { recursive: true });
});

/** A server of its own, that can be stopped. */
async function served(): Promise<{ stop: () => Promise<void> }> {
  const code = `import("./build/server-static/serve.js").then(async ({ serve }) => { await serve({ folder: ${JSON.stringify(folder)}, port: ${String(PORT)} }); console.log("up"); })`;
  const child: ChildProcess = spawn(process.execPath, ["-e", code], { stdio: ["ignore", "pipe", "inherit"] });
  await new Promise<void>((resolve) =>
    child.stdout?.once("data", () => {
      resolve();
    }),
  );
  return {
    stop: () =>
      new Promise((resolve) => {
        child.once("exit", () => {
          resolve();
        });
        child.kill();
      }),
  };
}

/** Waits until all files of the application are kept in the browser. */
const isKeptForOffline = (page: Page) =>
  page.waitForFunction(async () => (await navigator.serviceWorker.ready).active?.state === "activated", null, {
    timeout: 60_000,
  });

test("with its server stopped it opens, a paper is judged, a PDF and a Word file are read, a copy is made", async ({
  page,
}) => {
  const server = await served();
  await open(page, "/");
  await expect(page.getByRole("heading", { level: 1, name: "Reading Rivers: Field Hydrology" })).toBeVisible();
  await isKeptForOffline(page);
  await page.reload();
  await server.stop();

  await open(page, `${COURSE}/score/flood-memo/sanna-wiik`);
  await expect(page.locator(".text-layer span").first()).toBeVisible();
  await page.keyboard.press("2");
  await expect(ruler(page, "Use of the record")).toHaveAttribute("aria-valuetext", /points, Sound$/);
  await allKept(page);
  await open(page, `${COURSE}/score/flood-memo/bram-oduya`);
  await expect(
    page
      .getByRole("region", { name: /The work/ })
      .locator("p")
      .first(),
  ).toBeVisible();
  await open(page, `${COURSE}/gradebook`);
  await cell(page, "Question paper 1", "Ilse Tarnowe").click();
  await page.keyboard.type("31");
  await page.keyboard.press("Enter");
  await allKept(page);
  // A screen that was never opened before, with its chart and its worker.
  await open(page, `${COURSE}/check?assignment=flood-memo`);
  await expect(page.getByRole("img", { name: /memo|scores/i }).first()).toBeVisible();
  await open(page, `${COURSE}/files`);
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Make a course file" }).click();
  expect((await saving).suggestedFilename()).toMatch(/^reading-rivers-.*\.zip$/);
  await open(page, `${COURSE}/score/flood-memo/sanna-wiik`);
  await expect(ruler(page, "Use of the record")).toHaveAttribute("aria-valuetext", /points, Sound$/);
});

test("a new version waits while a tab is open, and takes over when it is told to; nothing typed is lost", async ({
  page,
}) => {
  let server = await served();
  await open(page, "/");
  await expect(page.getByRole("heading", { level: 1, name: "Reading Rivers: Field Hydrology" })).toBeVisible();
  await isKeptForOffline(page);
  await open(page, `${COURSE}/score/flood-memo/ilse-tarnowe`);
  await page.getByLabel("Overall comment", { exact: true }).fill("Half a thought");
  await server.stop();
  appendFileSync(join(folder, "sw.js"), "\n// another version\n");
  server = await served();
  const isHere = page.getByText("A new version is here.", { exact: false });
  await expect(isHere).toHaveCount(0);
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
  await expect(isHere).toBeVisible({ timeout: 30_000 });
  // The page goes on with the version it was made by, screens that were not opened yet too.
  await open(page, `${COURSE}/plan/rules`);
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  const loaded = page.waitForEvent("load");
  await page.getByRole("button", { name: "Use it now" }).click();
  await loaded;
  await page.locator("html[data-ready]").waitFor();
  await expect(isHere).toHaveCount(0);
  await open(page, `${COURSE}/score/flood-memo/ilse-tarnowe`);
  await expectWritten(page.getByLabel("Overall comment", { exact: true }), "Half a thought");
  await server.stop();
});

test("it installs: its manifest names it, its icons are there", async ({ page }) => {
  const server = await served();
  await open(page, "/");
  const link = await page.locator('link[rel="manifest"]').getAttribute("href");
  const manifest = (await (await page.request.get(link ?? "")).json()) as {
    name: string;
    start_url: string;
    icons: { src: string; sizes: string }[];
  };
  expect(manifest).toMatchObject({ name: "Upright Quill", start_url: "/" });
  for (const { src } of manifest.icons) expect((await page.request.get(src)).status(), src).toBe(200);
  const client = await page.context().newCDPSession(page);
  const { installabilityErrors } = (await client.send("Page.getInstallabilityErrors")) as {
    installabilityErrors: { errorId: string }[];
  };
  expect(installabilityErrors.map(({ errorId }) => errorId).filter((id) => id !== "in-incognito")).toEqual([]);
  await server.stop();
});
