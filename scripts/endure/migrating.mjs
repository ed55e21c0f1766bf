// Kills while a store of an older layout is brought over: entries and blocks without sums, as layout 6 kept them.
import { goTo, inRounds, journalHolds, openDemo } from "./rounds.mjs";

/** Figures typed before, so that bringing them over takes a while. */
const FIGURES = 240;
const OLD_LAYOUT = 6;

const grid = (page) => page.getByRole("grid", { name: "Scores" });
const column = (page) => page.getByRole("gridcell", { name: /^Question paper 1, / });

/** Types figures down the column, from the top again and again. */
async function typeFigures(page) {
  const rows = await column(page).count();
  for (let typed = 0; typed < FIGURES; typed += 1) {
    if (typed % rows === 0) await column(page).first().click();
    await page.keyboard.type(String(1 + (typed % 49)));
    await page.keyboard.press("Enter");
  }
  await page.locator('[data-keeping="kept"]').waitFor();
}

/** An address of the application at which none of its scripts runs, so that its store can be looked into. */
const quiet = (address) => `${address}/quill.svg`;

/** Writes the store back as an older version of the application had left it. */
const turnBack = (page, layout) =>
  page.evaluate(async (number) => {
    const { Blob, DecompressionStream, Response } = window;
    const opening = indexedDB.open("upright-quill");
    await new Promise((resolve) => (opening.onsuccess = resolve));
    const done = (request) => new Promise((resolve) => (request.onsuccess = () => resolve(request.result)));
    const store = (name) => opening.result.transaction(name, "readwrite").objectStore(name);
    const unpacked = async ({ bytes, packing }) => {
      if (!packing) return bytes;
      const stream = new Blob([bytes]).stream().pipeThrough(new DecompressionStream("deflate-raw"));
      return new Uint8Array(await new Response(stream).arrayBuffer());
    };
    for (const key of await done(store("journal").getAllKeys())) {
      const value = await done(store("journal").get(key));
      const [, kind] = key.split("/");
      if (kind === "entry") await done(store("journal").put(JSON.parse(value.text), key));
      else if (kind === "block") {
        const { first, count, schema } = value;
        const bytes = await unpacked(value);
        await done(store("journal").put({ first, count, schema, bytes }, key));
      } else if (kind === "unproven") await done(store("journal").delete(key));
    }
    await done(store("snapshots").clear());
    await done(store("meta").put(number, "layout"));
    opening.result.close();
  }, layout);

const layoutOf = (page) =>
  page.evaluate(async () => {
    const opening = indexedDB.open("upright-quill");
    await new Promise((resolve) => (opening.onsuccess = resolve));
    const request = opening.result.transaction("meta").objectStore("meta").get("layout");
    await new Promise((resolve) => (request.onsuccess = resolve));
    opening.result.close();
    return request.result;
  });

/** What the course says of itself: how many changes it counts, and the figures of the column. */
async function figuresOf(page, home) {
  await goTo(page, `${home}/gradebook`);
  await grid(page).locator("[role=gridcell]").first().waitFor();
  const figures = await column(page).allInnerTexts();
  await goTo(page, `${home}/journal`);
  const words = page.getByText(/\d+ changes/).first();
  return { figures: figures.join(" "), changes: Number(/(\d+) changes/.exec(await words.innerText())?.[1]) };
}

export function killUnderMigration({ address, kills, chance }) {
  const home = `${address}/courses/reading-rivers`;
  let before = { figures: "", changes: 0 };
  return inRounds({
    what: "a store of layout 6 brought over",
    kills,
    chance,
    longest: 2_000,
    prepare: async (page) => {
      await openDemo(page, address);
      await goTo(page, `${home}/gradebook`);
      await column(page).first().waitFor();
      await typeFigures(page);
      before = await figuresOf(page, home);
      await page.goto(quiet(address));
      await turnBack(page, OLD_LAYOUT);
    },
    begin: (page) => page.goto(quiet(address)),
    go: (page) => page.goto(home),
    look: async (page) => {
      await page.goto(quiet(address));
      const state = `at layout ${await layoutOf(page)}`;
      const { figures, changes } = await figuresOf(page, home);
      const holds = await journalHolds(page);
      return {
        state,
        lost: changes < before.changes || figures !== before.figures ? 1 : 0,
        twice: changes > before.changes ? 1 : 0,
        half: holds ? 0 : 1,
      };
    },
  });
}
