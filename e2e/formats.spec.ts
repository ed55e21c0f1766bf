import type { Page } from "@playwright/test";
import { allKept, expect, goTo, margin, openDemo, takeUp, test } from "./helpers";
import { HOSTILE_PDF, makeHostileWord, makePng, makeWave, makeWord } from "./make-files";

interface Given {
  readonly name: string;
  readonly bytes: Buffer;
}

/** Hands files in for a student who has handed in nothing, on a fresh demo course. */
async function handIn(page: Page, ...files: readonly Given[]): Promise<void> {
  await openDemo(page, "/score/story-map/bram-oduya");
  await page
    .getByLabel("Add files", { exact: true })
    .setInputFiles(files.map(({ name, bytes }) => ({ name, mimeType: "application/octet-stream", buffer: bytes })));
  await expect(page.getByRole("region", { name: "The work:" })).toBeVisible();
}

const work = (page: Page) => page.getByRole("region", { name: "The work:" });
const card = (page: Page, name: RegExp) => margin(page).getByRole("button", { name });

test("a Word file is read in place, a passage of it is noted, and the note stands there after a reload", async ({
  page,
}) => {
  const word = await makeWord("The bar below the weir", [
    "The gravel moved twice in October.",
    "I measured the same stone on both days, and it lay four metres further down.",
  ]);
  await handIn(page, { name: "bar.docx", bytes: word });
  await expect(work(page).getByText("The gravel moved twice in October.")).toBeVisible();
  // The library lets such addresses through; the page must not.
  await expect(work(page).locator("a[href^='javascript']")).toHaveCount(0);
  await takeUp(page, "four metres further down");
  await page.keyboard.press("n");
  await page.keyboard.type("How was it marked?");
  await page.keyboard.press("Control+Enter");
  await allKept(page);
  await page.reload();
  await expect(work(page).getByText("The gravel moved twice")).toBeVisible();
  await expect(card(page, /How was it marked/)).toBeVisible();
  await expect(work(page).locator(".mix-blend-multiply").first()).toBeVisible();
});

/** Each remark is moved another way, so that none lies on another. */
const WAY: Readonly<Record<string, string>> = { y: "ArrowRight", q: "ArrowLeft", w: "ArrowDown", Enter: "ArrowUp" };

test("a picture is turned, pinned, ticked, queried and written on; what stands at a point turns and moves with it", async ({
  page,
}) => {
  await handIn(page, { name: "bar.png", bytes: makePng(300, 200) });
  await expect(work(page).getByRole("img", { name: "bar.png" })).toBeVisible();
  const put = async (key: string, words?: string) => {
    await page.keyboard.press("t");
    await expect(page.getByRole("toolbar", { name: "For this passage" })).toBeVisible();
    for (let step = 0; step < 6; step += 1) await page.keyboard.press(WAY[key] ?? "");
    await page.keyboard.press(key);
    if (words === undefined) return;
    await page.keyboard.type(words);
    await page.keyboard.press("Control+Enter");
  };
  await put("y");
  await expect(card(page, /^Ticked/)).toBeVisible();
  await put("q");
  await expect(card(page, /^Queried/)).toBeVisible();
  await put("w", "Scale?");
  await expect(work(page).locator("[data-page='1']").getByText("Scale?")).toBeVisible();
  await put("Enter", "North is missing");
  await expect(card(page, /North is missing/)).toBeVisible();

  const sheet = work(page).locator("[data-page='1']");
  const placeOf = async (mark: number) => {
    const frame = await sheet.boundingBox();
    const at = await work(page)
      .locator("[data-remark]")
      .nth(mark)
      .evaluate((element) => {
        const box = element.getBoundingClientRect();
        return { x: box.left, y: box.top };
      });
    return frame ? [(at.x - frame.x) / frame.width, (at.y - frame.y) / frame.height] : [0, 0];
  };
  const [x = 0, y = 0] = await placeOf(0);
  await page.keyboard.press("r");
  await expect(async () => {
    const [turnedX = 0, turnedY = 0] = await placeOf(0);
    expect(turnedX).toBeCloseTo(1 - y, 1);
    expect(turnedY).toBeCloseTo(x, 1);
  }).toPass();
  for (let quarter = 0; quarter < 3; quarter += 1) await page.keyboard.press("r");

  const tick = work(page).locator("[data-remark]").first();
  const from = await tick.evaluate((element) => {
    const box = element.getBoundingClientRect();
    return { x: box.left, y: box.top };
  });
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x - 90, from.y + 40, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole("button", { name: /^Undo: .*tick moved/ })).toBeVisible();
  await allKept(page);
  await page.reload();
  await expect(work(page).locator("[data-remark]")).toHaveCount(4);
  const after = await work(page)
    .locator("[data-remark]")
    .first()
    .evaluate((element) => element.getBoundingClientRect().left);
  expect(Math.abs(after - (from.x - 90))).toBeLessThan(3);
});

