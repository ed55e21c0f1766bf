import { readFileSync } from "node:fs";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { allKept, cell, expect, goTo, openDemo, test } from "./helpers";
import { makePdf } from "./make-pdf";

const COURSE = "/courses/reading-rivers";

test("a score that cannot be says why, stays where it was typed, and nothing is entered", async ({ page }) => {
  await openDemo(page, "/gradebook");
  const memo = cell(page, "Flood-frequency memo", "Ilse Tarnowe");
  await memo.click();
  const cases = [
    ["abc", /not understood/],
    ["-3", /below 0/],
    ["1e9", /not a plain figure/],
    ["12.34567", /more than 4 decimals/],
    ["105", /above the maximum of 100/],
  ] as const;
  for (const [typed, words] of cases) {
    await page.keyboard.type(typed);
    await page.keyboard.press("Enter");
    await expect(page.getByRole("alert")).toHaveText(words);
    await expect(memo.getByRole("textbox")).toHaveValue(typed);
    await page.keyboard.press("Escape");
    await expect(memo).toContainText("waiting");
  }
  // Above the maximum it is kept when it is entered a second time, and marked.
  await page.keyboard.type("105");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(memo).toHaveAccessibleName(/95, late 2 d, above the maximum/);
  await allKept(page);
});

test.describe("work that cannot be read", () => {
  const place = "/score/story-map/bram-oduya";
  const add = async (page: Parameters<typeof openDemo>[0], name: string, buffer: Buffer) => {
    await page.getByLabel("Add files").setInputFiles({ name, mimeType: "application/pdf", buffer });
  };

  test("an empty file is not taken in", async ({ page }) => {
    await openDemo(page, place);
    await add(page, "empty.pdf", Buffer.alloc(0));
    await expect(page.getByRole("alert")).toContainText("empty.pdf is empty (0 bytes)");
    await expect(page.getByText("Nothing handed in yet.")).toBeVisible();
  });

  test("a file of a kind that cannot be shown is kept and offered for saving", async ({ page }) => {
    await openDemo(page, place);
    await add(page, "map.exe", Buffer.from("MZ"));
    await expect(page.getByRole("alert")).toContainText("Files of this kind are not shown here");
    await expect(page.getByRole("button", { name: "Save the file" })).toBeVisible();
  });

  test("a damaged PDF says so, can be saved, and the paper can still be judged", async ({ page }) => {
    await openDemo(page, place);
    const whole = await makePdf({ pages: 3 });
    await add(page, "cut.pdf", Buffer.concat([Buffer.from("%PDF-1.7 garbage"), whole.subarray(40, 90)]));
    await expect(page.getByRole("alert")).toContainText("This PDF is damaged");
    const saving = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save the file" }).click();
    expect((await saving).suggestedFilename()).toBe("cut.pdf");
    await page.keyboard.press("2");
    await expect(page.getByRole("slider").first()).toHaveAttribute("aria-valuetext", /7.5 points/);
  });

  test("a locked PDF says so", async ({ page }) => {
    await openDemo(page, place);
    await add(page, "locked.pdf", await makePdf({ pages: 1, password: "secret" }));
    await expect(page.getByRole("alert")).toContainText("locked with a password");
    await expect(page.getByRole("alert")).toContainText("Ask the student for one without");
  });

  test("a 200-page PDF opens and holds only the pages near the view", async ({ page }) => {
    await openDemo(page, place);
    await add(page, "long.pdf", await makePdf({ pages: 200 }));
    await expect(page.locator(".text-layer").getByText("This is page 1 of")).toBeVisible();
    await expect(page.getByRole("group", { name: /^Page \d+ of 200$/ })).toHaveCount(200);
    await page.getByRole("group", { name: "Page 150 of 200" }).scrollIntoViewIfNeeded();
    await expect(page.locator(".text-layer").getByText("This is page 150 of")).toBeVisible();
    expect(await page.locator("canvas").count()).toBeLessThan(12);
  });

  test("Markdown with scripts, frames and remote pictures shows its words and runs nothing", async ({ page }) => {
    await openDemo(page, place);
    const hostile = [
      "# Harmless title",
      '<script>window.pwned = 1</script><img src="https://evil.example/x.png" onerror="window.pwned=1">',
      "![pixel](https://evil.example/pixel.png) [link](javascript:window.pwned=1)",
      '<iframe src="https://evil.example"></iframe>',
    ].join("\n\n");
    await page
      .getByLabel("Add files")
      .setInputFiles({ name: "hostile.md", mimeType: "text/markdown", buffer: Buffer.from(hostile) });
    await expect(page.getByRole("heading", { name: "Harmless title" })).toBeVisible();
    expect(await page.evaluate(() => "pwned" in window)).toBe(false);
    await expect(page.locator(".work-text :is(img, iframe, script, a[href^='javascript'])")).toHaveCount(0);
  });
});

test.describe("a course file that cannot be read in", () => {
  const makeFile = async (page: Parameters<typeof openDemo>[0]) => {
    await openDemo(page, "/files");
    const saving = page.waitForEvent("download");
    await page.getByRole("button", { name: "Make a course file" }).click();
    return readFileSync(await (await saving).path());
  };
  const readIn = async (page: Parameters<typeof openDemo>[0], buffer: Buffer) => {
    await page
      .getByLabel("Choose a course file")
      .setInputFiles({ name: "course.zip", mimeType: "application/zip", buffer });
  };

  test("cut short: says so and changes nothing", async ({ page }) => {
    const whole = await makeFile(page);
    await readIn(page, whole.subarray(0, whole.length - 500));
    await expect(
      page.getByText(/not a whole course file; it may have been cut short.*Nothing was changed/),
    ).toBeVisible();
    await page.getByRole("button", { name: "Switch course" }).click();
    await expect(page.getByRole("menuitem", { name: /Reading Rivers/ })).toHaveCount(1);
  });

  test("of a newer version: says which and changes nothing", async ({ page }) => {
    const parts = unzipSync(await makeFile(page));
    const cover = JSON.parse(strFromU8(parts["course.json"] ?? new Uint8Array())) as object;
    const newer = zipSync({ ...parts, "course.json": strToU8(JSON.stringify({ ...cover, version: 8 })) });
    await readIn(page, Buffer.from(newer));
    await expect(page.getByText(/made by a newer Upright Quill \(version 8; this one reads up to 7\)/)).toBeVisible();
  });
});

test("an address that leads nowhere says so and shows the way back", async ({ page }) => {
  await openDemo(page);
  await goTo(page, `${COURSE}/score/flood-memo/nobody`);
  await expect(page.getByText("There is no such student in this course.")).toBeVisible();
  await goTo(page, "/courses/none");
  await expect(page.getByText('There is no course "none" in this browser.')).toBeVisible();
  await page.getByRole("link", { name: "Back to the course" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Reading Rivers: Field Hydrology");
});
