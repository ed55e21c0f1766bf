import { defineConfig } from "vitest/config";

/** For the mutation tests only: what is mutated lies in totals and release, and their own tests must notice. */
export default defineConfig({
  test: {
    include: ["core/{totals,release}/**/*.test.ts"],
    environment: "node",
    setupFiles: ["core/testing/properties.ts"],
  },
});