test("strike-out, insertion, tick and query stand on words; a remark is given another colour; each is undone by itself", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  const before = await margin(page).getByRole("listitem").count();
  const mark = async (words: string, key: string) => {
    await takeUp(page, words);
    await page.keyboard.press(key);
  };
  await mark("the town is safe", "s");
  await mark("until 2078", "y");
  await expect(card(page, /^Ticked/)).toBeVisible();
  await mark("the town is", "q");
  await expect(card(page, /^Queried/)).toBeVisible();
  await mark("safe until", "i");
  await page.keyboard.type("probably");
  await page.keyboard.press("Control+Enter");
  await expect(card(page, /^To insert: probably/)).toBeVisible();
  await expect(margin(page).getByRole("listitem")).toHaveCount(before + 4);
  await card(page, /^To insert/).click();
  await page.getByRole("button", { name: "In plum" }).click();
  await expect(page.getByRole("button", { name: "Its own colour again" })).toBeVisible();
  await page.keyboard.press("Escape");
  await allKept(page);
  await page.reload();
  await expect(margin(page).getByRole("listitem")).toHaveCount(before + 4);
  await page.getByRole("heading", { level: 1 }).click();
  // The colour, the words and the mark of the insertion; the query; the tick; the strike-out.
  for (let step = 0; step < 6; step += 1) {
    await page.keyboard.press("Control+z");
    await allKept(page);
  }
  await expect(margin(page).getByRole("listitem")).toHaveCount(before);
});

test("the pen writes with its pressure, stroke by stroke; the eraser takes single strokes; a reload keeps both", async ({
  page,
}) => {
  await handIn(page, { name: "bar.png", bytes: makePng(300, 200) });
  const sheet = work(page).locator("[data-page='1']");
  await sheet.waitFor();
  /** Moves a pen over the page as a tablet reports it, with pressure rising from light to full. */
  const draw = async (y: number, pressed: number) => {
    await page.evaluate(
      ([down, force]) => {
        const surface = document.querySelector("[data-pen-surface]");
        if (!surface) throw new Error("no pen in hand");
        const box = surface.getBoundingClientRect();
        const send = (kind: string, share: number, pressure: number) =>
          surface.dispatchEvent(
            new PointerEvent(kind, {
              bubbles: true,
              cancelable: true,
              pointerId: 7,
              pointerType: "pen",
              button: 0,
              buttons: 1,
              isPrimary: true,
              pressure,
              clientX: box.left + box.width * share,
              clientY: box.top + box.height * down,
            }),
          );
        // The browser knows no pen with this number, so it cannot capture one.
        Element.prototype.setPointerCapture = () => undefined;
        send("pointerdown", 0.2, force);
        for (let share = 0.25; share <= 0.75; share += 0.05) send("pointermove", share, force);
        send("pointerup", 0.75, 0);
      },
      [y, pressed] as const,
    );
  };
  const strokes = work(page).locator("[data-strokes]");
  await page.keyboard.press("d");
  await expect(page.getByRole("toolbar", { name: "The pen" })).toBeVisible();
  await draw(0.3, 0.2);
  await expect(strokes).toHaveAttribute("data-strokes", "1");
  await draw(0.5, 0.95);
  await draw(0.7, 0.5);
  await expect(strokes).toHaveAttribute("data-strokes", "3");
  const heights = await strokes
    .locator("path")
    .evaluateAll((paths) => paths.map((path) => path.getBoundingClientRect().height));
  expect(heights[1]).toBeGreaterThan((heights[0] ?? 0) * 1.3);
  await page.keyboard.press("Control+z");
  await expect(strokes).toHaveAttribute("data-strokes", "2");
  await page.keyboard.press("e");
  await expect(page.getByRole("button", { name: "Eraser (E)" })).toHaveAttribute("aria-pressed", "true");
  await draw(0.3, 0.5);
  await expect(strokes).toHaveAttribute("data-strokes", "1");
  await allKept(page);
  await page.reload();
  await expect(strokes).toHaveAttribute("data-strokes", "1");
  await expect(card(page, /^By pen/)).toBeVisible();
});

