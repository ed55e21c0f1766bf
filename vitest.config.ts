import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["{app,core,storage,workers,demo,server}/**/*.test.{ts,tsx}"],
    environment: "node",
    setupFiles: ["core/testing/properties.ts"],
  },
});
