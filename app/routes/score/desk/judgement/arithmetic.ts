import { add, compare, fromDecimal, isZero, pointsText } from "#core/kernel";
import type { Assignment } from "#core/model";
import type { Figure } from "#core/totals";
import { latenessWords } from "#core/words";
import { inMark } from "../../../../ui/words/figures";

/** The sum under the rulers in plain words: `41.5 of 50 -> 83`, `2 days late: -10 -> 73`, and the figure itself. */
export function arithmeticWords(
  figure: Figure,
  assignment: Pick<Assignment, "points">,
  unitHours: number,
): { readonly first: string; readonly second: string; readonly total: string } {
  const total = figure.counted ? inMark(pointsText(figure.counted)) : "–";
  const { rubric } = figure;
  const first = rubric ? rubricWords(rubric, assignment) : "";
  const late = figure.unitsLate > 0 ? `${latenessWords(figure.unitsLate, unitHours)} late` : "";
  if (figure.source === "setByHand") {
    const beside = figure.computed ? `the rules give ${inMark(pointsText(figure.computed))}` : "nothing computed yet";
    return { first, second: `Set by hand; ${beside}`, total };
  }
  if (figure.standing === "missing")
    return { first, second: figure.counted ? `Missing: counts ${total}` : "Missing: nothing yet", total };
  if (figure.standing === "excused") return { first, second: "Excused: counts nowhere", total: "–" };
  const typed = figure.source === "typed" && rubric ? "Typed score; " : "";
  if (late === "") return { first, second: typed ? `${typed}the rulers do not change it` : "", total };
  if (figure.score === null) return { first, second: `${late}: the rule takes off points when complete`, total };
  const cut = isZero(figure.deduction) ? "no deduction" : `−${inMark(pointsText(figure.deduction))}`;
  return { first, second: `${typed}${late}: ${inMark(pointsText(figure.score))} ${cut} → ${total}`, total };
}

function rubricWords(rubric: NonNullable<Figure["rubric"]>, assignment: Pick<Assignment, "points">): string {
  const given = inMark(pointsText(rubric.given));
  if (rubric.open > 0 && rubric.judgedMaximum.n === 0n) return `${inMark(pointsText(rubric.openMaximum))} points open`;
  if (rubric.open > 0)
    return `${given} of ${inMark(pointsText(rubric.judgedMaximum))} so far · ${inMark(pointsText(rubric.openMaximum))} open`;
  if (!rubric.score) return "No criterion applies";
  const maximum = add(rubric.judgedMaximum, rubric.openMaximum);
  const same = compare(maximum, fromDecimal(assignment.points)) === 0;
  return `${given} of ${inMark(pointsText(maximum))}${same ? "" : ` → ${inMark(pointsText(rubric.score))} of ${inMark(assignment.points)}`}`;
}
