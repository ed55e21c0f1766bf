import { keptBy, type Instant } from "#core/kernel";

/** Ways of writing a moment. */
const WAYS = {
  day: { day: "numeric", month: "short", year: "numeric" },
  moment: { weekday: "short", day: "numeric", month: "short", year: "numeric", hour: "2-digit", minute: "2-digit" },
  longMoment: { dateStyle: "long", timeStyle: "short" },
  longDay: { dateStyle: "long" },
} as const satisfies Readonly<Record<string, Intl.DateTimeFormatOptions>>;
type Way = keyof typeof WAYS;

/** Making a format costs more than using it a hundred times; there are few time zones in one course. */
const formatOf = keptBy({
  part: (way: Way, timeZone: string) => `${way} ${timeZone}`,
  make: (_, way, timeZone) => new Intl.DateTimeFormat("en-GB", { ...WAYS[way], timeZone }),
});

const formatted = (way: Way, instant: string, timeZone: string): string =>
  // Three letters for every month, so that dates stand in line, and one comma at most.
  formatOf(way, timeZone)
    .format(new Date(instant))
    .replace(/\bSept\b/, "Sep")
    .replace(/^(\p{L}+),/u, "$1");

/** `23 Oct 2026`, in the course's time zone. */
export const dayText = (instant: Instant | string, timeZone: string): string => formatted("day", instant, timeZone);

/** `Fri 23 Oct 2026, 18:00`, in the course's time zone. */
export const momentText = (instant: Instant | string, timeZone: string): string =>
  formatted("moment", instant, timeZone);

/** `23 October 2026 at 18:00`: a moment in a letter, a copy or a report. */
export const longMomentText = (instant: Instant | string, timeZone: string): string =>
  formatted("longMoment", instant, timeZone);

/** `23 October 2026`. */
export const longDayText = (instant: Instant | string, timeZone: string): string =>
  formatted("longDay", instant, timeZone);
