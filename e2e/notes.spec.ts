import type { Locator, Page } from "@playwright/test";
import { allKept, alone, expect, expectWritten, goTo, margin, openDemo, takeUp, test } from "./helpers";

/** Selects words with the pointer, as a hand would: from their first letter to their last, until they are taken up. */
async function selectWords(page: Page, line: Locator, words: string): Promise<void> {
  await expect(async () => {
    // The page may still have moved while its fonts came in; a hand would try again, too. A press inside a standing
    // selection would drag its words away.
    await page.evaluate(() => getSelection()?.removeAllRanges());
    await dragOver(page, line, words);
    expect(await page.evaluate(() => getSelection()?.toString() ?? "")).toContain(words);
    await expect(page.getByRole("toolbar", { name: "For this passage" })).toBeVisible({ timeout: 2_000 });
  }).toPass();
}

async function dragOver(page: Page, line: Locator, words: string): Promise<void> {
  const box = await line.evaluate((element, wanted) => {
    const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const at = (node.nodeValue ?? "").indexOf(wanted);
      if (at < 0) continue;
      const range = document.createRange();
      range.setStart(node, at);
      range.setEnd(node, at + wanted.length);
      const { left, right, top, bottom } = range.getBoundingClientRect();
      return { left, right, middle: (top + bottom) / 2 };
    }
    throw new Error(`no "${wanted}" here`);
  }, words);
  await page.mouse.move(box.left + 1, box.middle);
  await page.mouse.down();
  await page.mouse.move(box.right - 1, box.middle, { steps: 4 });
  await page.mouse.up();
}

const card = (page: Page, name: RegExp) => margin(page).getByRole("button", { name });

/** Distance in pixels between a note's card and the mark on its passage. */
async function levelDifference(page: Page, name: RegExp, line: Locator): Promise<number> {
  const cardTop = (await card(page, name).boundingBox())?.y ?? 0;
  const lineTop = (await line.boundingBox())?.y ?? 0;
  return Math.abs(cardTop - lineTop);
}

test("notes on a PDF are made with the pointer, stand level with their line, and survive zoom and reload", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/sanna-wiik");
  const line = page.locator(".text-layer span").filter({ hasText: "The record contains the highest flow" }).first();
  await line.waitFor();
  await selectWords(page, line, "highest flow");
  await page.getByRole("toolbar").getByRole("button", { name: /Note/ }).click();
  await page.keyboard.type("Instantaneous, or a mean?");
  await page.keyboard.press("Control+Enter");
  await expect(card(page, /Instantaneous/)).toBeVisible();
  expect(await levelDifference(page, /Instantaneous/, line)).toBeLessThan(14);
  await allKept(page);

  await page.getByRole("button", { name: "Larger (+)" }).click();
  await expect(async () => {
    expect(await levelDifference(page, /Instantaneous/, line)).toBeLessThan(18);
  }).toPass();
  await page.reload();
  await line.waitFor();
  await expect(card(page, /Instantaneous/)).toBeVisible();
  await expect(async () => {
    expect(await levelDifference(page, /Instantaneous/, line)).toBeLessThan(14);
  }).toPass();
});

test("the invisible text of a PDF lies on the drawn words", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/sanna-wiik");
  const line = page.locator(".text-layer span").filter({ hasText: "The record contains the highest flow" }).first();
  await line.waitFor();
  await page.waitForTimeout(500);
  // Dark pixels of the drawing, in columns: the spaces between words must lie where the invisible text has them.
  const gaps = await line.evaluate((span) => {
    const canvas = span.closest("[data-page]")?.querySelector("canvas");
    const node = span.firstChild;
    const pen = canvas?.getContext("2d");
    if (!canvas || !node || !pen) throw new Error("no page");
    const frame = canvas.getBoundingClientRect();
    const scale = canvas.width / frame.width;
    const text = node.nodeValue ?? "";
    return [...text.matchAll(/ /g)].slice(0, -1).map(({ index }) => {
      const range = document.createRange();
      range.setStart(node, index);
      range.setEnd(node, index + 1);
      const box = range.getBoundingClientRect();
      const middle = ((box.left + box.right) / 2 - frame.left) * scale;
      const { data } = pen.getImageData(middle - 0.5, (box.top - frame.top) * scale, 1, box.height * scale);
      return data.some((value, place) => place % 4 === 0 && value < 140);
    });
  });
  expect(gaps.length).toBeGreaterThan(6);
  expect(gaps.filter(Boolean)).toHaveLength(0);
});

