import type { Instant } from "#core/kernel";

/** Making a format costs more than using it a hundred times; there are few time zones in one course. */
const formats = new Map<string, Intl.DateTimeFormat>();

function formatted(instant: string, timeZone: string, kind: string, options: Intl.DateTimeFormatOptions): string {
  const key = `${kind} ${timeZone}`;
  let format = formats.get(key);
  if (!format) {
    format = new Intl.DateTimeFormat("en-GB", { ...options, timeZone });
    formats.set(key, format);
  }
  // Three letters for every month, so that dates stand in line, and one comma at most.
  return format
    .format(new Date(instant))
    .replace(/\bSept\b/, "Sep")
    .replace(/^(\p{L}+),/u, "$1");
}

/** `23 Oct 2026`, in the course's time zone. */
export const dayText = (instant: Instant | string, timeZone: string): string =>
  formatted(instant, timeZone, "day", { day: "numeric", month: "short", year: "numeric" });

/** `Fri 23 Oct 2026, 18:00`, in the course's time zone. */
export const momentText = (instant: Instant | string, timeZone: string): string =>
  formatted(instant, timeZone, "moment", {
    weekday: "short",
    day: "numeric",
    month: "short",
    year: "numeric",
    hour: "2-digit",
    minute: "2-digit",
  });

/** `23 October 2026 at 18:00`: a moment in a letter, a copy or a report. */
export const longMomentText = (instant: Instant | string, timeZone: string): string =>
  formatted(instant, timeZone, "long moment", { dateStyle: "long", timeStyle: "short" });

/** `23 October 2026`. */
export const longDayText = (instant: Instant | string, timeZone: string): string =>
  formatted(instant, timeZone, "long day", { dateStyle: "long" });
