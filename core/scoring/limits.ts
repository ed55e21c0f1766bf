import { compare, fromDecimal, ok, refuse, ZERO, type Decimal, type Result } from "#core/kernel";
import type { Assignment } from "#core/model";
import type { ScoreIssue } from "./issues";

/** Checks a whole score against its assignment. Above the maximum it is asked once, unless the assignment allows it. */
export function checkScore(
  points: Decimal,
  assignment: Pick<Assignment, "points" | "aboveAllowed" | "bonus">,
  confirmed: boolean,
): Result<Decimal, ScoreIssue> {
  const value = fromDecimal(points);
  if (compare(value, ZERO) < 0) return refuse({ code: "score_below_zero", text: points });
  const unlimited = assignment.aboveAllowed || confirmed || (assignment.bonus && assignment.points === "0");
  if (!unlimited && compare(value, fromDecimal(assignment.points)) > 0) {
    return refuse({ code: "score_above_maximum", text: points, maximum: assignment.points, canConfirm: true });
  }
  return ok(points);
}