test("a passage of Markdown becomes evidence by the criterion's key, and is struck out, edited, moved and deleted", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/mei-barrow");
  const paragraph = page.getByText("So I do not believe in a trend");
  await paragraph.waitFor();
  await selectWords(page, paragraph, "I believe in one big flood");
  await page.keyboard.press("1");
  const field = page.getByRole("textbox", { name: "Use of the record" });
  await expect(field).toBeFocused();
  await page.keyboard.type("Well seen.");
  await page.keyboard.press("Control+Enter");
  await expect(page.getByRole("list", { name: "Evidence for Use of the record" })).toContainText(
    "I believe in one big",
  );

  await takeUp(page, "with a pinch of salt");
  await page.keyboard.press("s");
  await expect(card(page, /^Struck out/)).toBeVisible();
  await allKept(page);

  // Edit, link to another criterion, and delete.
  await card(page, /^Use of the record: Well seen/).click();
  await page.getByRole("button", { name: "Evidence for Plain writing", exact: true }).click();
  await expect(page.getByRole("list", { name: "Evidence for Plain writing" })).toContainText("I believe in one big");
  const open = page.getByRole("textbox", { name: "Plain writing" });
  await open.fill("Well seen, and well said.");
  await open.press("Control+Enter");
  await expect(card(page, /Well seen, and well said/)).toBeVisible();
  await allKept(page);
  await page.reload();
  await card(page, /Well seen, and well said/).click();
  await page.getByRole("button", { name: "Delete this note" }).click();
  await expect(card(page, /Well seen/)).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(card(page, /Well seen, and well said/)).toBeVisible();
});

test("a note is pinned at a point, by keyboard and by pointer", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/kesi-strand");
  await page.locator(".text-layer span").first().waitFor();
  await page.keyboard.press("t");
  for (let step = 0; step < 5; step += 1) await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await page.keyboard.type("By keyboard");
  await page.keyboard.press("Control+Enter");
  await page.getByRole("button", { name: /^Pin a remark/ }).click();
  await page.locator("[data-page='1']").click({ position: { x: 300, y: 120 } });
  await page
    .getByRole("toolbar")
    .getByRole("button", { name: /Pin here/ })
    .click();
  await page.keyboard.type("By pointer");
  await page.keyboard.press("Control+Enter");
  await allKept(page);
  await page.reload();
  await expect(card(page, /^Pinned: By keyboard/)).toBeVisible();
  await expect(card(page, /^Pinned: By pointer/)).toBeVisible();
});

alone(
  "a remark is pinned to a page whose words are not laid out yet, and its words go nowhere else",
  async ({ page }) => {
    // While its fonts have not come, the invisible text of a PDF is not laid out.
    await page.addInitScript(() => {
      FontFaceSet.prototype.load = () => new Promise(() => undefined);
    });
    await openDemo(page, "/score/flood-memo/sanna-wiik");
    await page.locator("canvas").first().waitFor();
    await page.keyboard.press("t");
    await page.keyboard.press("Enter");
    await page.keyboard.type("Seen.");
    await page.keyboard.press("Control+Enter");
    await expect(margin(page).getByText("Seen.")).toBeVisible();
    await allKept(page);
  },
);

