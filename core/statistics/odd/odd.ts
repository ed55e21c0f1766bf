import { fromDecimal, keptBy, toNumber } from "#core/kernel";
import { cutAt, judgementOf, rubricOf, type Assignment, type CourseState } from "#core/model";
import { assignmentBasis } from "#core/totals";
import { criteriaOf, type JudgingOrder } from "../class/criteria";
import { markedPapers, type Scorings } from "../class/marked";
import { questionFigures } from "../class/questions";
import { driftOddities, keyOddities, levelOddities } from "./class-oddities";
import { farFromOwnWork } from "./far-from-own-work";
import { ODD_CODES, type Oddity } from "./oddity";
import { paperOddities } from "./paper-oddities";

/** Everything of an assignment that is worth a second look, in the order it is listed. */
export function oddOf(
  state: CourseState,
  assignment: Assignment,
  scorings: Scorings,
  order: JudgingOrder,
): readonly Oddity[] {
  const isPointed = !assignment.bonus && fromDecimal(assignment.points).n > 0n;
  const far = isPointed ? farFromOwnWork(state, assignment) : [];
  return [
    ...oddInItself(state, assignment, scorings, order),
    ...far.map((one): Oddity => ({ code: "far_from_own_work", ...one })),
  ].sort((a, b) => ODD_CODES.indexOf(a.code) - ODD_CODES.indexOf(b.code));
}

/** What is odd of an assignment whatever the students did elsewhere; looked for again only when something of it changes. */
const oddInItself = keptBy({
  owner: (_: CourseState, assignment: Assignment, _scorings: Scorings, _order: JudgingOrder) => assignment,
  basis: (state, assignment, scorings) => ({
    ...assignmentBasis(state, assignment),
    scorings,
    notes: state.notes,
    releases: state.releases,
    copies: cutAt(state, "copies", assignment.id),
  }),
  make: (_, ...given) => lookedFor(...given),
});

function lookedFor(
  state: CourseState,
  assignment: Assignment,
  scorings: Scorings,
  order: JudgingOrder,
): readonly Oddity[] {
  const papers = markedPapers(state, assignment, scorings);
  const figures = criteriaOf(state, assignment, scorings, order);
  const criteria = rubricOf(state, assignment)?.criteria ?? [];
  const rows = papers.flatMap(({ studentId }) => {
    const points = criteria.flatMap(({ id }) => {
      const given = judgementOf(state, assignment.id, studentId, id);
      return given.points === null || given.notApplicable ? [] : [toNumber(fromDecimal(given.points))];
    });
    return points.length === criteria.length ? [{ studentId, points }] : [];
  });
  return [
    ...keyOddities(questionFigures(state, assignment)),
    ...driftOddities(figures, papers, scorings, toNumber(fromDecimal(assignment.points))),
    ...levelOddities(figures, rows),
    ...papers.flatMap((paper) => paperOddities(state, assignment, paper, scorings)),
  ];
}
