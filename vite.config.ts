import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [tailwindcss(), reactRouter()],
  resolve: {
    tsconfigPaths: true,
    // The dialog package's own way needs inline styles, which the policy forbids; see there.
    alias: { "react-style-singleton": new URL("./app/ui/dialogs/page-still.ts", import.meta.url).pathname },
  },
  worker: { format: "es" },
  build: { sourcemap: false },
  optimizeDeps: { entries: ["app/**/*.{ts,tsx}", "!app/**/*.test.*"] },
});
