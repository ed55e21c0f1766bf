// A whole browser of its own with a profile that stays, to be killed and started again.
import { spawn } from "node:child_process";
import { existsSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { chromium } from "@playwright/test";
import { CHROMIUM } from "../chromium.mjs";

/** Longest time a browser may take to start, in milliseconds. */
const START = 30_000;

/** Browsers that run; whoever stops this script must not leave one behind. */
const running = new Set();
const endAll = () => running.forEach((pid) => process.kill(-pid, "SIGKILL"));
process.once("exit", endAll);
for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => process.exit(1));

export async function startBrowser(profile) {
  const portFile = join(profile, "DevToolsActivePort");
  rmSync(portFile, { force: true });
  const args =
    "--headless --no-sandbox --disable-gpu --in-process-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync --remote-debugging-port=0 --window-size=1280,1200";
  const child = spawn(CHROMIUM, [...args.split(" "), `--user-data-dir=${profile}`, "about:blank"], {
    detached: true,
    stdio: "ignore",
  });
  running.add(child.pid);
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
      running.delete(child.pid);
      process.kill(-child.pid, "SIGKILL");
      await ended;
      await browser.close().catch(() => null);
    },
  };
}
