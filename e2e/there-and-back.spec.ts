import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { unzipSync, zipSync } from "fflate";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { allKept, expect, goTo, margin, openDemo, test } from "./helpers";

const PLACE = { x: 120, y: 640 };
const WORDS = "Marked on the train: which year?";

/** The middle and the tip of the note with these words on a PDF's first page, in points from the lower left, as pdf.js reads it. */
async function placeOfNote(bytes: Uint8Array, words: string) {
  const task = getDocument({ data: bytes.slice(), useSystemFonts: true, verbosity: 0 });
  const annotations = (await (await (await task.promise).getPage(1)).getAnnotations()) as {
    subtype: string;
    contentsObj: { str: string };
    rect: number[];
  }[];
  await task.destroy();
  const note = annotations.find(({ subtype, contentsObj }) => subtype !== "Popup" && contentsObj.str === words);
  const [left = 0, lower = 0, right = 0, upper = 0] = note?.rect ?? [];
  return note ? { x: (left + right) / 2, middle: (lower + upper) / 2, tip: lower } : null;
}

test("all hand-ins go out as an archive, are marked by another program, and come back: remarks at their places, scores too", async ({
  page,
}) => {
  await openDemo(page, "/collect?into=flood-memo");
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Hand-ins of Flood-frequency memo" }).click();
  const files = unzipSync(new Uint8Array(readFileSync(await (await saving).path())));
  const names = Object.keys(files);
  expect(names).toContain("Scores.xlsx");
  expect(names).toContain("L26118 Ilse Tarnowe/ilse-tarnowe.pdf");
  expect(names.filter((name) => name.startsWith("L26118 Ilse Tarnowe/attempt 1/"))).toHaveLength(1);

  const folder = mkdtempSync(join(tmpdir(), "quill-back-"));
  const wiik = names.find((name) => name.includes("Sanna Wiik")) ?? "";
  const [from, to] = [join(folder, "from.pdf"), join(folder, "to.pdf")];
  writeFileSync(from, files[wiik] ?? "");
  execFileSync("/usr/bin/python3", ["e2e/poppler-note.py", from, to, String(PLACE.x), String(PLACE.y), WORDS]);
  files[wiik] = new Uint8Array(readFileSync(to));
  rmSync(folder, { recursive: true });
  const outside = await placeOfNote(files[wiik], WORDS);

  await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles({
    name: "Flood memo hand-ins.zip",
    mimeType: "application/zip",
    buffer: Buffer.from(zipSync(files)),
  });
  await expect(page.getByText("1 come back marked")).toBeVisible();
  await expect(page.getByText(`${String(names.length - 2)} left out`)).toBeVisible();
  await expect(page.getByRole("link", { name: "Look at its scores" })).toBeVisible();
  await expect(page.getByRole("button", { name: /^Take in 0 hand-ins/ })).toBeDisabled();
  await page.getByRole("button", { name: "Take in the remarks" }).click();
  const news = page.getByRole("region", { name: "News" });
  await expect(news).toContainText("Flood-frequency memo: 1 remark on 1 paper taken in");
  await expect(page.getByText("come back marked")).toHaveCount(0);
  await allKept(page);

  await goTo(page, "/courses/reading-rivers/score/flood-memo/sanna-wiik");
  await expect(margin(page)).toContainText(WORDS);
  await page.getByRole("button", { name: "More for this paper" }).click();
  const again = page.waitForEvent("download");
  await page.getByRole("menuitem", { name: /^Save the marked paper/ }).click();
  await page.getByRole("button", { name: "Save an instructor's copy" }).click();
  const inside = await placeOfNote(new Uint8Array(readFileSync(await (await again).path())), WORDS);
  expect(outside).not.toBeNull();
  expect(Math.abs((inside?.x ?? 0) - (outside?.x ?? 99))).toBeLessThan(1);
  // A pin of ours stands with its tip on the place; another's note lies around it.
  expect(Math.abs((inside?.tip ?? 0) - (outside?.middle ?? 99))).toBeLessThan(1);
});
