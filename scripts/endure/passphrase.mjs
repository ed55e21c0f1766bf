// Kills while the passphrase is changed: exactly one of the two opens the course afterwards.
import { chooses, lockDemo, PASSPHRASE, unlocks } from "./locking.mjs";
import { goTo, inRounds, journalHolds, openDemo } from "./rounds.mjs";

const NEXT = "nine dry cormorants";

export function killUnderNewPassphrase({ address, kills, chance }) {
  let home = "";
  const isOpen = (page) => page.getByRole("heading", { name: "This course is locked with a passphrase" });
  return inRounds({
    what: "a passphrase changed",
    kills,
    chance,
    longest: 4_000,
    prepare: async (page) => {
      await openDemo(page, address);
      await goTo(page, `${address}/courses/reading-rivers/lock`);
      await lockDemo(page);
      home = page.url().replace(/\/lock$/, "");
    },
    begin: async (page) => {
      await goTo(page, `${home}/lock`);
      await unlocks(page, PASSPHRASE);
      await isOpen(page).waitFor();
    },
    go: async (page) => {
      await page.getByLabel("The present passphrase").fill(PASSPHRASE);
      await chooses(page, "The new passphrase", NEXT);
      await page.getByRole("button", { name: "Change the passphrase" }).click();
      await page.getByText("The new passphrase opens it from now on").waitFor();
      return "changed";
    },
    look: async (page, round, told) => {
      const opens = [];
      for (const passphrase of [PASSPHRASE, NEXT]) {
        await goTo(page, `${home}/lock`);
        await unlocks(page, passphrase);
        await isOpen(page).or(page.getByRole("alert")).first().waitFor();
        opens.push((await isOpen(page).count()) > 0);
      }
      const [byOld, byNew] = opens;
      if (!byNew) await unlocks(page, PASSPHRASE).then(() => isOpen(page).waitFor());
      return {
        state: byNew ? "opened by the new one" : byOld ? "opened by the old one" : "opened by neither",
        lost: (!byOld && !byNew) || (told === "changed" && !byNew) ? 1 : 0,
        twice: byOld && byNew ? 1 : 0,
        half: (await journalHolds(page)) ? 0 : 1,
      };
    },
  });
}
