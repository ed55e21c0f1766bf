import { compare, decimal, fromDecimal, ok, refuse, ZERO, type Decimal, type Result } from "#core/kernel";
import type { Assignment } from "#core/model";
import type { ScoreIssue } from "./issues";

/** What a figure is typed out of: the points, or 100 where the assignment is scored in percent. */
const typedMaximum = ({ scoredIn, points }: Pick<Assignment, "scoredIn" | "points">): Decimal =>
  scoredIn.kind === "percent" ? decimal("100") : points;

/** Checks a whole score against its assignment. Above the maximum it is asked once, unless the assignment allows it. */
export function checkScore(
  points: Decimal,
  assignment: Pick<Assignment, "points" | "aboveAllowed" | "bonus" | "scoredIn">,
  confirmed: boolean,
): Result<Decimal, ScoreIssue> {
  const value = fromDecimal(points);
  const maximum = typedMaximum(assignment);
  if (compare(value, ZERO) < 0) return refuse({ code: "score_below_zero", text: points });
  const unlimited = assignment.aboveAllowed || confirmed || (assignment.bonus && assignment.points === "0");
  if (!unlimited && compare(value, fromDecimal(maximum)) > 0) {
    return refuse({ code: "score_above_maximum", text: points, maximum, canConfirm: true });
  }
  return ok(points);
}
