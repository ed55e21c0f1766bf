import { z } from "zod/mini";
import { ok, refuse, type Id, type Result, type SectionId, type StudentId } from "#core/kernel";
import {
  rosterName,
  idField,
  nameField,
  STUDENT_DEFAULTS,
  commentField,
  type CourseState,
  type Section,
  type Student,
  sectionsOf,
} from "#core/model";
import { counted } from "#core/words";
import type { ChangeIssue, CommandKind } from "../../engine/change";
import { forgetStudents } from "./forget-students";
import { finish, put, remove, studentAt, withFields } from "../../engine/command-parts";

/** Commands for the roster: students and sections. */

const newStudent = z.object({
  number: nameField,
  givenName: nameField,
  familyName: z.string().check(z.trim(), z.maxLength(200)),
  email: z.optional(z.string().check(z.trim(), z.maxLength(320))),
  sectionId: z._default(z.nullable(idField("section")), null),
  /** The name of a section; it is made where there is none of that name. */
  section: z.optional(z.string().check(z.trim(), z.maxLength(200))),
});
const studentsInput = z.object({ students: z.array(newStudent).check(z.minLength(1), z.maxLength(5_000)) });

/** Adds students to the roster, and the sections they name. A student number stands once in a course. */
export const addStudents: CommandKind<z.infer<typeof studentsInput>, z.input<typeof studentsInput>> = {
  input: studentsInput,
  prepare: (state, { students }, { fresh }) => {
    const taken = new Set(Object.values(state.students).map((student) => student.number));
    for (const { number } of students) {
      if (taken.has(number)) return refuse({ code: "number_taken", number });
      taken.add(number);
    }
    const records = students.map((student) => ({ student, id: `student:${fresh()}` as Id<"student"> }));
    const sections = new Map(sectionsOf(state).map(({ name, id }) => [name, id]));
    const added: Section[] = [];
    const sectionIdOf = (name: string): SectionId => {
      const known = sections.get(name);
      if (known) return known;
      const section = { id: `section:${fresh()}` as Id<"section">, name, order: sections.size };
      sections.set(name, section.id);
      added.push(section);
      return section.id;
    };
    const roster = records.map(({ student: { section, email, ...fields }, id }) => ({
      ...STUDENT_DEFAULTS,
      ...fields,
      email: email ?? "",
      id,
      sectionId: section ? sectionIdOf(section) : fields.sectionId,
    }));
    const first = roster[0];
    const line =
      roster.length === 1 && first ? `${rosterName(state, first)} added` : `${counted(roster.length, "student")} added`;
    return finish(
      line,
      ...added.map((section) => put(state, "sections", section)),
      ...roster.map((record) => put(state, "students", record)),
    );
  },
};

const editInput = z.object({
  studentId: idField("student"),
  fields: z.partial(
    z.object({
      number: nameField,
      givenName: nameField,
      familyName: z.string().check(z.trim(), z.maxLength(200)),
      sectionId: z.nullable(idField("section")),
      note: commentField,
      email: z.string().check(z.trim(), z.maxLength(320)),
    }),
  ),
});

/** Changes what the roster says about a student, or the note that instructors keep. */
export const editStudent: CommandKind<z.infer<typeof editInput>> = {
  input: editInput,
  prepare: (state, { studentId, fields }) => {
    const found = studentAt(state, studentId);
    if (!found.ok) return found;
    const { number, sectionId } = fields;
    const taken = Object.values(state.students).some((other) => other.number === number && other.id !== studentId);
    if (number !== undefined && taken) return refuse({ code: "number_taken", number });
    if (sectionId && !state.sections[sectionId])
      return refuse({ code: "unknown_record", what: "section", id: sectionId });
    const next = withFields(found.value, fields);
    const words = Object.keys(fields).length === 1 && fields.note !== undefined ? "note" : "roster entry";
    return finish(`${rosterName(state, next)}: ${words} changed`, put(state, "students", next));
  },
};

const leftInput = z.object({
  studentIds: z.array(idField("student")).check(z.minLength(1), z.maxLength(5_000)),
  left: z.boolean(),
});

/** Says that students have left the course, with all that is known of them kept, or that they are back. */
export const setLeft: CommandKind<z.infer<typeof leftInput>> = {
  input: leftInput,
  prepare: (state, { studentIds, left }) => {
    const students: Student[] = [];
    for (const id of studentIds) {
      const found = studentAt(state, id);
      if (!found.ok) return found;
      students.push(found.value);
    }
    const [first] = students;
    const who = students.length === 1 && first ? rosterName(state, first) : counted(students.length, "student");
    return finish(
      `${who} ${left ? "left the course" : "returned to the course"}`,
      ...students.map((student) => put(state, "students", { ...student, left })),
    );
  },
};

const removeInput = z.object({ studentIds: z.array(idField("student")).check(z.minLength(1), z.maxLength(5_000)) });

/** Takes students off the roster with everything that is known of them. */
export const removeStudents: CommandKind<z.infer<typeof removeInput>> = {
  input: removeInput,
  prepare: (state, { studentIds }) => {
    const found = studentIds.map((id) => studentAt(state, id));
    const students: Student[] = [];
    for (const one of found) {
      if (!one.ok) return one;
      students.push(one.value);
    }
    const first = students[0];
    const who = students.length === 1 && first ? rosterName(state, first) : counted(students.length, "student");
    return finish(`${who} taken off the roster`, ...forgetStudents(state, new Set<StudentId>(studentIds)));
  },
};

const addSectionInput = z.object({ name: nameField });

/** Adds a section. */
export const addSection: CommandKind<z.infer<typeof addSectionInput>> = {
  input: addSectionInput,
  prepare: (state, { name }, { fresh }) => {
    const known = sectionsOf(state);
    if (known.some((section) => section.name === name)) return refuse({ code: "name_taken", name });
    const section = { id: `section:${fresh()}` as Id<"section">, name, order: known.length };
    return finish(`Section ${name} added`, put(state, "sections", section));
  },
};

const editSectionInput = z.object({ sectionId: idField("section"), name: nameField });

/** Gives a section another name. */
export const editSection: CommandKind<z.infer<typeof editSectionInput>> = {
  input: editSectionInput,
  prepare: (state, { sectionId, name }) => {
    const found = sectionAt(state, sectionId);
    if (!found.ok) return found;
    const taken = sectionsOf(state).some((section) => section.name === name && section.id !== sectionId);
    if (taken) return refuse({ code: "name_taken", name });
    return finish(`Section ${found.value.name} is now ${name}`, put(state, "sections", { ...found.value, name }));
  },
};

const removeSectionInput = z.object({ sectionId: idField("section") });

/** Takes a section away; its students stay, without one. */
export const removeSection: CommandKind<z.infer<typeof removeSectionInput>> = {
  input: removeSectionInput,
  prepare: (state, { sectionId }) => {
    const found = sectionAt(state, sectionId);
    if (!found.ok) return found;
    return finish(
      `Section ${found.value.name} removed`,
      remove(state, "sections", sectionId),
      ...Object.values(state.students)
        .filter((student) => student.sectionId === sectionId)
        .map((student) => put(state, "students", { ...student, sectionId: null })),
    );
  },
};

function sectionAt(state: CourseState, id: SectionId): Result<Section, ChangeIssue> {
  const found = state.sections[id];
  return found ? ok(found) : refuse({ code: "unknown_record", what: "section", id });
}
