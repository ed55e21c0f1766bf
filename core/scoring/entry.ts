import { ok, parseDecimal, refuse, type Decimal, type Result } from "#core/kernel";
import type { ScoreIssue } from "./issues";

/** What a person typed into a cell, understood but not yet checked against the assignment. */
export type CellEntry =
  | { readonly kind: "score"; readonly points: Decimal; readonly unitsLate: number | null }
  | { readonly kind: "late"; readonly unitsLate: number }
  | { readonly kind: "missing" }
  | { readonly kind: "excused" }
  | { readonly kind: "clear" };

/** Most units of lateness that can be entered by hand. */
const MOST_UNITS_LATE = 999;

/**
 * Reads the entry language: `18`, `18 l2` (late by two units), `l2`, `m` missing, `x` excused, `-` or nothing to clear.
 * Case and spaces do not matter.
 */
export function parseEntry(text: string): Result<CellEntry, ScoreIssue> {
  const typed = text.trim().toLowerCase();
  if (typed === "" || typed === "-") return ok({ kind: "clear" });
  if (typed === "m") return ok({ kind: "missing" });
  if (typed === "x") return ok({ kind: "excused" });
  const late = /^(.*?)\s*l\s*([^\sl]*)$/.exec(typed);
  if (!late) return scoreOf(typed, null);
  const units = late[2] ?? "";
  if (!/^\d+$/.test(units) || Number(units) > MOST_UNITS_LATE) {
    return refuse({ code: "late_units_not_whole", text: text.trim() });
  }
  const score = late[1] ?? "";
  return score === "" ? ok({ kind: "late", unitsLate: Number(units) }) : scoreOf(score, Number(units));
}

function scoreOf(text: string, unitsLate: number | null): Result<CellEntry, ScoreIssue> {
  const points = parseDecimal(text);
  if (points.ok) return ok({ kind: "score", points: points.value, unitsLate });
  const looksLikeFigure = /\d/.test(text) || points.issue.code !== "not_a_number";
  return refuse(looksLikeFigure ? points.issue : { code: "entry_not_understood", text });
}
