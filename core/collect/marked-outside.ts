import type { StudentId } from "#core/kernel";
import { cutAt, fullName, type Assignment, type CourseState, type Student, type WorkFile } from "#core/model";
import type { Piece } from "./piece";

/** Characters that some file system takes in no name. */
const FORBIDDEN = /[\\/:*?"<>|]/g;

/** The folder of a student in an archive of hand-ins: `L26118 Ilse Tarnowe`. */
export const handInFolder = (student: Pick<Student, "number" | "givenName" | "familyName">): string =>
  `${student.number} ${fullName(student as Student)}`.trim().replace(FORBIDDEN, "-");

/** A handed-in file with its place in an archive. */
export interface FileOut {
  readonly path: string;
  readonly studentId: StudentId;
  readonly file: WorkFile;
}

/** All that was handed in for an assignment: a folder a student, what counts last in it, earlier attempts in folders of it. */
export function filesOut(state: CourseState, assignment: Assignment): FileOut[] {
  return Object.values(cutAt(state, "handIns", assignment.id) ?? {}).flatMap(({ studentId, attempts }) => {
    const student = state.students[studentId];
    if (!student) return [];
    const folder = handInFolder(student);
    const last = attempts.at(-1);
    return attempts.flatMap((attempt) =>
      attempt.files.map((file): FileOut => {
        const inside = attempt === last ? folder : `${folder}/attempt ${String(attempt.number)}`;
        return { path: `${inside}/${file.name.replace(FORBIDDEN, "-")}`, studentId, file };
      }),
    );
  });
}

/** Answers for a piece which file that left in an archive of hand-ins it is, by its folder and name; null for any other. */
export function whichLeft(state: CourseState, assignment: Assignment): (piece: Pick<Piece, "path">) => FileOut | null {
  const left = new Map(filesOut(state, assignment).map((out) => [out.path, out]));
  return ({ path }) => {
    const parts = path.split("/");
    for (let start = 0; start < parts.length - 1; start += 1) {
      const found = left.get(parts.slice(start).join("/"));
      if (found) return found;
    }
    return null;
  };
}
