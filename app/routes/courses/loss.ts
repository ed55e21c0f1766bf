import { recordsOf, studentsOf, type CourseState } from "#core/model";
import { counted } from "#core/words";

/** What goes when a course is deleted, in words. */
export function lossOf(state: CourseState): string {
  const scored = recordsOf(state, "results").filter(
    ({ score, setByHand, levelId, decision }) => score ?? setByHand ?? levelId ?? decision,
  ).length;
  const judged = recordsOf(state, "judgements").filter(({ points }) => points !== null).length;
  const parts = [
    counted(studentsOf(state).length, "student"),
    counted(Object.keys(state.assignments).length, "assignment"),
    counted(recordsOf(state, "handIns").length, "hand-in"),
    counted(scored, "typed score"),
    counted(judged, "judged criterion", "judged criteria"),
    counted(Object.keys(state.notes).length, "note"),
  ];
  return parts.join(", ");
}
