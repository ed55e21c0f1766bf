import type { StudentId } from "#core/kernel";
import { recordsOf, type CourseState, type RecordOf, type TableName } from "#core/model";
import { put, remove } from "../../engine/command-parts";
import type { Patch } from "../../engine/patch";

/** How the records of a table name students. */
type Naming<T extends TableName> =
  /** No student is named. */
  | "nobody"
  /** Each record is of one student: it goes with them. */
  | ((record: RecordOf<T>) => StudentId)
  /** A record lists students, and stays without those that go; null where nothing of it is left. */
  | {
      /** Whose it is, where it may name others besides. */
      readonly of?: (record: RecordOf<T>) => StudentId;
      readonly without: (record: RecordOf<T>, gone: ReadonlySet<StudentId>) => RecordOf<T> | null;
    };

const own = (record: { readonly studentId: StudentId }): StudentId => record.studentId;
const left = (ids: readonly StudentId[], gone: ReadonlySet<StudentId>) => ids.filter((id) => !gone.has(id));

/** Every table, and how it names students. A table that is added must say so here: the compiler asks for it, and a test looks. */
export const NAMES_STUDENTS: { readonly [T in TableName]: Naming<T> } = {
  courses: "nobody",
  sections: "nobody",
  markers: "nobody",
  students: ({ id }) => id,
  terms: "nobody",
  categories: "nobody",
  scales: "nobody",
  rubrics: "nobody",
  assignments: "nobody",
  groups: { without: (group, gone) => ({ ...group, memberIds: left(group.memberIds, gone) }) },
  handIns: own,
  results: own,
  judgements: own,
  notes: own,
  releases: {
    without: (release, gone) => ({
      ...release,
      waves: release.waves
        .map((wave) => ({ ...wave, studentIds: wave.studentIds && left(wave.studentIds, gone) }))
        .filter(({ studentIds }) => studentIds?.length !== 0),
    }),
  },
  totalSeals: "nobody",
  // A remark for a whole group stands in every member's copy, whoever's paper it was written on.
  copies: { of: own, without: (copy, gone) => withOwnNotes(copy, gone) },
  phrases: "nobody",
  messages: own,
  posts: own,
  questions: "nobody",
  answers: own,
  totalCopies: ({ id }) => id,
  mails: own,
  openings: own,
  deliveries: {
    without: (delivery, gone) => {
      const studentIds = left(delivery.studentIds, gone);
      return studentIds.length === 0 ? null : { ...delivery, studentIds };
    },
  },
  moderations: {
    without: (moderation, gone) => ({
      ...moderation,
      studentIds: left(moderation.studentIds, gone),
      settled: moderation.settled.filter(({ studentId }) => !gone.has(studentId)),
    }),
  },
  secondMarks: own,
  packets: {
    without: (packet, gone) => {
      const papers = packet.papers.filter(({ studentId, code }) => !gone.has(studentId) && !gone.has(code));
      return papers.length === 0 ? null : { ...packet, papers };
    },
  },
  // Named by what it is about, and quoting figures of theirs.
  asides: {
    without: (aside, gone) =>
      [...gone].some((id) => aside.studentIds.includes(id) || `${aside.id} ${aside.basis}`.includes(id)) ? null : aside,
  },
  gradeExports: {
    without: (one, gone) => {
      const grades = one.grades.filter(({ studentId }) => !gone.has(studentId));
      return grades.length === 0 ? null : { ...one, grades };
    },
  },
};

function withOwnNotes(copy: RecordOf<"copies">, gone: ReadonlySet<StudentId>): RecordOf<"copies"> {
  const { comments, studentId } = copy;
  if (!comments?.content.notes.some((note) => gone.has(note.studentId))) return copy;
  const notes = comments.content.notes.map((note) => (gone.has(note.studentId) ? { ...note, studentId } : note));
  return { ...copy, comments: { ...comments, content: { ...comments.content, notes } } };
}

/** What has to happen so that no record of the course names these students any more. */
export const forgetStudents = (state: CourseState, gone: ReadonlySet<StudentId>): (Patch | null)[] =>
  (Object.keys(NAMES_STUDENTS) as TableName[]).flatMap((table) => forgetIn(state, table, gone));

function forgetIn(state: CourseState, table: TableName, gone: ReadonlySet<StudentId>): (Patch | null)[] {
  // The list gives each table the functions for its own records.
  const naming = NAMES_STUDENTS[table] as unknown as Naming<TableName>;
  if (naming === "nobody") return [];
  const records = recordsOf(state, table);
  if (typeof naming === "function") {
    return records.filter((record) => gone.has(naming(record))).map(({ id }) => remove(state, table, id));
  }
  return records.map((record) => {
    if (naming.of && gone.has(naming.of(record))) return remove(state, table, record.id);
    const kept = naming.without(record, gone);
    return kept === null ? remove(state, table, record.id) : put(state, table, kept);
  });
}
