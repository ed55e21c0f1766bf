import { inMark } from "../../ui/words/figures";
import type { NotComputable, Statistic } from "#core/statistics";

/** Why a statistic has no value, in words after "not computable: ". */
export function whyNot(issue: NotComputable): string {
  switch (issue.code) {
    case "too_few":
      return `needs ${String(issue.least)}, there ${issue.given === 1 ? "is" : "are"} ${String(issue.given)}`;
    case "no_variance":
      return "all the same, so nothing varies";
    case "one_category_only":
      return "one level only was used";
    case "not_a_number":
      return "a figure is missing";
    case "lengths_differ":
      return "the lists are not of one length";
  }
}

/** A figure to so many places, with a true minus. */
export const fixed = (value: number, places = 1): string =>
  inMark(
    value
      .toFixed(places)
      .replace(/^-(?=.*[1-9])/, "−")
      .replace(/^-/, ""),
  );

/** The same without zeros nobody needs. */
export const short = (value: number, places = 1): string => fixed(value, places).replace(/[.,]0+$|([.,]\d*?)0+$/, "$1");

/** A statistic to so many places; a dash where there is none. */
export const told = (found: Statistic, places = 1): string => (found.ok ? fixed(found.value, places) : "–");

/** What a cell without a value says when it is asked. */
export const toldWhy = (found: Statistic): string | undefined =>
  found.ok ? undefined : `Not computable: ${whyNot(found.issue)}`;

/** What chance has to do with a difference, plainly. */
export function chanceWords(chance: number): string {
  if (chance < 0.01) return "more than chance would do";
  if (chance < 0.05) return "hardly by chance";
  return "within chance";
}
