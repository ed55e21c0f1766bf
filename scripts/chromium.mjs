// Which Chromium tests and tries run in.
import { existsSync } from "node:fs";

/** Debian's Chromium without the parts that draw a window: pages open in half the time, and what it keeps, it keeps the same way. */
const WITHOUT_WINDOW = "/usr/bin/chromium-headless-shell";

export const CHROMIUM = existsSync(WITHOUT_WINDOW) ? WITHOUT_WINDOW : "/usr/bin/chromium";
