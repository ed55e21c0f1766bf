import type { StudentId } from "#core/kernel";
import { blankRecord, cutAt, hasBlanks, recordAt, type CourseState, type Packet } from "#core/model";

/** Tables in which a packet's marker leaves what is taken back. */
export type PartTable = "results" | "judgements" | "answers" | "groups" | "notes" | "secondMarks";

/** Fields of a record that are one thing: they are taken together or not at all. */
export interface Part {
  readonly table: PartTable;
  /** The record's id, as the course calls it. */
  readonly id: string;
  /** Whose paper it is on. */
  readonly studentId: StudentId;
  readonly fields: readonly string[];
  /** What stands in these fields; null where there is no such record. */
  readonly value: Readonly<Record<string, unknown>> | null;
}

/** A part by its place, so that the same part of two states can be found. */
export const placeOf = ({ table, id, fields }: Pick<Part, "table" | "id" | "fields">): string =>
  `${table} ${id} ${fields[0] ?? ""}`;

/** Which fields of each table are one thing; the first gives the part its name. */
const TOGETHER = {
  results: [
    ["score", "setByHand", "levelId", "attemptScores"],
    ["decision"],
    ["unitsLate"],
    ["moreTime"],
    ["adjustment"],
    ["outcomeLevelId"],
    ["overallComment"],
    ["feedbackFiles"],
    ["privateNote"],
    ["zones"],
  ],
  judgements: [["points", "notApplicable"], ["comment"], ["privateNote"]],
  answers: [["points"], ["comment"]],
  groups: [["score"]],
} as const satisfies Partial<Record<PartTable, readonly (readonly string[])[]>>;

const WHOLE = ["body"] as const;

/** A record as plain fields. */
export type Fields = Readonly<Record<string, unknown>>;

/** How a packet's names are those of the course. */
export interface Called {
  readonly studentOf: (code: StudentId) => StudentId | null;
  readonly idOf: <T extends string>(code: T) => T;
}

/** What the course calls a packet's students, files and groups. */
export function calledIn({ papers, renamed }: Packet): Called {
  const students = new Map(papers.map(({ code, studentId }) => [code, studentId]));
  const ids = new Map<string, string>(renamed.map(({ code, id }) => [code, id]));
  return {
    studentOf: (code) => students.get(code) ?? null,
    idOf: (code) => (ids.get(code) ?? code) as typeof code,
  };
}

const pick = (record: Fields, fields: readonly string[]): Fields =>
  Object.fromEntries(fields.map((field) => [field, record[field]]));

/** Every part of a packet as its state has it, under the names of the course; what stands blank is left out. */
export function partsOf(state: CourseState, packet: Packet): Map<string, Part> {
  const called = calledIn(packet);
  const parts: Part[] = [];
  const cutParts = (table: "results" | "judgements" | "answers") => {
    for (const record of Object.values(cutAt(state, table, packet.assignmentId) ?? {})) {
      const studentId = called.studentOf(record.studentId);
      if (studentId === null) continue;
      const id = record.id.replace(record.studentId, studentId);
      for (const fields of TOGETHER[table]) {
        parts.push({ table, id, studentId, fields, value: pick(record, fields) });
      }
    }
  };
  cutParts("results");
  cutParts("judgements");
  cutParts("answers");
  for (const group of Object.values(state.groups)) {
    const studentId = group.memberIds[0] && called.studentOf(group.memberIds[0]);
    if (studentId)
      parts.push({
        table: "groups",
        id: called.idOf(group.id),
        studentId,
        fields: ["score"],
        value: pick(group, ["score"]),
      });
  }
  for (const note of Object.values(state.notes)) {
    const studentId = called.studentOf(note.studentId);
    if (studentId === null) continue;
    const value = { ...note, studentId, fileId: called.idOf(note.fileId) };
    parts.push({ table: "notes", id: note.id, studentId, fields: WHOLE, value });
  }
  return new Map(parts.map((part) => [placeOf(part), part]));
}

/** What a course has in the place of a part. */
export function partHere(state: CourseState, { table, id, fields }: Part): Fields | null {
  const stored = recordAt(state, table, id);
  const record = stored ?? (hasBlanks(table) ? blankRecord(table, id) : null);
  if (!record) return null;
  return table === "notes" ? record : pick(record, fields);
}

/** What a part is before anybody has touched it. */
export function blankPart({ table, id, fields }: Part): Fields | null {
  if (table === "groups") return { score: null };
  return hasBlanks(table) ? pick(blankRecord(table, id), fields) : null;
}
