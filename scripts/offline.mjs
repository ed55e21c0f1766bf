// Writes the service worker: with it the application opens and every screen works while its server does not answer.
import { generateSW } from "workbox-build";
import { at } from "./shell.mjs";

/** Largest file that is kept for use without the server, in bytes; the largest of ours is a sixth of it. */
const MOST_BYTES = 8_000_000;

/**
 * All files of the build are kept under their sums, none is fetched when it is first needed: what works with the server works
 * without. A new version is fetched whole beside the old one and takes over when it is told to, or when no tab is open.
 */
export async function writeServiceWorker(folder = at("build", "client")) {
  const { count, size, warnings } = await generateSW({
    globDirectory: folder,
    globPatterns: ["**/*"],
    globIgnores: ["sw.js"],
    swDest: `${folder}/sw.js`,
    navigateFallback: "/index.html",
    directoryIndex: null,
    cleanupOutdatedCaches: true,
    skipWaiting: false,
    clientsClaim: false,
    inlineWorkboxRuntime: true,
    sourcemap: false,
    // Files under assets carry a sum in their name.
    dontCacheBustURLsMatching: /^assets\//,
    maximumFileSizeToCacheInBytes: MOST_BYTES,
  });
  if (warnings.length > 0) throw new Error(`the service worker would lack files: ${warnings.join("; ")}`);
  return { count, size };
}

if (process.argv[1] === at("scripts", "offline.mjs")) {
  const { count, size } = await writeServiceWorker();
  console.log(`${count} files, ${(size / 1e6).toFixed(1)} MB, are kept for use without the server`);
}
