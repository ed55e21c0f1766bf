import type { Page, Route } from "@playwright/test";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { alone, expect, openDemo, test } from "./helpers";
import { makeWord } from "./make-files";
import { makePdf } from "./make-pdf";

/** A Word file whose text is changed in one of its parts. */
async function wordWith(part: string, from: RegExp, to: string): Promise<Buffer> {
  const parts = unzipSync(new Uint8Array(await makeWord("Harmless", ["A paragraph that can be read."])));
  return Buffer.from(
    zipSync({ ...parts, [part]: strToU8(strFromU8(parts[part] ?? new Uint8Array()).replace(from, to)) }),
  );
}

const style = (value: string) =>
  `<w:style w:type="paragraph" w:styleId="E" w:default="1"><w:name w:val="E"/><w:rPr><w:color w:val="${value}"/></w:rPr></w:style></w:styles>`;

/** Works that try to reach out of their page, each by a way of its own. */
const HOSTILE: readonly (readonly [name: string, make: () => Promise<Buffer>])[] = [
  [
    "covers.docx",
    () =>
      wordWith(
        "word/styles.xml",
        /<\/w:styles>/,
        style("000} button{position:fixed;inset:0;width:100vw;height:100vh;opacity:0;z-index:99999} .a{color:#000"),
      ),
  ],
  [
    "hides.docx",
    () => wordWith("word/styles.xml", /<\/w:styles>/, style("000} body,main,header{display:none} .a{color:#000")),
  ],
  [
    "host.docx",
    () =>
      wordWith(
        "word/styles.xml",
        /<\/w:styles>/,
        style("000} :host{position:fixed!important;inset:0;z-index:99999;background:red} .a{color:#000"),
      ),
  ],
  [
    "page.html",
    () =>
      Promise.resolve(
        Buffer.from(
          `<style>*{display:none!important}</style><p style="position:fixed;inset:0;z-index:9999">A paragraph that can be read.</p><base href="https://remote.example/"><form action="https://remote.example"><button>Score 0</button></form><a href="https://remote.example/away" target="_top">a link</a><script>document.title="taken"</script>`,
        ),
      ),
  ],
  [
    "words.md",
    () =>
      Promise.resolve(
        Buffer.from(
          "A paragraph that can be read.\n\n[a link](https://remote.example/away)\n\n<style>body{display:none}</style>\n\n![x](https://remote.example/x.png)",
        ),
      ),
  ],
];

/** Where every control outside the work lies, and what it would answer to a click in its middle. */
const outside = (page: Page) =>
  page.evaluate(() => {
    const work = document.querySelector('[aria-label^="The work:"]');
    const controls = [...document.querySelectorAll<HTMLElement>("button, a, input, textarea, [role=slider]")];
    return controls
      .filter((control) => !work?.contains(control) && control.getClientRects().length > 0)
      .map((control) => {
        const { x, y, width, height } = control.getBoundingClientRect();
        const hit = document.elementFromPoint(x + width / 2, y + height / 2);
        const name = control.getAttribute("aria-label") ?? control.textContent;
        const own = hit === null || control.contains(hit) || hit.contains(control) || !work?.contains(hit);
        return `${name} ${[x, y, width, height].map(Math.round).join(" ")} ${own ? "free" : "covered"}`;
      });
  });

for (const [name, make] of HOSTILE) {
  test(`${name}: the application around the work stays as it was, nothing lies over its controls, and nothing is asked for`, async ({
    page,
  }) => {
    await openDemo(page, "/score/story-map/bram-oduya");
    // The last of the bar's counts to come, with which its steps move a little.
    await expect(page.getByRole("link", { name: /^Check/ })).toHaveText(/1$/);
    const work = page.getByRole("region", { name: "The work:" });
    const files = page.getByLabel("Add files", { exact: true });
    // The same work without its tricks is what the screen is held against.
    const plain = name.endsWith(".docx")
      ? await makeWord("Harmless", ["A paragraph that can be read."])
      : Buffer.from("A paragraph that can be read.");
    await files.setInputFiles({
      name: `${name}.plain.${name.endsWith(".docx") ? "docx" : "md"}`,
      mimeType: "",
      buffer: plain,
    });
    await expect(work.getByText("A paragraph that can be read.")).toBeVisible();
    await page.waitForTimeout(300);
    const before = await outside(page);
    await page.getByRole("button", { name: /^Undo: Bram Oduya/ }).click();
    await expect(work.getByText("A paragraph that can be read.")).toHaveCount(0);
    await files.setInputFiles({
      name: `${name}.plain.${name.split(".").at(-1) ?? ""}`,
      mimeType: "",
      buffer: await make(),
    });
    await expect(work.getByText("A paragraph that can be read.")).toBeVisible();
    await page.waitForTimeout(300);
    // The steps of the bar count what waits, which the new hand-in changes, a moment later.
    const sameButCounts = (lines: readonly string[]) =>
      lines.map((line) =>
        line.replace(/\S*plain\S*/g, "file").replace(/^(Plan|Collect|Score|Check|Release)\d+ /, "$1 "),
      );
    expect((await outside(page)).filter((line) => line.endsWith("covered"))).toEqual([]);
    await expect.poll(async () => sameButCounts(await outside(page))).toEqual(sameButCounts(before));
    await expect(page).toHaveTitle(/Bram Oduya/);
  });
}

