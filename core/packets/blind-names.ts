import type { FileId, Id, StudentId } from "#core/kernel";
import {
  cutAt,
  groupMembers,
  groupOf,
  type Assignment,
  type CourseState,
  type Student,
  type WorkFile,
} from "#core/model";

import { namesOfWriters } from "./covered";

/** How a blind packet calls what would tell whose a paper is. */
export interface BlindNames {
  readonly studentCalled: (id: StudentId) => StudentId;
  readonly student: (id: StudentId) => Student;
  readonly fileCalled: (file: WorkFile) => WorkFile;
  /** What the work of a student may name: the student, and the others of their group. */
  readonly writersOf: (id: StudentId) => readonly string[];
  /** Names of all students of the packet: in a discussion they speak to each other. */
  readonly everyone: readonly string[];
  readonly groups: readonly { readonly id: GroupId; readonly code: GroupId }[];
}

type GroupId = Id<"group">;

/** An ending that says what a file is, and nothing else. */
const ENDING = /\.[A-Za-z0-9]{1,5}$/;

/** Numbers for the papers in their order, and names for their files that follow from the numbers. */
export function calledOtherwise(
  state: CourseState,
  assignment: Assignment,
  order: readonly StudentId[],
  fresh: () => string,
): BlindNames {
  const width = String(order.length).length;
  const numbers = new Map(order.map((id, place) => [id, String(place + 1).padStart(width, "0")]));
  const codes = new Map(order.map((id) => [id, `student:${fresh()}` as StudentId]));
  const files = new Map<FileId, WorkFile>();
  for (const { studentId, attempts } of Object.values(cutAt(state, "handIns", assignment.id) ?? {})) {
    const number = numbers.get(studentId);
    if (number === undefined) continue;
    attempts
      .flatMap((attempt) => attempt.files)
      .forEach((file, place) => {
        const ending = ENDING.exec(file.name)?.[0] ?? "";
        const name = `paper-${number}-${String(place + 1)}${ending}`;
        files.set(file.id, { ...file, id: `file:${fresh()}` as FileId, name });
      });
  }
  const groupIds = new Set(order.flatMap((id) => groupOf(state, assignment.id, id)?.id ?? []));
  const numberOf = (id: StudentId) => numbers.get(id) ?? "";
  return {
    studentCalled: (id) => codes.get(id) ?? id,
    student: (id) => ({
      id: codes.get(id) ?? id,
      number: numberOf(id),
      givenName: "Paper",
      familyName: numberOf(id),
      sectionId: null,
      note: "",
      email: "",
      left: false,
    }),
    fileCalled: (file) => files.get(file.id) ?? file,
    writersOf: (id) =>
      namesOfWriters(groupMembers(state, assignment.id, id).flatMap((one) => state.students[one] ?? [])),
    everyone: namesOfWriters(order.flatMap((id) => state.students[id] ?? [])),
    groups: [...groupIds].map((id) => ({ id, code: `group:${fresh()}` as GroupId })),
  };
}
