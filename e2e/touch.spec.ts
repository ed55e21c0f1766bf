import type { Locator } from "@playwright/test";
import { allKept, expect, goTo, openDemo, ruler, alone as test } from "./helpers";

test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true, isMobile: true });

/** Least side of what a finger meets, in CSS pixels (WCAG 2.2, 2.5.8; the controls of judging aim at 2.5.5's 44). */
const FINGER = 40;

const boxOf = async (one: Locator) => {
  const box = await one.boundingBox();
  if (!box) throw new Error("not on screen");
  return box;
};

test("a paper is judged by touch at 1024 x 768: level, standing, on to the next", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  const record = ruler(page, "Use of the record");
  const box = await boxOf(record);
  await page.touchscreen.tap(box.x + box.width * 0.6, box.y + box.height * 0.7);
  await expect(record).toHaveAttribute("aria-valuetext", /points, Sound/);
  await page.getByRole("button", { name: "Missing", exact: true }).tap();
  await expect(page.getByRole("button", { name: "Missing", exact: true })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "Missing", exact: true }).tap();
  await allKept(page);
  for (const control of [
    page.getByRole("button", { name: "Missing", exact: true }),
    page.getByRole("button", { name: "Excused", exact: true }),
    page.getByRole("button", { name: /^Done, next/ }),
    page.getByRole("navigation", { name: "The pile" }).getByRole("link").first(),
  ]) {
    const { width, height } = await boxOf(control);
    expect(Math.min(width, height)).toBeGreaterThanOrEqual(FINGER);
  }
  await page.getByRole("button", { name: /^Done, next/ }).tap();
  await expect(page.getByRole("heading", { level: 1, name: "Jorun Nakade" })).toBeVisible();
});

test("held in one hand, judgement and the way on lie at its side, and stay there", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  const sides = async () => {
    const [record, done] = await Promise.all([
      boxOf(ruler(page, "Use of the record")),
      boxOf(page.getByRole("button", { name: /^Done, next/ })),
    ]);
    return [record.x + record.width / 2 < 512 ? "left" : "right", done.x + done.width / 2 < 512 ? "left" : "right"];
  };
  expect(await sides()).toEqual(["left", "right"]);
  await page.getByLabel("Hands that hold the desk").selectOption("right hand");
  expect(await sides()).toEqual(["right", "right"]);
  await page.reload();
  await expect(page.getByRole("heading", { level: 1, name: "Ilse Tarnowe" })).toBeVisible();
  expect(await sides()).toEqual(["right", "right"]);
  await page.getByLabel("Hands that hold the desk").selectOption("left hand");
  expect(await sides()).toEqual(["left", "left"]);
  await goTo(page, "/courses/reading-rivers/score/flood-memo/jorun-nakade");
  expect(await sides()).toEqual(["left", "left"]);
});

test("an assignment is moved with a finger by its handle", async ({ page, context }) => {
  await openDemo(page, "/plan");
  const places = page.getByRole("region", { name: "Field work", exact: true }).getByRole("heading", { level: 3 });
  const [first = "", second = ""] = await places.allTextContents();
  const handle = (name: string) => page.getByRole("button", { name: `Move ${name}`, exact: true });
  const centre = async (name: string) => {
    const { x, y, width, height } = await boxOf(handle(name));
    return { x: x + width / 2, y: y + height / 2 };
  };
  await handle(second).scrollIntoViewIfNeeded();
  const [from, to] = [await centre(second), await centre(first)];
  const devtools = await context.newCDPSession(page);
  const touch = (type: "touchStart" | "touchMove", { x, y }: { readonly x: number; readonly y: number }) =>
    devtools.send("Input.dispatchTouchEvent", { type, touchPoints: [{ x, y }] });
  await touch("touchStart", from);
  for (let step = 1; step <= 8; step += 1) {
    await touch("touchMove", { x: from.x, y: from.y + ((to.y - from.y) * step) / 8 });
  }
  await devtools.send("Input.dispatchTouchEvent", { type: "touchEnd", touchPoints: [] });
  await expect(places.first()).toHaveText(second);
});
