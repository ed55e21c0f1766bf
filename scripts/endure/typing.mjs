// Kills under typing: what the bar called kept must be there after each kill, nothing twice, nothing damaged.
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { startBrowser } from "./browser.mjs";
import { journalStore } from "./journal-store.mjs";

const COLUMN = "Question paper 1";

const cellOf = (page, name) => page.getByRole("gridcell", { name: new RegExp(`^${COLUMN}, ${name}:`) });

/** What the course holds in a cell: its name tells it, also where something half-typed lies over it. */
const standing = async (cell) => /: ([^,;]+)/.exec((await cell.getAttribute("aria-label")) ?? "")?.[1] ?? "";

/** Figures of the column, by student. */
async function shown(page, names) {
  const figures = {};
  for (const name of names) figures[name] = await standing(cellOf(page, name));
  return figures;
}

/** How long each change took from the key to "kept", as the page itself sees it. */
const watchKeeping = (page) =>
  page.evaluate(() => {
    window.keptAfter = [];
    // What each key reached, so that one that went astray can be followed.
    window.keysSeen = [];
    const whereOf = (target) => target?.ariaLabel ?? target?.tagName ?? "nowhere";
    for (const kind of ["pointerdown", "keydown", "beforeinput", "focusin"]) {
      window.addEventListener(
        kind,
        (event) => window.keysSeen.push(`${kind}:${event.key ?? event.data ?? ""}@${whereOf(event.target)}`),
        true,
      );
    }
    let since = null;
    window.addEventListener(
      "keydown",
      (event) => {
        if (event.key === "Enter") since ??= performance.now();
      },
      true,
    );
    new MutationObserver(() => {
      const kept = document.querySelector('[data-keeping="kept"]') !== null;
      if (!kept || since === null) return;
      window.keptAfter.push(performance.now() - since);
      since = null;
    }).observe(document.body, { subtree: true, attributes: true, attributeFilter: ["data-keeping"] });
  });

/** Ids of all changes in single entries, and their places. */
async function journalOf(page) {
  const entries = (await journalStore(page)).filter(({ text }) => text !== null).map(({ text }) => JSON.parse(text));
  return { ids: entries.map(({ change }) => change.id), seqs: entries.map(({ seq }) => seq) };
}

const middle = (values, share) => [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) * share)] ?? 0;

/** Types figures down the column until the browser is gone; tells what was typed and what was called kept. */
async function typeUntilGone(page, names, chance, known, onBegun) {
  const astray = [];
  const typed = { ...known };
  const history = Object.fromEntries(names.map((name) => [name, [known[name]]]));
  let called = { ...known };
  let saidKept = 0;
  let afterKept = [];
  try {
    for (;;) {
      const name = names[Math.floor(chance() * names.length)];
      await cellOf(page, name).click();
      const figure = String(1 + Math.floor(chance() * 49));
      await page.keyboard.type(figure, { delay: Math.floor(chance() * 12) });
      typed[name] = figure;
      history[name].push(figure);
      await page.keyboard.press("Enter");
      onBegun();
      // Every other time it is waited for that the bar says so, or the kill would hardly ever come after it.
      if (chance() < 0.5) await page.locator('[data-keeping="kept"]').waitFor();
      const { kept, times, keys } = await page.evaluate(() => ({
        kept: document.querySelector('[data-keeping="kept"]') !== null,
        times: window.keptAfter,
        keys: window.keysSeen.splice(0).join(" "),
      }));
      afterKept = times;
      // A figure that is called kept stands in its cell at that very moment, or it went somewhere else.
      const stands = kept ? await standing(cellOf(page, name)) : figure;
      if (stands !== figure) {
        astray.push(`${figure} for ${name}, whose cell shows "${stands}"; keys: ${keys}`);
        typed[name] = stands;
      }
      if (kept) {
        called = { ...typed };
        saidKept += 1;
      }
    }
  } catch {
    return { typed, called, history, saidKept, afterKept, astray };
  }
}