test("the ruler is dragged, typed and stepped, and refuses what is outside it", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/nadir-quill");
  const slider = page.getByRole("slider", { name: "Use of the record" });
  const box = await slider.boundingBox();
  if (!box) throw new Error("no ruler");
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height - 6);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.6, box.y + box.height - 6, { steps: 5 });
  await page.mouse.up();
  await expect(slider).toHaveAttribute("aria-valuetext", "12 points, Sound");
  await slider.press("ArrowRight");
  await expect(slider).toHaveAttribute("aria-valuetext", "12.5 points, Sound");
  await slider.press("Enter");
  await page.keyboard.type("99");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toHaveText(/99 is outside 0 to 20/);
  await page.getByRole("textbox", { name: "Points for Use of the record" }).fill("14.25");
  await page.keyboard.press("Enter");
  await expect(slider).toHaveAttribute("aria-valuetext", "14.25 points, Sound");
  await expect(page.getByRole("slider", { name: "Reasoning from flow to risk" })).toBeFocused();
  await page.keyboard.press("a");
  await expect(page.getByRole("slider", { name: "Reasoning from flow to risk" })).toHaveAttribute(
    "aria-valuetext",
    "does not apply",
  );
  await page.keyboard.press("l");
  await page.keyboard.type("3");
  await page.keyboard.press("Enter");
  await expect(page.getByText("3 days late", { exact: true })).toBeVisible();
});

test("the pile is ordered, hidden and walked by keys", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/aldous-brenn");
  const pile = page.getByRole("navigation", { name: "The pile" });
  await page.getByLabel("Order of the pile").selectOption("waiting");
  await expect(page).toHaveURL(/order=waiting/);
  await expect(pile.getByRole("link").first()).toHaveAccessibleName("Ilse Tarnowe, waiting");
  await page.getByRole("slider").first().focus();
  await page.keyboard.press("w");
  await expect(page.getByRole("heading", { level: 1, name: "Ilse Tarnowe" })).toBeVisible();
  await page.keyboard.press("Alt+ArrowRight");
  await expect(page.getByRole("heading", { level: 1, name: "Jorun Nakade" })).toBeVisible();
  // The order stays with the next visit, though its address says nothing of it.
  await goTo(page, "/courses/reading-rivers/score/flood-memo/aldous-brenn");
  await expect(page.getByLabel("Order of the pile")).toHaveValue("waiting");
  await page.keyboard.press("p");
  await expect(pile).toHaveCount(0);
});

test("judging a missing student is asked once, and done again it ends the standing", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/ulla-fenwick");
  await expect(page.getByRole("button", { name: "Missing", exact: true })).toHaveAttribute("aria-pressed", "true");
  const record = page.getByRole("slider", { name: "Use of the record" });
  await record.press("Shift+2");
  await expect(page.getByRole("alert")).toHaveText(
    "Marked missing. The same key again (Enter, or the level) gives the score and ends that.",
  );
  await expect(record).toHaveAttribute("aria-valuetext", "open");
  await record.press("Shift+2");
  await expect(record).toHaveAttribute("aria-valuetext", "15.5 points, Sound");
  await expect(page.getByRole("button", { name: "Missing", exact: true })).toHaveAttribute("aria-pressed", "false");
  await expect(page.getByRole("alert")).toHaveCount(0);
});

test("the columns keep the widths that they are given, from paper to paper and across a reload", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/aldous-brenn");
  await expect(page.getByRole("heading", { name: "Flood frequency at Ossel Weir" })).toBeVisible();
  const edge = page.getByRole("separator", { name: "Width of the margin" });
  const column = page.getByRole("separator", { name: "Width of the judgement column" });
  const width = Number(await edge.getAttribute("aria-valuenow"));
  await edge.press("ArrowLeft");
  await edge.press("ArrowLeft");
  await expect(edge).toHaveAttribute("aria-valuenow", String(width + 40));
  const left = (await column.boundingBox())?.x ?? 0;
  await column.press("ArrowRight");
  await expect(async () => {
    expect((await column.boundingBox())?.x ?? 0).toBeGreaterThan(left + 5);
  }).toPass();
  const moved = (await column.boundingBox())?.x ?? 0;
  await page.waitForTimeout(300);
  await page.reload();
  await expect(edge).toHaveAttribute("aria-valuenow", String(width + 40));
  expect(Math.abs(((await column.boundingBox())?.x ?? 0) - moved)).toBeLessThan(3);
});

