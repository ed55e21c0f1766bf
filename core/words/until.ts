import { counted } from "./counted";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** `3 hours`, `2 days`, `40 minutes`: how long something is, in the largest unit that still tells; milliseconds, above 0. */
export function spanWords(span: number): string {
  if (span >= 2 * DAY) return counted(Math.floor(span / DAY), "day");
  if (span >= 2 * HOUR) return counted(Math.floor(span / HOUR), "hour");
  return counted(Math.max(1, Math.floor(span / MINUTE)), "minute");
}
