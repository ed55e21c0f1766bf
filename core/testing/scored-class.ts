import type { Command } from "#core/changes";
import type { AssignmentId, Id, StudentId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { assignmentId, run, smallCourse, studentId } from "./builders";

/** The small course with everyone scored in both assignments and Ada in the section Heron, for tests about releases. */
export function scoredClass() {
  const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];
  const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];
  const everyone = [ada, ben, cleo];
  const heron = "section:heron" as Id<"section">;
  const score = (assignment: AssignmentId, student: StudentId, text: string): Command => ({
    type: "setScore",
    assignmentId: assignment,
    studentId: student,
    text,
  });
  const release = (fields: Partial<Extract<Command, { type: "release" }>> = {}): Command => ({
    type: "release",
    assignmentId: essay,
    facets: ["score"],
    ...fields,
  });
  const inBoth = run(
    smallCourse({ lateRule: null }),
    ...everyone.flatMap((student, index) => [
      score(essay, student, String(70 + index)),
      score(quiz, student, String(12 + index)),
    ]),
  );
  const scored: CourseState = {
    ...inBoth,
    sections: { [heron]: { id: heron, name: "Heron", order: 0 } },
    students: { ...inBoth.students, [ada]: { ...inBoth.students[ada], sectionId: heron } as never },
  };
  return { essay, quiz, ada, ben, cleo, everyone, heron, score, release, scored };
}
