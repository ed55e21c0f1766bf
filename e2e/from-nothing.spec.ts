import type { Page } from "@playwright/test";
import { allKept, expect, open, openDemo, alone as test } from "./helpers";

/** Thirty invented people; each has a part of the name that nobody else has. */
const PEOPLE = [
  "Abel Quist",
  "Bera Lund",
  "Cilla Moe",
  "Danil Orr",
  "Edda Pryce",
  "Fenn Rask",
  "Gorm Sable",
  "Hild Tarn",
  "Ivo Umber",
  "Jarl Voss",
  "Kaia Wold",
  "Luth Xane",
  "Mirko Ysel",
  "Nanna Zorn",
  "Otso Aker",
  "Pia Brandt",
  "Quin Crest",
  "Runa Dahl",
  "Sven Egge",
  "Tuva Fjell",
  "Ulla Grove",
  "Vidar Holm",
  "Wilma Inge",
  "Xaver Juhl",
  "Yrsa Kroll",
  "Zeno Lind",
  "Åse Møller",
  "Björn Nygård",
  "Célia Østby",
  "Dóra Pálsdóttir",
] as const;

/** Parts of names as they are read out, and the scores of Quiz 1, in the order of a shuffled pile. */
const PILE: readonly (readonly [part: string, score: string])[] = [
  ["tuv", "9"],
  ["abe", "8.995"],
  ["palsd", "7.5"],
  ["zor", "10"],
  ["hil", "6"],
  ["ber", "8.9"],
  ["nyg", "5.5"],
  ["xav", "9.5"],
  ["cil", "8"],
  ["run", "7"],
  ["ulla", "6.5"],
  ["egg", "4"],
  ["dani", "3.5"],
  ["kai", "9"],
  ["yrs", "2"],
  ["pry", "7.5"],
  ["ots", "8.5"],
  ["mir", "6"],
  ["fen", "10"],
  ["wil", "9.5"],
  ["ostb", "8"],
  ["gor", "7"],
  ["ivo", "1.5"],
  ["jar", "5"],
  ["luth", "6.5"],
  ["qui c", "7.25"],
  ["bran", "9"],
  ["holm", "8"],
  ["lind", "4.5"],
  ["ase", "6"],
];

