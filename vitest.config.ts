import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["{app,core,storage,workers,demo,server,scripts}/**/*.test.{ts,tsx}"],
    environment: "node",
    // A property over hundreds of courses takes seconds on a busy machine; how long is no verdict on the figures.
    testTimeout: 60_000,
    // Every core of the machine; and a worker reads the modules once, not anew for each file: tests leave nothing behind
    // in them. Together a third of the time.
    maxWorkers: "100%",
    isolate: false,
    setupFiles: ["core/testing/properties.ts"],
  },
});
