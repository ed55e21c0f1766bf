import type { Instant } from "../../kernel";

/** A copy of a course that lies in a folder. */
export interface KeptCopy {
  readonly name: string;
  readonly at: Instant;
}

/** The newest copies that stay whatever their age. */
const NEWEST = 5;
/** Days of which the last copy stays. */
const DAYS = 7;
const DAY = 86_400_000;
/** 1 January 1970 was a Thursday: weeks begin on Monday (ISO 8601). */
const MONDAY = 3;

const dayOf = (at: Instant): number => Math.floor(Date.parse(at) / DAY);
const weekOf = (at: Instant): number => Math.floor((dayOf(at) + MONDAY) / 7);

/** `summer-2026-11-30-0815.zip`: the name of a copy made at a moment, which sorts by time. */
export const copyName = (stem: string, at: Instant): string =>
  `${stem}-${at.slice(0, 10)}-${at.slice(11, 13)}${at.slice(14, 16)}.zip`;

/** The copy a file is by its name; null for a file that no copy of this course is named like. */
export function keptCopy(stem: string, name: string): KeptCopy | null {
  if (!name.startsWith(`${stem}-`)) return null;
  const [, day, hours, minutes] = /^(\d{4}-\d{2}-\d{2})-(\d{2})(\d{2})\.zip$/.exec(name.slice(stem.length + 1)) ?? [];
  const at = `${day ?? ""}T${hours ?? ""}:${minutes ?? ""}:00.000Z`;
  return day === undefined || Number.isNaN(Date.parse(at)) ? null : { name, at: at as Instant };
}

/**
 * Copies that may go, now that there are newer ones: all but the newest five, the last of each of seven days up to the
 * newest, and the last of each week.
 */
export function copiesToDrop(copies: readonly KeptCopy[]): readonly KeptCopy[] {
  const newestFirst = [...copies].sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
  const [newest] = newestFirst;
  if (!newest) return [];
  const days = new Set<number>();
  const weeks = new Set<number>();
  return newestFirst.filter(({ at }, place) => {
    const [day, week] = [dayOf(at), weekOf(at)];
    const isDays = !days.has(day) && dayOf(newest.at) - day < DAYS;
    const isWeeks = !weeks.has(week);
    days.add(day);
    weeks.add(week);
    return place >= NEWEST && !isDays && !isWeeks;
  });
}
