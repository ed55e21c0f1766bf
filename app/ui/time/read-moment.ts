import { readDate } from "#core/formats";
import { dayText, momentText } from "#core/words";
import { datesOrder } from "../words/figures";

/** Whether a field asks for a day alone, or for a day and a time of it. */
export type Precision = "day" | "moment";

/** What a typed day without a time of day means: its beginning or its end. */
export type DayEdge = "start" | "end";

/** A wall-clock moment (`2026-11-30T08:00`, or the day alone) as it is written everywhere; empty stays empty. */
export function wallWords(value: string, precision: Precision): string {
  if (Number.isNaN(Date.parse(`${value.slice(0, 10)}T12:00:00Z`))) return value;
  return precision === "day" ? dayText(`${value.slice(0, 10)}T12:00:00Z`, "UTC") : momentText(`${value}:00Z`, "UTC");
}

/**
 * Reads what was typed into a field for dates, such as `14 Sep 18:00`, `14.9.`, `2026-09-14`, or `14/9` in the
 * order of the course. Empty stays empty; null where
 * it is no date. `today`: the day from which a date without a year is counted.
 */
export function readWall(text: string, precision: Precision, edge: DayEdge, today: string): string | null {
  const typed = text.trim().replace(/^(\d{4}-\d{2}-\d{2})T/i, "$1 ");
  if (typed === "") return "";
  const moment = readDate(typed, today, datesOrder());
  if (moment === null) return null;
  if (precision === "day") return moment.slice(0, 10);
  return edge === "start" && !/\d:\d\d$/.test(typed) ? `${moment.slice(0, 10)}T00:00` : moment;
}

/** What is said where no date can be read. */
export const notADate = (text: string, precision: Precision): string =>
  `"${text}" is no date. Type it such as ${precision === "day" ? "14 Sep or 14.9.2026" : "14 Sep 18:00 or 14.9.2026"}.`;

/** Today by this computer's clock. */
export function today(): string {
  const now = new Date();
  const two = (count: number) => String(count).padStart(2, "0");
  return `${String(now.getFullYear())}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/** A chosen day at the time of day that stood there, else at the day's edge. */
export const withTime = (day: string, before: string, edge: DayEdge): string =>
  `${day}T${before.slice(11) || (edge === "start" ? "00:00" : "23:59")}`;
