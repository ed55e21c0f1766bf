import { parseDecimal, type Decimal } from "#core/kernel";
import type { Course } from "#core/model";

/** The rules of a course as they are being edited; kept only when they are applied. */
export type Rules = Pick<
  Course,
  | "lateRule"
  | "missingPercent"
  | "letters"
  | "passMark"
  | "percentPlaces"
  | "lettersCompare"
  | "emptyCategories"
  | "capAtHundred"
  | "totalsRestOn"
  | "totals"
>;

/** Changes some of the rules being edited. */
export type EditRules = (fields: Partial<Rules>) => void;

/** A typed percentage that is 0 or more; null for nothing typed, undefined where it is no such figure. */
export function readPercent(text: string): Decimal | null | undefined {
  if (text.trim() === "") return null;
  const read = parseDecimal(text);
  return read.ok && !read.value.startsWith("-") ? read.value : undefined;
}
