import { allKept, expect, openDemo, alone as test } from "./helpers";

test.use({
  permissions: ["microphone", "camera"],
  launchOptions: {
    executablePath: "/usr/bin/chromium",
    args: [
      "--no-sandbox",
      "--disable-gpu",
      "--no-first-run",
      "--disable-background-networking",
      "--use-fake-device-for-media-stream",
      "--use-fake-ui-for-media-stream",
    ],
  },
});

for (const kind of ["sound", "video"] as const) {
  test(`${kind} is recorded, heard, kept, and plays after a reload`, async ({ page }) => {
    await openDemo(page, "/score/flood-memo/hano-abeyra");
    await page.getByRole("button", { name: `Add feedback: ${kind}` }).click();
    const recorder = page.getByRole("group", { name: `Record ${kind}` });
    await recorder.getByRole("button", { name: "Record" }).click();
    await page.waitForTimeout(1500);
    await recorder.getByRole("button", { name: /^Stop/ }).click();
    await expect(recorder.getByLabel("The recording")).toBeVisible();
    await recorder.getByRole("button", { name: "Keep it" }).click();
    const player = page.getByRole("list", { name: "Files" }).getByLabel(/^Feedback 1/);
    await expect(player.first()).toBeVisible();
    await allKept(page);
    await page.reload();
    const media = page.locator(kind === "sound" ? "audio" : "video").first();
    await expect.poll(() => media.evaluate((element) => (element as HTMLMediaElement).readyState)).toBeGreaterThan(0);
    await media.evaluate((element) => (element as HTMLMediaElement).play());
    await expect
      .poll(() => media.evaluate((element) => (element as HTMLMediaElement).currentTime))
      .toBeGreaterThan(0.2);
  });
}