test("several files of one attempt, a recording, and a file of an unknown kind, each in its place", async ({
  page,
}) => {
  await handIn(
    page,
    { name: "tone.wav", bytes: makeWave() },
    { name: "page.html", bytes: Buffer.from("<h1>A stored page</h1><p>Two brooks meet here.</p>") },
    { name: "survey.xyz", bytes: Buffer.from("1 2 3") },
  );
  const files = page.getByRole("navigation", { name: "Files" });
  await expect(work(page).getByText("survey.xyz cannot be shown")).toBeVisible();
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save the file" }).click();
  expect((await saving).suggestedFilename()).toBe("survey.xyz");
  await files.getByRole("link", { name: "page.html" }).click();
  await expect(work(page).getByRole("heading", { name: "A stored page" })).toBeVisible();
  await files.getByRole("link", { name: "tone.wav" }).click();
  const player = work(page).locator("audio");
  await expect(player).toBeVisible();
  await player.evaluate(async (element: HTMLAudioElement) => {
    element.muted = true;
    await element.play();
  });
  await expect.poll(() => player.evaluate((element: HTMLAudioElement) => element.currentTime)).toBeGreaterThan(0);
});

test("remarks come along to a later attempt, find words that changed, and are shown as lost where theirs are gone", async ({
  page,
}) => {
  const first = "# The bar\n\nThe gravel moved twice in October. Nobody knows why the left bank is bare.\n";
  const second = "# The bar\n\nA new beginning. The gravels moved twice in Octobre. The right bank is green.\n";
  await handIn(page, { name: "one.md", bytes: Buffer.from(first) }, { name: "plan.md", bytes: Buffer.from("A plan.") });
  const files = page.getByRole("navigation", { name: "Files" });
  await files.getByRole("link", { name: "one.md" }).click();
  await expect(work(page).getByText("The gravel moved twice")).toBeVisible();
  for (const [words, body] of [
    ["The gravel moved twice in October", "How do you know?"],
    ["Nobody knows why the left bank is bare", "Ask the weir keeper."],
  ] as const) {
    await takeUp(page, words);
    await page.keyboard.press("n");
    await page.keyboard.type(body);
    await page.keyboard.press("Control+Enter");
    await expect(card(page, new RegExp(body.slice(0, 8)))).toBeVisible();
  }
  await page.locator('input[aria-label="Files of another attempt"]').setInputFiles({
    name: "two.md",
    mimeType: "text/markdown",
    buffer: Buffer.from(second),
  });
  await files.getByRole("link", { name: "Attempt 2: two.md" }).click();
  await expect(work(page).getByText("A new beginning.")).toBeVisible();
  await page.getByRole("button", { name: "Bring 2 remarks over from attempt 1" }).click();
  await expect(card(page, /How do you know/)).toBeVisible();
  await expect(margin(page).getByText(/Its passage is not in this text any more: “Nobody knows why/)).toBeVisible();
  await expect(margin(page).getByText(/not in this text any more/)).toHaveCount(1);
  await expect(work(page).locator(".mix-blend-multiply").first()).toBeVisible();
  await expect(page.getByRole("button", { name: /^Bring/ })).toHaveCount(0);
  await page.getByRole("button", { name: "More for this paper" }).click();
  await page.getByRole("menuitem", { name: "Discard attempt 2" }).click();
  await expect(files.getByRole("link", { name: "two.md" })).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(files.getByRole("link", { name: "Attempt 2: two.md" })).toBeVisible();
  await allKept(page);
  await page.reload();
  await expect(card(page, /How do you know/)).toBeVisible();
});

