// Rounds of one act: each begins from the same profile, is cut short at a random moment, and is looked at after opening again.
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { startBrowser } from "./browser.mjs";

/** Opens an address of the application and waits until its screen takes keys. */
export async function goTo(page, address) {
  await page.goto(address);
  await page.locator("html[data-ready]").waitFor();
}

/** Opens the demo course in a fresh profile. */
export async function openDemo(page, address) {
  await page.goto(`${address}/`);
  await page.waitForURL(/courses\/reading-rivers/);
  await page.getByRole("heading", { level: 1 }).waitFor();
  await page.locator('[data-keeping="kept"]').waitFor();
}

/**
 * `prepare` makes the profile once; `begin` leads up to the act in each round; `go` does it, and answers what it can still
 * tell when the browser is gone; `look` answers the faults it sees after opening again, as `{ lost: 1 }`. `longest` is the
 * longest time between the act and the kill, in milliseconds.
 */
export async function inRounds({ what, kills, chance, longest, prepare, begin, go, look }) {
  const home = mkdtempSync(join(tmpdir(), "quill-endure-"));
  const [base, profile] = [join(home, "base"), join(home, "round")];
  const first = await startBrowser(base);
  await prepare(first.page);
  await first.page.waitForTimeout(1_000);
  await first.page.close();
  await first.kill();
  const total = { what, kills: 0, lost: 0, twice: 0, half: 0, unopened: 0 };
  const seen = {};
  for (let round = 0; round < kills; round += 1) {
    rmSync(profile, { recursive: true, force: true });
    // The killed browser's own marks of "in use" stay behind.
    cpSync(base, profile, { recursive: true, filter: (path) => !basename(path).startsWith("Singleton") });
    const before = await startBrowser(profile);
    await begin(before.page);
    const going = go(before.page, round).catch(() => null);
    await wait(Math.floor(chance() * longest));
    await before.kill();
    const told = await going;
    const after = await startBrowser(profile);
    const said = [];
    after.page.on("load", () => said.push(`loaded ${after.page.url()}`));
    after.page.on("requestfailed", (request) => said.push(`failed ${request.url()} ${request.failure()?.errorText}`));
    after.page.on("console", (message) => message.type() === "error" && said.push(message.text()));
    try {
      const { state, ...faults } = await look(after.page, round, told);
      seen[state] = (seen[state] ?? 0) + 1;
      for (const [fault, count] of Object.entries(faults)) {
        total[fault] += count;
        if (count > 0) console.log(`${fault.toUpperCase()} in round ${round}: ${state}`);
      }
    } catch (error) {
      total.unopened += 1;
      console.log([`NOT OPENED in round ${round}: ${error.message}`, ...said].join("\n  "));
    }
    await after.kill();
    total.kills += 1;
  }
  rmSync(home, { recursive: true, force: true });
  return {
    ...total,
    what: `${what}: ${Object.entries(seen)
      .map(([state, count]) => `${count} ${state}`)
      .join(", ")}`,
  };
}

/** Whether the course's own check finds every change in its place; its page is gone to from where one is, which keeps it unlocked. */
export async function journalHolds(page) {
  const journal = page.getByRole("link", { name: "Journal", exact: true });
  // Where a part of the application cannot be fetched, the router loads the page anew where it was: one presses again.
  const again = () => void journal.click().catch(() => null);
  page.once("load", again);
  await journal.click();
  await page.waitForURL(/\/journal$/);
  page.off("load", again);
  await page.locator("summary").filter({ hasText: "Seal:" }).click();
  await page.getByRole("button", { name: "Check the journal" }).click();
  const found = page.getByText(/All \d+ changes follow one another|does not fit|is missing/);
  await found.first().waitFor();
  return /All \d+ changes/.test(await found.first().innerText());
}
