import { ok, refuse, type Result } from "#core/kernel";

/** Why a statistic has no value. It is said, never shown as 0, 1 or NaN (handbook, section 9). */
export type NotComputable =
  | { readonly code: "too_few"; readonly least: number; readonly given: number }
  | { readonly code: "no_variance" }
  | { readonly code: "one_category_only" }
  | { readonly code: "not_a_number" }
  | { readonly code: "lengths_differ" };

/** A statistic, or why there is none. */
export type Statistic<T = number> = Result<T, NotComputable>;

/** A statistic that has a value. */
export const computed = <T>(value: T): Statistic<T> => ok(value);
/** A statistic that has none, with the reason. */
export const notComputable = (issue: NotComputable): Statistic<never> => refuse(issue);

/** A finite number, or the reason given. */
export const finite = (value: number, otherwise: NotComputable): Statistic =>
  Number.isFinite(value) ? ok(value) : refuse(otherwise);

/** Refuses lists that are too short or hold something that is not a number. */
export function checkNumbers(values: readonly number[], least: number): Statistic<readonly number[]> {
  if (!values.every((value) => Number.isFinite(value))) return refuse({ code: "not_a_number" });
  return values.length < least ? refuse({ code: "too_few", least, given: values.length }) : ok(values);
}
