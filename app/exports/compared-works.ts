import type { FileId } from "#core/kernel";
import {
  answerOf,
  assignmentsOf,
  courseOf,
  cutAt,
  fullName,
  groupOf,
  ownHandInOf,
  postsOf,
  questionsOf,
  rosterName,
  studentsOf,
  type Assignment,
  type CourseState,
  type WorkFile,
} from "#core/model";

/** A hand-in that is held against others, by what it is made of. */
export interface WorkToCompare {
  readonly id: string;
  readonly kin: string | null;
  /** Whose it is, in words. */
  readonly name: string;
  readonly text: string;
  readonly files: readonly WorkFile[];
}

/** What of an assignment is looked at: each student's own last attempt, their posts, their written answers. */
export function worksToCompare(state: CourseState, assignment: Assignment): WorkToCompare[] {
  const posts = postsOf(state, assignment.id);
  const written = questionsOf(state, assignment.id).filter(({ key }) => key.kind === "written");
  return studentsOf(state).flatMap((student): WorkToCompare[] => {
    const files = ownHandInOf(state, assignment.id, student.id)?.attempts.at(-1)?.files ?? [];
    const own = [
      ...posts.filter(({ studentId }) => studentId === student.id).map(({ text }) => text),
      ...written.map(({ id }) => answerOf(state, assignment.id, student.id, id).text),
    ].filter((text) => text.trim() !== "");
    if (files.length === 0 && own.length === 0) return [];
    const kin = groupOf(state, assignment.id, student.id)?.id ?? null;
    return [{ id: student.id, kin, name: rosterName(state, student), text: own.join("\n\n"), files }];
  });
}

/** What the task itself gave: its words, its note, the prompts of its questions, and its files. */
export const taskOf = (state: CourseState, assignment: Assignment): Pick<WorkToCompare, "text" | "files"> => ({
  text: [assignment.task, assignment.note, ...questionsOf(state, assignment.id).map(({ prompt }) => prompt)].join(
    "\n\n",
  ),
  files: assignment.files,
});

/** Hand-ins of another course: of the assignment of the same name, or of all its work where there is none. All are of one kin. */
export function worksOfOther(other: CourseState, name: string): WorkToCompare[] {
  const same = assignmentsOf(other).filter((assignment) => assignment.name === name);
  const title = courseOf(other).shortTitle;
  return (same.length > 0 ? same : assignmentsOf(other)).flatMap((assignment) =>
    Object.values(cutAt(other, "handIns", assignment.id) ?? {}).flatMap((handIn): WorkToCompare[] => {
      const student = other.students[handIn.studentId];
      const files = handIn.attempts.at(-1)?.files ?? [];
      if (!student || files.length === 0) return [];
      const words = same.length > 0 ? title : `${title}, ${assignment.name}`;
      const id = `other/${handIn.id}`;
      return [{ id, kin: "other", name: `${fullName(student)} (${words})`, text: "", files }];
    }),
  );
}

/** Every file that is read of works, once. */
export const filesToRead = (works: readonly Pick<WorkToCompare, "files">[]): readonly FileId[] => [
  ...new Set(works.flatMap(({ files }) => files.map(({ id }) => id))),
];
