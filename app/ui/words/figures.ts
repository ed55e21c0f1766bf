import type { Course, DateOrder, DecimalMark } from "#core/model";
import { withMark } from "#core/words";

/** How the course of this tab writes its figures and reads its dates: a tab shows one course at a time. */
let manner: Pick<Course, "decimalMark" | "dateOrder"> = { decimalMark: "point", dateOrder: "day" };

/** Says how the course that is opened writes figures and reads dates. */
export const writeAs = (course: Pick<Course, "decimalMark" | "dateOrder">): void => {
  manner = course;
};

/** How figures are written now. */
export const figuresMark = (): DecimalMark => manner.decimalMark;

/** What the first figure of a typed date is now. */
export const datesOrder = (): DateOrder => manner.dateOrder;

/** A figure, or words of our own around figures, as the course writes it; never words that a person wrote. */
export function inMark(text: string): string;
export function inMark(text: string | null): string | null;
export function inMark(text: string | null): string | null {
  return text === null ? null : withMark(text, manner.decimalMark);
}

/** What a CSV of the course says of itself, beside the button that makes it. */
export const CSV_WORDS: Readonly<Record<DecimalMark, string>> = {
  point: "CSV: decimals behind a point, columns parted by commas.",
  comma: "CSV: decimals behind a comma, columns parted by semicolons.",
};
