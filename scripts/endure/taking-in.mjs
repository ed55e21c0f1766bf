// Kills while a class's files are taken in: all 28 hand-ins are there with what was in them, or all lie in the tray as before.
import { goTo, inRounds, journalHolds, openDemo } from "./rounds.mjs";

const FILES = 28;
/** Bytes of each, so that keeping them takes a while. */
const SIZE = 60_000;
const numberOf = (place) => `L${String(26_041 + place * 7)}`;

/** Works are shown in closed trees, which no locator can look into; here they are open. */
function openClosedTrees() {
  const attach = Element.prototype.attachShadow;
  Element.prototype.attachShadow = function (init) {
    return attach.call(this, { ...init, mode: "open" });
  };
}

export function killUnderTakingIn({ address, kills, chance }) {
  const home = `${address}/courses/reading-rivers`;
  const takeIn = (page) => page.getByRole("button", { name: /^Take in 28 hand-ins/ });
  return inRounds({
    what: "28 files taken in",
    kills,
    chance,
    longest: 1_200,
    prepare: async (page) => {
      await openDemo(page, address);
      await goTo(page, `${home}/collect?into=story-map`);
      const files = Array.from({ length: FILES }, (_, place) => ({
        name: `${numberOf(place)} story map.md`,
        mimeType: "text/markdown",
        buffer: Buffer.from(`# The river by ${numberOf(place)}\n\n${"It rose. ".repeat(SIZE / 9)}`),
      }));
      await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles(files);
      await takeIn(page).waitFor();
    },
    begin: async (page) => {
      await goTo(page, `${home}/collect?into=story-map`);
      await takeIn(page).waitFor();
    },
    go: async (page) => {
      await takeIn(page).click();
      await page.getByText(/28 hand-ins taken in/).waitFor();
      await page.locator('[data-keeping="kept"]').waitFor();
      return "kept";
    },
    look: async (page, round, told) => {
      await goTo(page, `${home}/collect?into=story-map`);
      const isThere = page.getByText("Everybody has handed in");
      await takeIn(page).or(isThere).first().waitFor();
      const isTaken = (await isThere.count()) > 0;
      const lies = (await takeIn(page).count()) > 0;
      const lost = told === "kept" && !isTaken ? 1 : 0;
      const twice = isTaken && lies ? 1 : 0;
      const holds = await journalHolds(page);
      if (isTaken) {
        await page.addInitScript(openClosedTrees);
        // One of them is opened: what lies in the store is what was handed in.
        await goTo(page, `${home}/score/story-map/clea-vantor`);
        await page
          .getByText(/The river by L26\d{3}/)
          .first()
          .waitFor();
      }
      return { state: isTaken ? "taken in" : "in the tray as before", lost, twice, half: holds ? 0 : 1 };
    },
  });
}
