import { execFileSync } from "node:child_process";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import type { BrowserContext, Download, Page } from "@playwright/test";
import { strFromU8, unzipSync } from "fflate";
import { allKept, cell, expect, goTo, openDemo, paste, alone as test } from "./helpers";

const PAPERS = 60;
const number = (at: number) => String(2001 + at);
/** Sixty invented people in three sections, twenty in each. */
const ROSTER = [
  "number\tname\tsection",
  ...Array.from(
    { length: PAPERS },
    (_, at) => `${number(at)}\tPerson ${number(at)}\tPart ${"ABC"[Math.floor(at / 20)] ?? ""}`,
  ),
].join("\n");
/** What each is given, invented: half points between 3 and 20. */
const scoreOf = (at: number) => String(3 + ((at * 7) % 35) / 2);

/** How long a packet may take is no matter of these journeys: it is as long as the journey's own time. */
const downloaded = async (page: Page, act: () => Promise<void>): Promise<Download> => {
  const [download] = await Promise.all([page.waitForEvent("download", { timeout: 0 }), act()]);
  return download;
};

const chooseFile = async (page: Page, path: string) => {
  await page.locator("main input[type=file]").first().setInputFiles(path);
};

/** Types scores from the pile: number, score, Enter. */
async function enterPile(page: Page, lines: readonly string[]): Promise<void> {
  const field = page.getByLabel("Part of a name or number, the score, Enter");
  await field.focus();
  for (const line of lines) {
    await field.fill(line);
    await field.press("Enter");
    await expect(field).toHaveValue("");
  }
  await allKept(page);
}

async function handOver(page: Page, { marker, papers }: { marker: string; papers: string }): Promise<string> {
  await page.getByLabel("For whom").fill(marker);
  await page.getByLabel("Which papers").selectOption({ label: papers });
  const file = await downloaded(page, () => page.getByRole("button", { name: "Make the packet, 20 papers" }).click());
  await expect(page.getByText(/was saved .*: 20 papers for/)).toBeVisible();
  return file.path();
}

