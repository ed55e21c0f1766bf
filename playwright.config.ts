import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "./scripts/chromium.mjs";

const PORT = 4391;

export default defineConfig({
  testDir: "e2e",
  testIgnore: "screenshots/**",
  // Journeys of one file go on in one page (e2e/helpers.ts).
  fullyParallel: false,
  workers: 2,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  forbidOnly: true,
  reporter: [["list"], ["json", { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? "test-results/e2e.json" }]],
  outputDir: "test-results/e2e",
  use: {
    baseURL: `http://127.0.0.1:${String(PORT)}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: "Europe/Berlin",
    locale: "en-GB",
    // One journey is about working without the server; the others do not fetch all of it each time.
    serviceWorkers: "block",
    actionTimeout: 10_000,
    // A trace costs every journey a sixth of its time, and a picture of those that fail is taken of all that pass, too;
    // where they are wanted: --trace retain-on-failure. What the page held when a journey failed is written down anyway.
    trace: "off",
    screenshot: "off",
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        // A journey is too short for a process that only draws.
        "--in-process-gpu",
        // Both cores are busy already: collecting and compiling beside the page costs more there than it takes off it.
        "--js-flags=--single-threaded",
      ],
    },
  },
  webServer: {
    command: "node scripts/serve.mjs",
    url: `http://127.0.0.1:${String(PORT)}/`,
    env: { PORT: String(PORT) },
    reuseExistingServer: false,
  },
});