/** Starts an empty course and leaves its plan open. */
async function startEmpty(page: Page): Promise<void> {
  await openDemo(page);
  await page.getByRole("button", { name: "Switch course" }).click();
  await page.getByRole("menuitem", { name: "Start an empty course" }).click();
  await page.getByRole("textbox", { name: "Name of the course" }).fill("Night Sky");
  await page.getByRole("button", { name: "Start an empty course" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Plan" })).toBeVisible();
  await page.locator("html[data-ready]").waitFor();
}

const write = (page: Page) => page.getByLabel("New assignments, one line each");
const row = (page: Page, name: string) => page.getByRole("row", { name: new RegExp(`^${name}`) });

test("a whole course from nothing: plan, rubric, roster, a shuffled pile, totals by hand, and all of it undone and redone", async ({
  page,
}) => {
  test.slow();
  await startEmpty(page);
  for (const [name, weight] of [
    ["Papers", "35"],
    ["Quizzes", "30"],
    ["Labs", "20"],
    ["Exam", "15"],
  ] as const) {
    await page.getByPlaceholder("Papers").fill(name);
    await page.getByPlaceholder("Papers").press("Tab");
    await page.keyboard.type(weight);
    await page.keyboard.press("Enter");
    await expect(page.getByRole("region", { name, exact: true })).toBeVisible();
  }
  await expect(page.getByText("Weights come to 100 %.")).toBeVisible();

  await write(page).fill(
    [
      "Essay 1-3, 20 points, every 3 weeks from 14 Sep, in Papers",
      "Quiz 1-4, 10 points, weekly from 16 Sep, in Quizzes",
      "Lab 1-3, 12 points, weekly from 18 Sep, in Labs",
      "Field exam, 50 points, 14 Dec 09:00, on paper, in Exam",
    ].join("\n"),
  );
  await expect(page.getByRole("button", { name: "Add 11 assignments" })).toBeEnabled();
  await write(page).press("Enter");
  await expect(page.getByRole("link", { name: "Essay 3" })).toBeVisible();
  await expect(page.getByRole("listitem").filter({ hasText: "Quiz 2" })).toContainText("due 23 Sep");

  await page.getByRole("link", { name: "Essay 1" }).click();
  await page.getByRole("link", { name: "Make a rubric for it" }).click();
  await page.getByRole("button", { name: "Make a rubric for Essay 1" }).click();
  await page.getByLabel("Criterion 1").fill("Observation");
  await expect(page.getByText("Used by Essay 1.")).toBeVisible();
  await allKept(page);

  await page
    .getByRole("navigation", { name: "Parts of the plan" })
    .getByRole("link", { name: "Course and roster" })
    .click();
  const roster = PEOPLE.map((name, index) => `${String(2001 + index)}\t${name}`).join("\n");
  await page.getByLabel("Students, one a line").fill(roster);
  await page.getByRole("button", { name: "Add 30 students" }).click();
  await expect(page.getByRole("heading", { name: "30 students" })).toBeVisible();

  await open(page, "/courses/night-sky/plan");
  await page.getByRole("link", { name: "Quiz 1" }).click();
  await page.getByRole("link", { name: "Enter scores from the pile" }).click();
  let keys = 0;
  const counting = async (text: string) => {
    await page.keyboard.type(text);
    await page.keyboard.press("Enter");
    keys += text.length + 1;
  };
  await expect(page.getByLabel("Part of a name or number, the score, Enter")).toBeFocused();
  for (const [part, score] of PILE) await counting(`${part} ${score}`);
  await expect(page.getByRole("heading", { name: "Everybody is entered" })).toBeVisible();
  const most = PILE.reduce((sum, [part, score]) => sum + part.length + 1 + score.length + 1, 0);
  console.log(`30 scores from the pile: ${String(keys)} keys, ${(keys / 30).toFixed(1)} each`);
  expect(keys).toBeLessThanOrEqual(most);

  await page.getByLabel("Assignment", { exact: true }).selectOption("Field exam");
  await expect(page.getByRole("heading", { level: 1, name: "Field exam: from the pile" })).toBeVisible();
  // Abel: 8.995 of 10 and 44.975 of 50 are 89.95 % each, so the total is 89.95: displayed 90.0, and an A.
  // Bera: 8.9 of 10 is 89 %, 45 of 50 is 90 %: (30 x 89 + 15 x 90) / 45 = 89.33, a B.
  await counting("abe 44.975");
  await counting("ber 45");
  await expect(page.getByRole("textbox", { name: "Entry of Bera Lund" })).toHaveValue("45");

  await page.getByRole("link", { name: "Gradebook" }).click();
  await expect(row(page, "Abel Quist")).toContainText("90.0");
  await expect(row(page, "Abel Quist").getByRole("gridcell").nth(1)).toHaveText("A");
  await expect(row(page, "Bera Lund")).toContainText("89.3");
  await expect(row(page, "Bera Lund").getByRole("gridcell").nth(1)).toHaveText("B");
  // One quiz alone: its percentage is the total, because nothing else counts yet.
  await expect(row(page, "Dóra Pálsdóttir")).toContainText("75.0");
  await expect(row(page, "Dóra Pálsdóttir").getByRole("gridcell").nth(1)).toHaveText("C");
  await allKept(page);

  const stepAll = async (which: "Undo" | "Redo") => {
    const button = page.getByRole("button", { name: new RegExp(`^(${which}: |Nothing to ${which.toLowerCase()})`) });
    let steps = 0;
    for (; await button.isEnabled(); steps += 1) {
      const before = (await button.getAttribute("aria-label")) ?? "";
      await button.click();
      await expect(button).not.toHaveAttribute("aria-label", before);
    }
    return steps;
  };
  await page.getByRole("link", { name: "Plan" }).click();
  const undone = await stepAll("Undo");
  await expect(page.getByText("Or begin with a category")).toBeVisible();
  expect(await stepAll("Redo")).toBe(undone);
  await page.getByRole("link", { name: "Gradebook" }).click();
  await expect(row(page, "Abel Quist")).toContainText("90.0");
  await expect(row(page, "Bera Lund")).toContainText("89.3");
});

test("from an empty course to the first score takes at most 12 keys and clicks beyond the words typed", async ({
  page,
}) => {
  await startEmpty(page);
  let beyond = 0;
  const press = async (key: string) => {
    await page.keyboard.press(key);
    beyond += key.split("+").length;
  };
  const click = async (name: string) => {
    await page.getByRole("link", { name, exact: true }).first().click();
    beyond += 1;
  };
  await page.keyboard.type("Essay, 20 points");
  await press("Enter");
  await click("Course and roster");
  await expect(page.getByLabel("Students, one a line")).toBeFocused();
  await page.keyboard.type("Ada Byrne");
  await press("Control+Enter");
  await expect(page.getByRole("heading", { name: "1 student" })).toBeVisible();
  await click("Gradebook");
  await expect(page.getByRole("gridcell", { name: /^Essay, Ada Byrne:/ })).toBeFocused();
  await page.keyboard.type("18");
  await press("Enter");
  await expect(page.getByRole("gridcell", { name: "Essay, Ada Byrne: 18" })).toBeVisible();
  console.log(`from an empty course to the first score: ${String(beyond)} keys and clicks beyond the words typed`);
  expect(beyond).toBeLessThanOrEqual(12);
});