test("a link of a work opens nothing: its address is shown, and copied on wish", async ({ page, context }) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await openDemo(page, "/score/story-map/bram-oduya");
  await page.getByLabel("Add files", { exact: true }).setInputFiles({
    name: "a.md",
    mimeType: "",
    buffer: Buffer.from("See [the gauge](https://remote.example/gauge?x=1)."),
  });
  const link = page.getByRole("region", { name: "The work:" }).getByRole("button", { name: "the gauge" });
  await link.click();
  const address = page.getByRole("dialog", { name: "Where this link leads" });
  await expect(address).toContainText("https://remote.example/gauge?x=1");
  await expect(page).toHaveURL(/bram-oduya/);
  await address.getByRole("button", { name: "Copy the address" }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe("https://remote.example/gauge?x=1");
  await page.keyboard.press("Escape");
  await expect(address).toHaveCount(0);
  await link.focus();
  await page.keyboard.press("Enter");
  await expect(address).toBeVisible();
});

test("a Word file that unpacks to tens of megabytes leaves the page answering, and is offered for saving", async ({
  page,
}) => {
  await openDemo(page, "/score/story-map/bram-oduya");
  const swollen = await wordWith(
    "word/document.xml",
    /<w:body>/,
    `<w:body>${"<w:p><w:r><w:t>x</w:t></w:r></w:p>".repeat(1_500_000)}`,
  );
  await page
    .getByLabel("Add files", { exact: true })
    .setInputFiles({ name: "bomb.docx", mimeType: "", buffer: swollen });
  await expect(page.getByText("It is too large to be shown here.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Save the file" })).toBeVisible();
});

alone("a document that takes long can be stopped, and opened after all", async ({ page }) => {
  // A worker that does not come stands for a document without an end; the next papers are read ahead by the same one.
  const held: Route[] = [];
  let isHolding = true;
  await page.route(/pages\.worker/, async (route) => {
    if (isHolding) held.push(route);
    else await route.continue();
  });
  await openDemo(page, "/score/story-map/bram-oduya");
  await page.getByLabel("Add files", { exact: true }).setInputFiles({
    name: "long.docx",
    mimeType: "",
    buffer: await makeWord("A long way", ["The river rises."]),
  });
  await page.getByRole("button", { name: "Stop", exact: true }).click();
  await expect(page.getByText("Opening long.docx was stopped.")).toBeVisible();
  isHolding = false;
  for (const route of held) await route.continue().catch(() => null);
  await page.getByRole("button", { name: "Open it after all" }).click();
  await expect(page.getByText("The river rises.")).toBeVisible();
});

test("a PDF of 5,000 pages shows its first page, answers keys, and goes to its last page", async ({ page }) => {
  await openDemo(page, "/score/story-map/bram-oduya");
  await page
    .getByLabel("Add files", { exact: true })
    .setInputFiles({ name: "roll.pdf", mimeType: "application/pdf", buffer: await makePdf({ pages: 5_000 }) });
  const first = page.getByRole("group", { name: "Page 1 of 5000", exact: true });
  await expect(first.locator("canvas")).toBeVisible();
  await page.keyboard.press("m");
  await expect(page.getByRole("button", { name: /^Undo: Bram Oduya, .*missing/ })).toBeVisible();
  const last = page.getByRole("group", { name: "Page 5000 of 5000" });
  await last.scrollIntoViewIfNeeded();
  await expect(last.locator("canvas")).toBeVisible();
  await expect(first.locator("canvas")).toHaveCount(0);
});
