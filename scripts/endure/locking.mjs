// Kills while a lock is put on: the course is there once, open or locked, and whole.
import { goTo, inRounds, journalHolds, openDemo } from "./rounds.mjs";

export const PASSPHRASE = "seven wet herons";

/** Types a new passphrase twice. */
export async function chooses(page, label, passphrase) {
  await page.getByLabel(label, { exact: true }).fill(passphrase);
  await page.getByLabel("Once more").fill(passphrase);
}

/** Puts a lock on the demo course, whose page of the lock is open. */
export async function lockDemo(page) {
  await chooses(page, "Passphrase", PASSPHRASE);
  await page.getByRole("button", { name: "Lock the course", exact: true }).last().click();
  await page.waitForURL(/\/courses\/c-[a-z0-9]+\/lock/);
  await page.getByRole("heading", { name: "This course is locked with a passphrase" }).waitFor();
}

export async function unlocks(page, passphrase) {
  await page.getByLabel("Its passphrase").fill(passphrase);
  await page.getByRole("button", { name: "Unlock" }).click();
}

export function killUnderLocking({ address, kills, chance }) {
  const demo = `${address}/courses/reading-rivers`;
  return inRounds({
    what: "a lock put on",
    kills,
    chance,
    longest: 5_000,
    prepare: (page) => openDemo(page, address),
    begin: (page) => goTo(page, `${demo}/lock`),
    go: async (page) => {
      await lockDemo(page);
      return "locked";
    },
    look: async (page, round, told) => {
      await goTo(page, `${address}/courses`);
      const list = page.getByRole("main").getByRole("listitem");
      await list.first().waitFor();
      const locked = list.filter({ hasText: "· locked" });
      const open = list.filter({ hasText: "Reading Rivers" });
      const [lockedOnes, openOnes] = [await locked.count(), await open.count()];
      const isLocked = lockedOnes > 0;
      await (isLocked ? locked : open).first().getByRole("link").first().click();
      if (isLocked) await unlocks(page, PASSPHRASE);
      await page.getByRole("heading", { level: 1, name: /^Reading Rivers/ }).waitFor();
      const holds = await journalHolds(page);
      return {
        state: isLocked ? "locked" : "open as before",
        lost: lockedOnes + openOnes === 0 || (told === "locked" && !isLocked) ? 1 : 0,
        twice: lockedOnes + openOnes > 1 ? 1 : 0,
        half: holds ? 0 : 1,
      };
    },
  });
}