/** Kills the browser so many times under typing; answers a row of what was found, and how many faults. */
export async function killUnderTyping({ address, kills, chance }) {
  const profile = mkdtempSync(join(tmpdir(), "quill-endure-"));
  const total = { kills: 0, typed: 0, saidKept: 0, lost: 0, doubled: 0, damaged: 0, unopened: 0, unkept: 0, astray: 0 };
  const times = [];
  let names = [];
  let known = {};
  for (let round = 0; round <= kills; round += 1) {
    const { page, kill } = await startBrowser(profile);
    try {
      if (round === 0) {
        await page.goto(`${address}/`);
        await page.getByRole("heading", { level: 1 }).waitFor();
      }
      await page.goto(`${address}/courses/reading-rivers/gradebook`);
      await page.locator("html[data-ready]").waitFor();
      await page.getByRole("grid", { name: "Scores" }).waitFor();
      await page.getByRole("grid", { name: "Scores" }).locator("[role=gridcell]").first().waitFor();
      if (names.length === 0) {
        names = ["Anouk Brisk", "Cato Mirelle", "Clea Vantor", "Dagny Kvist", "Esi Okonwe", "Hano Abeyra"];
        known = await shown(page, names);
      } else {
        if ((await page.getByRole("alert").count()) > 0) total.damaged += 1;
        const now = await shown(page, names);
        for (const name of names) {
          // What was called kept, or anything typed in that cell after it.
          const allowed = names.length > 0 ? known.allowed[name] : [];
          if (!allowed.includes(now[name])) {
            total.lost += 1;
            console.log(`LOST in round ${round}: ${name} shows "${now[name]}", expected one of ${allowed.join(", ")}`);
          } else if (now[name] !== known.typed[name]) total.unkept += 1;
        }
        const { ids, seqs } = await journalOf(page);
        if (new Set(ids).size !== ids.length || new Set(seqs).size !== seqs.length) total.doubled += 1;
        known = now;
      }
    } catch (error) {
      total.unopened += 1;
      console.log(`NOT OPENED in round ${round}: ${error.message.split("\n")[0]}`);
      await kill();
      continue;
    }
    if (round === kills) {
      await kill();
      break;
    }
    await watchKeeping(page);
    // The first figure is typed before the time runs, however slow the machine is: a kill before it would show nothing.
    let onBegun;
    const begun = new Promise((resolve) => (onBegun = resolve));
    const typing = typeUntilGone(page, names, chance, known, onBegun);
    await Promise.race([begun, typing]);
    await wait(150 + Math.floor(chance() * 1_800));
    await kill();
    const { typed, called, history, saidKept, afterKept, astray } = await typing;
    for (const one of astray) console.log(`ASTRAY in round ${round}: ${one}`);
    total.astray += astray.length;
    total.kills += 1;
    total.saidKept += saidKept;
    total.typed += Object.values(history).reduce((sum, list) => sum + list.length - 1, 0);
    times.push(...afterKept);
    const allowed = Object.fromEntries(
      names.map((name) => [name, history[name].slice(history[name].lastIndexOf(called[name]))]),
    );
    known = { typed, allowed };
    if (round % 25 === 24) console.log(`${round + 1} kills: ${JSON.stringify(total)}`);
  }
  rmSync(profile, { recursive: true, force: true });
  console.log(`figures shown and not yet called kept that were gone after the kill: ${total.unkept}`);
  console.log(
    `from the key to "kept": ${middle(times, 0.5).toFixed(1)} ms at the median, ${middle(times, 0.95).toFixed(1)} ms at the 95th percentile (${times.length} changes)`,
  );
  return {
    what: `typing: ${total.typed} figures, ${total.saidKept} moments called kept`,
    kills: total.kills,
    lost: total.lost + total.astray,
    twice: total.doubled,
    half: total.damaged,
    unopened: total.unopened,
  };
}
