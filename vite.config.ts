import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig, type Plugin } from "vite";
import { loadedTogether } from "./loaded-together";

/** The news package puts a style element into the page, which the policy forbids; its sheet is shipped with ours. */
const newsWithoutInlineStyles: Plugin = {
  name: "news-without-inline-styles",
  transform(code, id) {
    if (!/\/sonner\/dist\/index\.mjs/.test(id)) return null;
    const plain = code.replace(/^__insertCSS\(.*$/m, "");
    if (plain === code) this.error("sonner inserts its styles in another way now: see newsWithoutInlineStyles");
    return { code: plain, map: null };
  },
};

const together = loadedTogether({
  ends: {
    always: /app\/(entry\.client\.tsx|root\.tsx\?__react-router-build-client-route)$/,
    course: /app\/routes\/(course|board)\/page\.tsx\?(__react-router-build-client-route|route-chunk=.*)$/,
  },
  shared: { parts: 10, fields: 5 },
});

export default defineConfig({
  plugins: [together.plugin, newsWithoutInlineStyles, tailwindcss(), reactRouter()],
  resolve: {
    tsconfigPaths: true,
    // The dialog package's own way needs inline styles, which the policy forbids; see there.
    alias: { "react-style-singleton": new URL("./app/ui/dialogs/page-still.ts", import.meta.url).pathname },
  },
  worker: { format: "es" },
  build: {
    sourcemap: false,
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: together.fileOf }] } } },
  },
  optimizeDeps: { entries: ["app/**/*.{ts,tsx}", "!app/**/*.test.*"] },
});
