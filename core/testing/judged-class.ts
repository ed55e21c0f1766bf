import type { Command } from "#core/changes";
import { required, type AssignmentId, type StudentId } from "#core/kernel";
import type { CourseState, Facet } from "#core/model";
import { visibleTo } from "#core/release";
import { assignmentId, criterionId, fileId, run, smallCourse, studentId } from "./builders";

/** One student's paper. */
interface PaperPlace {
  readonly assignmentId: AssignmentId;
  readonly studentId: StudentId;
}

/** The small course with Ada judged, commented and noted on the essay, Ben missing, Cleo excused; with what asks for it. */
export function judgedClass() {
  const essay = assignmentId("essay");
  const paperOf = (slug: string): PaperPlace => ({ assignmentId: essay, studentId: studentId(slug) });
  const [ada, ben, cleo] = [paperOf("ada"), paperOf("ben"), paperOf("cleo")];
  const judgeAll = (place: PaperPlace, ...texts: string[]): Command[] =>
    ["record", "reasoning", "writing"].map((criterion, index) => ({
      type: "judge",
      ...place,
      criterionId: criterionId(criterion),
      verdict: { kind: "points", text: texts[index] ?? "0" },
    }));
  const judged = run(
    smallCourse(),
    ...judgeAll(ada, "15.5", "17", "8"),
    { type: "setComment", ...ada, facing: "student", text: "Well argued." },
    { type: "setComment", ...ada, facing: "private", text: "SECRET of the marker" },
    {
      type: "addNote",
      ...ada,
      fileId: fileId("ada"),
      mark: "highlight",
      target: { kind: "passage", page: 1, start: 0, end: 3, exact: "The", prefix: "", suffix: " river" },
      criterionId: criterionId("record"),
      body: "Good: you name it.",
    },
    { type: "setStanding", ...ben, decision: "missing" },
    { type: "setStanding", ...cleo, decision: "excused" },
  );
  return {
    essay,
    ada,
    ben,
    cleo,
    judgeAll,
    judged,
    essayOf: (state: CourseState) => required(state.assignments[essay], "essay"),
    student: (state: CourseState, place: PaperPlace) => required(state.students[place.studentId], "student"),
    seen: (state: CourseState, place = ada) => visibleTo(state, place.studentId),
    release: (...facets: Facet[]) => ({ type: "release", assignmentId: essay, facets }) as const,
  };
}