test("a criterion takes a comment, and the overall comment keeps itself while the person goes on", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/oona-dufresne");
  await expect(page.getByRole("slider")).toHaveCount(3);
  await page.keyboard.press("k");
  await page.keyboard.type("A fitted curve of the fourth order is not a law.");
  await page.keyboard.press("Escape");
  await page.keyboard.press("c");
  await page.keyboard.type("Oona, see me about R squared.");
  // Going on at once, without leaving the field first.
  await page.keyboard.press("Alt+ArrowRight");
  await expect(page.getByRole("heading", { level: 1, name: "Paz Verano" })).toBeVisible();
  await page.keyboard.press("Alt+ArrowLeft");
  await expect(page.getByRole("heading", { level: 1, name: "Oona Dufresne" })).toBeVisible();
  await expectWritten(page.getByRole("textbox", { name: "Overall comment" }), "Oona, see me about R squared.");
  await expect(page.getByRole("textbox", { name: "Comment on Use of the record" })).toHaveValue(/fourth order/);
});

test("the overall comment has the focus in the very turn of its key: the letter typed next is its own", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/oona-dufresne");
  const overall = page.getByRole("textbox", { name: "Overall comment" });
  await expect(overall).toHaveAttribute("contenteditable", "true");
  for (let round = 0; round < 2; round += 1) {
    await expect(overall).not.toBeFocused();
    const isThere = await page.evaluate(() => {
      (document.activeElement ?? document.body).dispatchEvent(
        new KeyboardEvent("keydown", { key: "c", code: "KeyC", bubbles: true, cancelable: true }),
      );
      return document.activeElement?.getAttribute("contenteditable") === "true";
    });
    expect(isThere).toBe(true);
    await page.keyboard.type(round === 0 ? "Oo" : "na");
    await page.keyboard.press("Escape");
  }
  await expectWritten(overall, "Oona");
});

test("a comment that is there already takes the focus by its key, each time, and Escape gives it back to the desk", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/oona-dufresne");
  await expect(page.getByRole("slider")).toHaveCount(3);
  const comment = page.getByRole("textbox", { name: "Comment on Use of the record" });
  const undo = page.getByRole("button", { name: /^Undo: / });
  await page.keyboard.press("k");
  await expect(comment).toBeFocused();
  await page.keyboard.type("Mostly 3 things");
  // Kept after a pause, while one is still in the field.
  await expect(undo).toHaveAccessibleName(/comment on Use of the record "Mostly 3 things"/);
  await page.keyboard.press("Escape");
  await expect(comment).not.toBeFocused();
  for (const more of [" more", " and more"]) {
    await page.keyboard.press("k");
    await expect(comment).toBeFocused();
    await page.keyboard.type(more);
    await page.keyboard.press("Escape");
    await expect(comment).not.toBeFocused();
  }
  await expect(comment).toHaveValue("Mostly 3 things more and more");
  await page.reload();
  await expect(comment).toBeVisible();
  await page.keyboard.press("k");
  await page.keyboard.type("! 1 missing");
  await page.keyboard.press("Escape");
  await page.keyboard.press("c");
  await page.keyboard.type("Oona");
  await expect(comment).toHaveValue("Mostly 3 things more and more! 1 missing");
  await expectWritten(page.getByRole("textbox", { name: "Overall comment" }), "Oona");
  for (const slider of await page.getByRole("slider").all())
    await expect(slider).toHaveAttribute("aria-valuetext", "open");
});
