import type { Id } from "#core/kernel";

/** The part of an id that stands in an address: `assignment:flood-memo` -> `flood-memo`. */
export const inAddress = (id: string): string => id.slice(id.indexOf(":") + 1);

export const fromAddress = <K extends string>(kind: K, part: string): Id<K> => `${kind}:${part}` as Id<K>;

export const deskAddress = (slot: string, assignmentId: string, studentId: string): string =>
  `/courses/${slot}/score/${inAddress(assignmentId)}/${inAddress(studentId)}`;

export const windowAddress = (slot: string, studentId: string): string => `/window/${slot}/${inAddress(studentId)}`;

export const studentAddress = (slot: string, studentId: string): string =>
  `/courses/${slot}/students/${inAddress(studentId)}`;