/** Reads a packet in another browser, and answers the address of its pile. */
async function openPacket(page: Page, path: string): Promise<string> {
  await openDemo(page);
  await goTo(page, "/courses");
  await page
    .locator("main input[type=file]")
    .first()
    .setInputFiles({ name: "packet.zip", mimeType: "application/zip", buffer: readFileSync(path) });
  await page.waitForURL(/\/courses\/packet-gauging-test\/score\//);
  return page.url().replace(/\/score\/([^/]+)\/.*/, "/pile/$1");
}

const giveBack = async (page: Page): Promise<string> => {
  await page.getByRole("link", { name: "Give back" }).click();
  const file = await downloaded(page, () => page.getByRole("button", { name: "Make the packet to give back" }).click());
  await expect(page.getByText(/was saved .* and read back/)).toBeVisible();
  return file.path();
};

const takeBack = async (page: Page, path: string) => {
  await page
    .locator("main input[type=file]")
    .first()
    .setInputFiles({ name: "back.zip", mimeType: "application/zip", buffer: readFileSync(path) });
  const taking = page.getByRole("region", { name: "Taking back" });
  await expect(taking).toBeVisible();
  return taking;
};

/** The scores and totals of a course, as its CSV file gives them. */
async function scoresOf(page: Page, slot: string): Promise<string> {
  await goTo(page, `/courses/${slot}/files`);
  const file = await downloaded(page, () => page.getByRole("button", { name: "Save the scores as CSV" }).click());
  return readFileSync(await file.path(), "utf8");
}

const inNewBrowser = async (context: BrowserContext): Promise<Page> => {
  const browser = context.browser();
  if (!browser) throw new Error("no browser");
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  return page;
};

test("three browsers mark sixty papers with packets: back in any order, one twice, totals as on one machine, conflicts shown", async ({
  page,
  context,
  baseURL,
}) => {
  test.setTimeout(180_000);
  await openDemo(page);
  await goTo(page, "/courses");
  await page.getByRole("textbox", { name: "Name of the course" }).fill("Field Test");
  await page.getByRole("button", { name: "Start an empty course" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Plan" })).toBeVisible();
  await page.getByPlaceholder("Papers").fill("Tests");
  await page.getByPlaceholder("Papers").press("Tab");
  await page.keyboard.type("100");
  await page.keyboard.press("Enter");
  await page.getByLabel("New assignments, one line each").fill("Gauging test, 20 points, on paper, in Tests");
  await page.getByLabel("New assignments, one line each").press("Enter");
  await expect(page.getByRole("link", { name: "Gauging test" })).toBeVisible();
  await goTo(page, "/courses/field-test/plan/course");
  await page.getByLabel("Students, one a line").fill(ROSTER);
  await page.getByRole("button", { name: "Add 60 students" }).click();
  await expect(page.getByRole("heading", { name: "60 students" })).toBeVisible();
  await allKept(page);

  // The same course on one machine, for comparison.
  await goTo(page, "/courses/field-test/files");
  const whole = await downloaded(page, () => page.getByRole("button", { name: "Make a course file" }).click());
  const alone = await inNewBrowser(context);
  const at = (path: string) => `${baseURL ?? ""}${path}`;
  await openDemo(alone, "/students");
  await goTo(alone, "/courses");
  await chooseFile(alone, await whole.path());
  await alone.waitForURL(/\/courses\/field-test$/);

  await goTo(page, "/courses/field-test/check?view=packets");
  const packets = [
    await handOver(page, { marker: "Bea Lund", papers: "section Part B" }),
    await handOver(page, { marker: "Cai Moe", papers: "section Part C" }),
  ];
  const [bea, cai] = [await inNewBrowser(context), await inNewBrowser(context)];
  const lines = (from: number, to: number) =>
    Array.from({ length: to - from }, (_, step) => `${number(from + step)} ${scoreOf(from + step)}`);
  const work = async (marker: Page, path: string, from: number) => {
    await marker.goto(at(await openedIn(marker, path)));
    await enterPile(marker, lines(from, from + 20));
    return giveBack(marker);
  };
  const openedIn = async (marker: Page, path: string) => new URL(await openPacket(marker, path)).pathname;
  const [fromBea, fromCai] = await Promise.all([work(bea, packets[0] ?? "", 20), work(cai, packets[1] ?? "", 40)]);
  // The one who handed over marks the rest, and one paper of Bea's otherwise.
  await goTo(page, "/courses/field-test/score");
  await page.goto(page.url().replace(/\/score\/([^/]+)\/.*/, "/pile/$1"));
  await enterPile(page, [...lines(0, 20), `${number(25)} 1`]);

  await goTo(page, "/courses/field-test/check?view=packets");
  const second = await takeBack(page, fromCai);
  await expect(second).toContainText("20 new");
  await second.getByRole("button", { name: "Take back 20 papers" }).click();
  await expect(page.getByText("20 papers of back.zip taken back.", { exact: false })).toBeVisible();
  const first = await takeBack(page, fromBea);
  await expect(first).toContainText("1 changed on both sides, 19 new");
  await expect(first.getByRole("button", { name: /^Take back/ })).toBeDisabled();
  await expect(first).toContainText("1 value to decide: both sides changed it.");
  const both = first.getByRole("group", { name: `Score of Person ${number(25)}` });
  await expect(both).toContainText("Here: 1");
  await both.getByRole("button", { name: `Packet: ${scoreOf(25)}` }).click();
  await first.getByRole("button", { name: "Take back 20 papers" }).click();
  const again = await takeBack(page, fromCai);
  await expect(again).toContainText("This was taken back already");
  await expect(again).toContainText("There is nothing new in it.");
  await expect(again.getByRole("button", { name: "Take back 0 papers" })).toBeDisabled();
  await again.getByRole("button", { name: "Leave it" }).click();
  await allKept(page);

  await goTo(alone, "/courses/field-test/gradebook");
  await cell(alone, "Gauging test", `Person ${number(0)}`).click();
  await paste(alone, Array.from({ length: PAPERS }, (_, at) => scoreOf(at)).join("\n"));
  await alone.getByRole("dialog").getByRole("button", { name: "Enter 60 scores" }).click();
  await expect(alone.getByRole("button", { name: /^Undo: 60 scores pasted/ })).toBeVisible();
  await allKept(alone);
  const shared = await scoresOf(page, "field-test");
  expect(shared).toBe(await scoresOf(alone, "field-test"));
  expect(shared.split("\n").filter((line) => line.includes("Person")).length).toBe(PAPERS);
  // Who judged what stays told.
  await goTo(page, "/courses/field-test/journal");
  await expect(page.getByRole("row", { name: /Bea Lund .*packet of Bea Lund taken back, 20 papers/ })).toBeVisible();
});

test("a blind packet, unpacked and searched as text, names nobody and tells nothing that was judged", async ({
  page,
}) => {
  await openDemo(page, "/check?assignment=flood-memo&view=packets");
  await page.getByLabel("For whom").fill("Noor Estevan");
  await page.getByLabel("Which papers").selectOption({ label: "all" });
  await page.getByLabel(/^blind/).check();
  const file = await downloaded(page, async () => {
    await page.getByRole("button", { name: /^Make the packet/ }).click();
    // What takes its time says how far it is.
    await expect(page.getByText(/Taking out who wrote paper-/)).toBeVisible();
  });
  await expect(page.getByText(/was saved .*: 28 papers for/)).toBeVisible();
  const parts = Object.entries(unzipSync(readFileSync(await file.path()))).flatMap(([name, bytes]) => [
    [name, bytes] as const,
    // What lies in Word files, unpacked too.
    ...(name.endsWith(".docx") ? Object.entries(unzipSync(bytes)) : []),
  ]);
  const folder = test.info().outputPath("packet");
  mkdirSync(folder, { recursive: true });
  const texts = parts.map(([name, bytes]) => {
    if (!name.endsWith(".pdf")) return `${name}\n${strFromU8(bytes)}`;
    const path = `${folder}/read.pdf`;
    writeFileSync(path, bytes);
    // Poppler reads what it says, and what it says of itself.
    return `${name}\n${execFileSync("pdftotext", [path, "-"]).toString()}\n${execFileSync("pdfinfo", [path]).toString()}`;
  });
  const all = texts.join("\n");
  expect(parts.filter(([name]) => name.endsWith(".pdf")).length).toBeGreaterThan(3);
  expect(parts.filter(([name]) => name.startsWith("word/")).length).toBeGreaterThan(3);
  await goTo(page, "/courses/reading-rivers/students");
  const names = (await page.getByRole("row").allInnerTexts()).flatMap(
    (line) => line.match(/\p{Lu}\p{L}+ \p{Lu}\p{L}+/gu) ?? [],
  );
  expect(names.length).toBeGreaterThan(20);
  for (const name of names) expect.soft(all.includes(name), name).toBe(false);
  expect(all).not.toMatch(/L26\d{3}/);
  // No first score, no comment and no remark of the first marker, nor who that is.
  for (const told of [/"points": ?"(?:8|7\.5|15\.5)"/, /bus stop is the best/, /What becomes of T\?/, /Halden/]) {
    expect.soft(all).not.toMatch(told);
  }
  const { judgements } = JSON.parse(texts.find((text) => text.startsWith("records.json"))?.slice(13) ?? "") as {
    readonly judgements: object;
  };
  expect(judgements).toEqual({});
});

test("a sample goes out blind and locked, and comes back as second judgements beside the first", async ({
  page,
  context,
  baseURL,
}) => {
  await openDemo(page, "/check?assignment=flood-memo&view=second");
  await page.getByLabel("Second marker").fill("Noor Estevan");
  await page.getByRole("button", { name: /^Choose \d+ papers/ }).click();
  await goTo(page, "/courses/reading-rivers/check?assignment=flood-memo&view=packets");
  await expect(page.getByLabel("For whom")).toHaveValue("Noor Estevan");
  await expect(page.getByLabel(/^blind/)).toBeChecked();
  await page.getByLabel("Locked with").fill("weir and river");
  const out = await downloaded(page, () => page.getByRole("button", { name: /^Make the packet/ }).click());
  expect(
    readFileSync(await out.path())
      .subarray(0, 21)
      .toString(),
  ).toBe("age-encryption.org/v1");
  const noor = await inNewBrowser(context);
  await noor.goto(`${baseURL ?? ""}/`);
  await expect(noor.getByRole("heading", { level: 1, name: /Reading Rivers/ })).toBeVisible();
  await noor.goto(`${baseURL ?? ""}/courses`);
  const packet = {
    name: "packet.zip.age",
    mimeType: "application/octet-stream",
    buffer: readFileSync(await out.path()),
  };
  await noor.locator("main input[type=file]").first().setInputFiles(packet);
  await noor.getByLabel("Its passphrase").fill("weir and rivet");
  await noor.keyboard.press("Enter");
  await expect(noor.getByRole("alert")).toContainText("This is not its passphrase");
  await noor.getByLabel("Its passphrase").fill("weir and river");
  await noor.keyboard.press("Enter");
  await noor.waitForURL(/\/courses\/packet-flood-memo\/score\//);
  await expect(noor.getByRole("heading", { name: /^Paper \d/ })).toBeVisible();
  await expect(noor.getByRole("link", { name: "Gradebook" })).toHaveCount(0);
  await noor.goto(`${baseURL ?? ""}/courses/packet-flood-memo/release`);
  await noor.waitForURL(/\/score\//);
  await expect(noor.getByRole("heading", { name: /^Paper \d/ })).toBeVisible();
  await noor.locator("html[data-ready]").waitFor();
  for (const digit of ["1", "1", "1"]) await noor.keyboard.press(digit);
  await allKept(noor);
  // What was handed over is locked here too, in the browser of the one who marks it, and given back from there.
  await noor.getByRole("link", { name: "Lock", exact: true }).click();
  await noor.getByLabel("Passphrase", { exact: true }).fill("seven wet herons");
  await noor.getByLabel("Once more").fill("seven wet herons");
  await noor.getByRole("button", { name: "Lock the course", exact: true }).last().click();
  await noor.waitForURL(/\/courses\/c-[a-z0-9]+\/lock/, { timeout: 60_000 });
  await expect(noor.getByRole("heading", { name: "This course is locked with a passphrase" })).toBeVisible();
  const back = await giveBack(noor);
  const taking = await takeBack(page, back);
  await expect(taking).toContainText(/1 new, \d+ not touched/);
  await taking.getByRole("button", { name: "Take back 1 paper" }).click();
  await page.getByRole("link", { name: "Second marking" }).click();
  await expect(page.getByText(/by Noor Estevan: 1 judged twice/)).toBeVisible();
});
