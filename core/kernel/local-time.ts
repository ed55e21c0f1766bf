import { TZDate } from "@date-fns/tz";
import type { Instant } from "./ids";
import { keptBy } from "./kept-by";

/** How far clocks are set back anywhere, in milliseconds. */
const SET_BACK = [3_600_000, 1_800_000] as const;

const localFormat = keptBy({
  part: (timeZone: string) => timeZone,
  make: (_, timeZone) => new Intl.DateTimeFormat("sv-SE", { dateStyle: "short", timeStyle: "short", timeZone }),
});

/** A moment as the text of a date-and-time field, in the course's time zone: `2026-10-23T18:00`. */
export function toLocalText(instant: string | null, timeZone: string): string {
  return instant === null ? "" : localFormat(timeZone).format(new Date(instant)).replace(" ", "T");
}

/**
 * Reads the text of a date-and-time field as local time of the course; null when it is not complete. A time that comes
 * twice, because clocks are set back, is the first of the two.
 */
export function fromLocalText(text: string, timeZone: string): Instant | null {
  const match = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)$/.exec(text);
  if (!match) return null;
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0] = match.slice(1).map(Number);
  const local = new TZDate(year, month - 1, day, hour, minute, timeZone);
  const first = SET_BACK.map((back) => new TZDate(local.getTime() - back, timeZone)).find(
    (earlier) => earlier.getHours() === local.getHours() && earlier.getMinutes() === local.getMinutes(),
  );
  return new Date((first ?? local).getTime()).toISOString() as Instant;
}

/** The date of a moment in the course's time zone: `2026-10-23`. */
export const localToday = (instant: string, timeZone: string): string => toLocalText(instant, timeZone).slice(0, 10);

/**
 * A time as a list gives it: in UTC or with its own distance from it, `2026-10-23T16:00Z`, or as the course's own clock
 * says, `2026-10-23 18:00`; null where it is neither.
 */
export function momentOf(text: string, timeZone: string): Instant | null {
  const written = text.trim();
  const utc = /Z$|[+-]\d\d:?\d\d$/.test(written) ? Date.parse(written) : NaN;
  if (Number.isNaN(utc)) return fromLocalText(written.replace(" ", "T").slice(0, 16), timeZone);
  return new Date(utc).toISOString() as Instant;
}
