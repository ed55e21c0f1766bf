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
