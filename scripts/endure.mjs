// npm run endure: kills the whole browser at random moments while scores are typed, opens it again, and compares. What the
// bar called kept must be there, nothing twice, nothing damaged. `--kills 300 --seed 7`; the same seed, the same moments.
import { spawn } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { chromium } from "@playwright/test";
import { chanceFrom } from "./chance.mjs";
import { at } from "./shell.mjs";
import { serveBuilt } from "./serve.mjs";

const option = (name, otherwise) => {
  const place = process.argv.indexOf(`--${name}`);
  return place < 0 ? otherwise : Number(process.argv[place + 1]);
};
const KILLS = option("kills", 300);
const SEED = option("seed", 20_261_128);
const PORT = option("port", 4397);
const COLUMN = "Question paper 1";
/** Longest time a browser may take to start, in milliseconds. */
const START = 30_000;

async function startBrowser(profile) {
  const portFile = join(profile, "DevToolsActivePort");
  rmSync(portFile, { force: true });
  const args =
    "--headless --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync --remote-debugging-port=0 --window-size=1280,1200";
  const child = spawn("/usr/bin/chromium", [...args.split(" "), `--user-data-dir=${profile}`, "about:blank"], {
    detached: true,
    stdio: "ignore",
  });
  for (let waited = 0; !existsSync(portFile) || readFileSync(portFile, "utf8").split("\n").length < 2; waited += 50) {
    if (waited > START) throw new Error("the browser did not start");
    await wait(50);
  }
  const [port] = readFileSync(portFile, "utf8").split("\n");
  const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
  const page = browser.contexts()[0].pages()[0] ?? (await browser.contexts()[0].newPage());
  return {
    page,
    kill: async () => {
      const ended = new Promise((resolve) => child.once("exit", resolve));
      process.kill(-child.pid, "SIGKILL");
      await ended;
      await browser.close().catch(() => null);
    },
  };
}

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

/** Ids of all changes in single entries, and whether their places follow one another. */
const journalOf = (page) =>
  page.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open("upright-quill");
        opening.onerror = () => reject(new Error("the store does not open"));
        opening.onsuccess = () => {
          const all = opening.result.transaction("journal").objectStore("journal").getAll();
          all.onsuccess = () => {
            opening.result.close();
            const texts = all.result.filter((value) => typeof value === "object" && value !== null && "text" in value);
            const entries = texts.map(({ text }) => JSON.parse(text));
            resolve({ ids: entries.map(({ change }) => change.id), seqs: entries.map(({ seq }) => seq) });
          };
        };
      }),
  );

const middle = (values, share) => [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) * share)] ?? 0;

/** Types figures down the column until the browser is gone; tells what was typed and what was called kept. */
async function typeUntilGone(page, names, chance, known) {
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

const chance = chanceFrom(SEED);
process.env.PORT = String(PORT);
const address = `http://127.0.0.1:${await serveBuilt()}`;
const profile = mkdtempSync(join(tmpdir(), "quill-endure-"));
const total = { kills: 0, typed: 0, saidKept: 0, lost: 0, doubled: 0, damaged: 0, unopened: 0, unkept: 0, astray: 0 };
const times = [];
let names = [];
let known = {};
console.log(`${KILLS} kills, seed ${SEED}, ${at(".").length > 0 ? address : ""}`);
for (let round = 0; round <= KILLS; round += 1) {
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
  if (round === KILLS) {
    await kill();
    break;
  }
  await watchKeeping(page);
  const typing = typeUntilGone(page, names, chance, known);
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
console.log(`\nkills ${total.kills}, figures typed ${total.typed}, moments called kept ${total.saidKept}`);
console.log(
  `lost ${total.lost}, astray ${total.astray}, doubled ${total.doubled}, damaged ${total.damaged}, not opened ${total.unopened}`,
);
console.log(`figures shown and not yet called kept that were gone after the kill: ${total.unkept}`);
console.log(
  `from the key to "kept": ${middle(times, 0.5).toFixed(1)} ms at the median, ${middle(times, 0.95).toFixed(1)} ms at the 95th percentile (${times.length} changes)`,
);
process.exit(total.lost + total.astray + total.doubled + total.damaged + total.unopened === 0 ? 0 : 1);