test("a page of a PDF is turned; a note on its words stays on them", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/sanna-wiik");
  const words = page.locator(".text-layer span").filter({ hasText: "The record contains the highest flow" }).first();
  await words.waitFor();
  const upright = await words.boundingBox();
  await takeUp(page, "The record contains the highest flow");
  await page.keyboard.press("s");
  await page.keyboard.press("r");
  await expect(async () => {
    const turned = await words.boundingBox();
    expect(turned?.height).toBeGreaterThan(turned?.width ?? 0);
    expect(Math.abs((turned?.height ?? 0) / (upright?.width ?? 1) - 0.707)).toBeLessThan(0.06);
    const strike = await page.locator("span.absolute > span.absolute").first().boundingBox();
    expect(strike && turned && Math.abs(strike.x + strike.width / 2 - turned.x - turned.width / 2)).toBeLessThan(14);
  }).toPass();
});

test.describe("hostile work", () => {
  // The browser says so when it meets a handler in what is being made safe; it refuses to run it.
  test.use({ expectedErrors: [[/Executing inline event handler violates/], { scope: "test" }] });
  const ran = (page: Page) => page.evaluate(() => (window as unknown as { ran?: boolean }).ran ?? false);

  test("nothing of a page with scripts runs and nothing is fetched", async ({ page }) => {
    const html = `<html><head><style>@import "https://remote.example/a.css"; body{background:url(https://remote.example/b.png)}</style>
      <script>window.ran = true</script><meta http-equiv="refresh" content="0;url=https://remote.example/"></head>
      <body onload="window.ran = true"><p>Readable.</p><img src="https://remote.example/c.png" onerror="window.ran=true">
      <iframe src="https://remote.example/"></iframe><form action="https://remote.example/"><input name="q"></form>
      <svg onload="window.ran=true"><script>window.ran = true</script></svg><a href="javascript:window.ran=true">press</a>
      <p style="background:url(https://remote.example/d.png)">Styled.</p></body></html>`;
    await handIn(page, { name: "trap.html", bytes: Buffer.from(html) });
    await expect(work(page).getByText("Readable.")).toBeVisible();
    await work(page).getByText("press").click();
    await page.waitForTimeout(300);
    expect(await ran(page)).toBe(false);
    await expect(work(page).locator("script, iframe, form, img, svg:not(.lucide)")).toHaveCount(0);
  });

  test("a drawing with a script is only a picture", async ({ page }) => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="200" onload="window.ran=true"><script>window.ran=true;parent.ran=true</script>
      <image href="https://remote.example/e.png" width="10" height="10"/><rect width="300" height="200" fill="#9bc"/></svg>`;
    await handIn(page, { name: "trap.svg", bytes: Buffer.from(svg) });
    await expect(work(page).getByRole("img", { name: "trap.svg" })).toBeVisible();
    await page.waitForTimeout(300);
    expect(await ran(page)).toBe(false);
  });

  test("a Word file with a macro and a remote picture is text and nothing else", async ({ page }) => {
    await handIn(page, { name: "trap.docx", bytes: await makeHostileWord() });
    await expect(work(page).getByText("A paragraph that can be read.")).toBeVisible();
    await page.waitForTimeout(300);
    await expect(work(page).locator("img")).toHaveCount(0);
    expect(await ran(page)).toBe(false);
  });

  test("a PDF with a script and a link shows its page; neither lives", async ({ page }) => {
    await handIn(page, { name: "trap.pdf", bytes: HOSTILE_PDF });
    await expect(work(page).locator(".text-layer span").first()).toContainText("A page that can be read");
    await expect(work(page).locator("a")).toHaveCount(0);
    await page.waitForTimeout(300);
    expect(await ran(page)).toBe(false);
    await goTo(page, "/courses/reading-rivers/gradebook");
  });
});
