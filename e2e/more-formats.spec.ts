import { strToU8, zipSync } from "fflate";
import { axeFinds } from "./axe";
import { allKept, expect, goTo, openDemo, takeUp, test } from "./helpers";

const CODE = `import math


def flow(depths, speeds):
    """Discharge by the mid-section rule."""
    # widths are 0.6 m each
    return sum(0.6 * d * v for d, v in zip(depths, speeds))
`;
const NOTEBOOK = JSON.stringify({
  nbformat: 4,
  metadata: { language_info: { name: "python" } },
  cells: [
    { cell_type: "markdown", source: "# Low flow of the Ossel" },
    { cell_type: "code", source: "q95 = 0.42\nprint(q95)", outputs: [{ output_type: "stream", text: "0.42\n" }] },
  ],
});
const ODT = zipSync({
  "content.xml": strToU8(
    '<office:document-content xmlns:office="o" xmlns:text="t"><office:body><office:text><text:h text:outline-level="1">Three stops</text:h><text:p>The river rose in the night.</text:p></office:text></office:body></office:document-content>',
  ),
});

test("code, notebooks, OpenDocument and spreadsheets are shown in place and remarked on like text", async ({
  page,
}) => {
  await openDemo(page, "/collect?into=story-map");
  await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles([
    { name: "Ilse Tarnowe.py", mimeType: "", buffer: Buffer.from(CODE) },
    { name: "Bram Oduya.ipynb", mimeType: "", buffer: Buffer.from(NOTEBOOK) },
    { name: "Dov Amsel.odt", mimeType: "", buffer: Buffer.from(ODT) },
    { name: "Clea Vantor.ppt", mimeType: "", buffer: Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 0, 0, 0, 0]) },
  ]);
  await page.getByRole("button", { name: "Take in 4 hand-ins" }).click();
  await allKept(page);

  await goTo(page, "/courses/reading-rivers/score/story-map/ilse-tarnowe");
  await expect(page.getByText("return sum(0.6 * d * v for d, v in zip(depths, speeds))")).toBeVisible();
  await takeUp(page, "widths are 0.6 m each");
  await page.keyboard.press("n");
  await page.keyboard.type("Are they, at the banks too?");
  await page.keyboard.press("Escape");
  await allKept(page);
  await page.reload();
  await expect(page.getByRole("list", { name: "Notes in the margin" })).toContainText("Are they, at the banks too?");

  await goTo(page, "/courses/reading-rivers/score/story-map/bram-oduya");
  await expect(page.getByText("Low flow of the Ossel")).toBeVisible();
  await expect(page.getByText("print(q95)")).toBeVisible();

  await goTo(page, "/courses/reading-rivers/score/story-map/dov-amsel");
  await expect(page.getByText("The river rose in the night.")).toBeVisible();

  await goTo(page, "/courses/reading-rivers/score/story-map/clea-vantor");
  await expect(page.getByText("Ask the student for the slides as a PDF", { exact: false })).toBeVisible();
});

test("an archive is a list whose parts open as files of the hand-in, are written on, and go with one undo", async ({
  page,
}) => {
  await openDemo(page, "/score/story-map/ilse-tarnowe");
  const buffer = Buffer.from(
    zipSync({
      "map/flow.py": strToU8(CODE),
      "map/readme.md": strToU8("# Three stops\n\nThe weir comes first."),
      "../climbs.txt": strToU8("out"),
    }),
  );
  await page.getByLabel("Add files").setInputFiles([{ name: "story.zip", mimeType: "application/zip", buffer }]);
  await allKept(page);
  const list = page.getByRole("list", { name: "Files in the archive" });
  await expect(list.getByRole("listitem")).toHaveCount(2);
  await expect(page.getByRole("region", { name: "What lies in story.zip" })).toContainText(
    /climbs\.txt .*was left out/,
  );
  const violations = await axeFinds(page);
  expect(violations).toEqual([]);
  await list.getByRole("button", { name: "Open map/readme.md" }).click();
  await expect(page.getByText("The weir comes first.")).toBeVisible();
  await takeUp(page, "comes first");
  await page.keyboard.press("n");
  await page.keyboard.type("Why first?");
  await page.keyboard.press("Escape");
  await allKept(page);
  await page.reload();
  await expect(page.getByRole("list", { name: "Notes in the margin" })).toContainText("Why first?");
  const files = page.getByRole("navigation", { name: "Files" });
  await files.getByRole("link", { name: "story.zip" }).click();
  await expect(list.getByRole("link", { name: "Read map/readme.md" })).toBeVisible();
  await list.getByRole("button", { name: "Open map/flow.py" }).click();
  await expect(files.getByRole("link")).toHaveText(["story.zip", "readme.md", "flow.py"]);
  await page.getByRole("button", { name: /^Undo: Catchment story map: 1 hand-in taken in/ }).click();
  await expect(files.getByRole("link")).toHaveText(["story.zip", "readme.md"]);
});
