import type { DateOrder } from "#core/model";

/** A wall-clock date and time without a time zone: `2026-09-14T18:00`, as date fields of forms spell it. */
export type LocalMoment = string;

const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
/** Work without a time of day is due at the end of it. */
const END_OF_DAY = "23:59";
const DAY = 86_400_000;
/** A date without a year is the one that lies at most this many days back, else the next one. */
const DAYS_BACK = 92;

const pad = (count: number) => String(count).padStart(2, "0");
const isoDay = (at: number) => new Date(at).toISOString().slice(0, 10);

function validDay(year: number, month: number, day: number): number | null {
  const at = Date.UTC(year, month, day);
  const made = new Date(at);
  return made.getUTCMonth() === month && made.getUTCDate() === day ? at : null;
}

function nearest(month: number, day: number, today: string): number | null {
  const now = Date.parse(`${today}T00:00:00Z`);
  const year = new Date(now).getUTCFullYear();
  const days = [year - 1, year, year + 1, year + 2, year + 3, year + 4].map((one) => validDay(one, month, day));
  return days.find((at) => at !== null && at >= now - DAYS_BACK * DAY) ?? null;
}

/**
 * Reads a date as people write it: `14 Sep`, `Sep 14`, `14 September 2026 18:00`, `2026-09-14`, `14.9.`, `14.9.2026`, and
 * `14/9` or `9/14/2026` in the order of the course. Null when it is none; the other order is never tried. A date without a
 * year is the next one, counted from three months before `today` (`2026-09-01`).
 */
export function readDate(text: string, today: string, order: DateOrder = "day"): LocalMoment | null {
  const typed = text.trim().toLowerCase().replace(/\s+/g, " ");
  const match = /^(.*?)(?:,? (?:at )?(\d{1,2}):(\d\d))?$/.exec(typed);
  const hour = Number(match?.[2] ?? 0);
  const minute = Number(match?.[3] ?? 0);
  if (!match || hour > 23 || minute > 59) return null;
  const day = readDay(match[1] ?? "", today, order);
  return day === null ? null : `${isoDay(day)}T${match[2] === undefined ? END_OF_DAY : `${pad(hour)}:${pad(minute)}`}`;
}

function readDay(text: string, today: string, order: DateOrder): number | null {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
  if (iso) return validDay(Number(iso[1]), Number(iso[2]) - 1, Number(iso[3]));
  const dotted = /^(\d{1,2})\.\s?(\d{1,2})\.(?:\s?(\d{4}))?$/.exec(text);
  if (dotted) return dayOf(Number(dotted[2]) - 1, Number(dotted[1]), dotted[3], today);
  const slashed = /^(\d{1,2})\/(\d{1,2})(?:\/(\d{4}))?$/.exec(text);
  if (slashed) {
    const [first, second] = [Number(slashed[1]), Number(slashed[2])];
    const [month, day] = order === "month" ? [first, second] : [second, first];
    return dayOf(month - 1, day, slashed[3], today);
  }
  const named =
    /^(?:(?:mon|tue|wed|thu|fri|sat|sun)[a-z]* )?(\d{1,2})(?:st|nd|rd|th)? ([a-z]{3,9})\.?(?: (\d{4}))?$/.exec(text);
  if (named) return dayOf(monthOf(named[2] ?? ""), Number(named[1]), named[3], today);
  const turned = /^([a-z]{3,9})\.? (\d{1,2})(?:st|nd|rd|th)?(?:,? (\d{4}))?$/.exec(text);
  return turned ? dayOf(monthOf(turned[1] ?? ""), Number(turned[2]), turned[3], today) : null;
}

const monthOf = (name: string): number => MONTHS.findIndex((month) => name.startsWith(month));

function dayOf(month: number, day: number, year: string | undefined, today: string): number | null {
  if (month < 0 || month > 11) return null;
  return year === undefined ? nearest(month, day, today) : validDay(Number(year), month, day);
}

/** A wall-clock moment some days on, at the same time of day. */
export function daysOn(moment: LocalMoment, days: number): LocalMoment {
  const [day = "", time = ""] = moment.split("T");
  return `${isoDay(Date.parse(`${day}T00:00:00Z`) + days * DAY)}T${time}`;
}
