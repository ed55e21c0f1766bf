// Kills while the journal is gathered into blocks: with 400 single entries, the first changes of a sitting set it going.
import { journalStore } from "./journal-store.mjs";
import { goTo, inRounds, journalHolds, openDemo } from "./rounds.mjs";

/** Single entries from which on the journal is gathered, typed in sittings too short for it, and figures typed under it. */
const SINGLES = 400;
const SITTING = 80;
const FIGURES = 12;
const COLUMN = "Question paper 1";

const grid = (page) => page.getByRole("grid", { name: "Scores" });
const topCell = (page) => page.getByRole("gridcell", { name: new RegExp(`^${COLUMN}, `) }).first();

/** Types figures down the column, from the top again and again. */
async function typeFigures(page, count, figureOf) {
  for (let typed = 0; typed < count;) {
    await topCell(page).click();
    for (let row = 0; row < 20 && typed < count; row += 1, typed += 1) {
      await page.keyboard.type(figureOf(typed));
      await page.keyboard.press("Enter");
    }
  }
}

const openGrid = async (page, home) => {
  await goTo(page, `${home}/gradebook`);
  await grid(page).locator("[role=gridcell]").first().waitFor();
};

/** How many changes the course counts; its page of the journal says so. */
async function countOf(page, home) {
  await goTo(page, `${home}/journal`);
  const words = await page
    .getByText(/\d+ changes/)
    .first()
    .innerText();
  return Number(/(\d+) changes/.exec(words)?.[1]);
}

/** How many entries and how many blocks lie in the store. */
async function kinds(page) {
  const kept = await journalStore(page);
  const of = (kind) => kept.filter(({ key }) => key.includes(`/${kind}/`)).length;
  return { singles: of("entry"), blocks: of("block") };
}

export function killUnderGathering({ address, kills, chance }) {
  const home = `${address}/courses/reading-rivers`;
  let before = 0;
  let start = { singles: 0, blocks: 0 };
  return inRounds({
    what: "the journal gathered",
    kills,
    chance,
    longest: 1_500,
    prepare: async (page) => {
      await openDemo(page, address);
      for (let part = 0; part < SINGLES / SITTING; part += 1) {
        await openGrid(page, home);
        await typeFigures(page, SITTING, (typed) => String(1 + ((typed + part) % 40)));
        await page.locator('[data-keeping="kept"]').waitFor();
      }
      before = await countOf(page, home);
      start = await kinds(page);
    },
    begin: (page) => openGrid(page, home),
    go: async (page) => {
      await typeFigures(page, FIGURES, (typed) => String(41 + (typed % 9)));
      await page.locator('[data-keeping="kept"]').waitFor();
      return "kept";
    },
    look: async (page, round, told) => {
      await openGrid(page, home);
      const { singles, blocks } = await kinds(page);
      const state =
        blocks === start.blocks ? "before it" : singles > start.singles ? "in the middle of it" : "after it";
      const holds = await journalHolds(page);
      const more = (await countOf(page, home)) - before;
      return {
        state,
        lost: told === "kept" && more < FIGURES ? 1 : 0,
        twice: more > FIGURES ? 1 : 0,
        half: holds ? 0 : 1,
      };
    },
  });
}
