import { spawn } from "node:child_process";
import { chromium, type Page } from "@playwright/test";
import { openClosedTrees } from "../e2e/closed-trees";

const PORT = "4391";
/** Where the built application is served while a benchmark runs. */
export const ADDRESS = `http://127.0.0.1:${PORT}`;

/** Serves the built application, opens it with the demo course in a fresh Chromium, and drives it. */
export async function inApplication<T>(drive: (page: Page) => Promise<T>, timeout: number): Promise<T> {
  const server = spawn(process.execPath, ["scripts/serve.mjs"], { env: { ...process.env, PORT }, stdio: "pipe" });
  await new Promise((resolve) => server.stdout.once("data", resolve));
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu"],
  });
  try {
    // What is kept for use without the server is no part of what is measured.
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: "block" });
    page.setDefaultTimeout(timeout);
    await openClosedTrees(page);
    await page.goto(`${ADDRESS}/`);
    await page.waitForURL(/courses/);
    return await drive(page);
  } finally {
    await browser.close();
    server.kill();
  }
}
