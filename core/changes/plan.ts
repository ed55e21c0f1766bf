import { z } from "zod";
import { fromDecimal, milliseconds, refuse, type Id } from "#core/kernel";
import {
  ASSIGNMENT_DEFAULTS,
  assignmentsOf,
  CATEGORY_DEFAULTS,
  categoriesOf,
  courseSchema,
  decimalField,
  EMPTY_STATE,
  fullName,
  idField,
  instantField,
  nameField,
  rubricSchema,
} from "#core/model";
import { checkRubric } from "#core/scoring";
import { letterOutOfOrder } from "#core/totals";
import type { CommandKind } from "./change";
import { finish, put } from "./draft";

const startInput = z.object({ course: courseSchema, markerName: nameField, sections: z.array(nameField) });

/** The first change of every course: the course itself, its marker and its sections. */
export const startCourse: CommandKind<z.infer<typeof startInput>> = {
  input: startInput,
  prepare: (_state, { course, markerName, sections }, { fresh }) => {
    const letter = letterOutOfOrder(course.letters);
    if (letter !== null) return refuse({ code: "bands_not_falling", letter });
    return finish(
      `${course.title}: course started`,
      put(EMPTY_STATE, "courses", course),
      put(EMPTY_STATE, "markers", { id: course.markerId, name: markerName }),
      ...sections.map((name, order) =>
        put(EMPTY_STATE, "sections", { id: `section:${fresh()}` as Id<"section">, name, order }),
      ),
    );
  },
};

const studentsInput = z.object({
  students: z
    .array(
      z.object({
        number: nameField,
        givenName: nameField,
        familyName: z.string().max(200),
        sectionId: idField("section").nullable(),
      }),
    )
    .min(1)
    .max(5_000),
});

/** Adds students to the roster. A student number stands once in a course. */
export const addStudents: CommandKind<z.infer<typeof studentsInput>> = {
  input: studentsInput,
  prepare: (state, { students }, { fresh }) => {
    const taken = new Set(Object.values(state.students).map((student) => student.number));
    for (const { number } of students) {
      if (taken.has(number)) return refuse({ code: "number_taken", number });
      taken.add(number);
    }
    const records = students.map((student) => ({ ...student, id: `student:${fresh()}` as Id<"student"> }));
    const first = records[0];
    const line =
      records.length === 1 && first ? `${fullName(first)} added` : `${String(records.length)} students added`;
    return finish(line, ...records.map((record) => put(state, "students", record)));
  },
};

const categoryInput = z.object({ name: nameField, weight: decimalField.nullable() });

/** Adds a category. Its name stands once in a course and its weight is not below 0. */
export const addCategory: CommandKind<z.infer<typeof categoryInput>> = {
  input: categoryInput,
  prepare: (state, { name, weight }, { fresh }) => {
    const order = categoriesOf(state).length;
    if (weight !== null && fromDecimal(weight).n < 0n) return refuse({ code: "weight_below_zero", weight });
    if (Object.values(state.categories).some((category) => category.name === name)) {
      return refuse({ code: "name_taken", name });
    }
    const record = { ...CATEGORY_DEFAULTS, id: `category:${fresh()}` as Id<"category">, name, weight, order };
    return finish(`Category ${name} added`, put(state, "categories", record));
  },
};

const assignmentInput = z.object({
  name: nameField,
  shortName: nameField,
  categoryId: idField("category"),
  points: decimalField,
  givenAt: instantField.nullable().default(null),
  dueAt: instantField.nullable(),
  channel: z.enum(["online", "paper"]),
  bonus: z.boolean(),
  task: z.string().max(20_000),
  rubric: rubricSchema.nullable(),
});

/** Adds an assignment, with its rubric where there is one. */
export const addAssignment: CommandKind<z.infer<typeof assignmentInput>, z.input<typeof assignmentInput>> = {
  input: assignmentInput,
  prepare: (state, { rubric, ...fields }, { fresh }) => {
    if (!state.categories[fields.categoryId]) {
      return refuse({ code: "unknown_record", what: "category", id: fields.categoryId });
    }
    if (Object.values(state.assignments).some((assignment) => assignment.name === fields.name)) {
      return refuse({ code: "name_taken", name: fields.name });
    }
    const { givenAt, dueAt } = fields;
    if (givenAt && dueAt && milliseconds(dueAt) < milliseconds(givenAt)) {
      return refuse({ code: "due_before_given", givenAt, dueAt });
    }
    const fault = rubric && checkRubric(rubric).find(({ kind }) => kind === "fault");
    if (fault) return refuse({ code: "rubric_at_fault", finding: fault });
    const record = {
      ...ASSIGNMENT_DEFAULTS,
      ...fields,
      id: `assignment:${fresh()}` as Id<"assignment">,
      aboveAllowed: false,
      rubricId: rubric?.id ?? null,
      order: assignmentsOf(state).length,
    };
    return finish(
      `Assignment ${fields.name} added`,
      rubric && put(state, "rubrics", rubric),
      put(state, "assignments", record),
    );
  },
};

const scaleInput = z.object({
  name: nameField,
  kind: z.enum(["passNotYet", "attainment", "words"]),
  levels: z
    .array(z.object({ name: nameField, percent: decimalField.nullable() }))
    .min(1)
    .max(20),
});

/** Adds a scale of levels. Where levels have point values, these fall from the first to the last. */
export const addScale: CommandKind<z.infer<typeof scaleInput>> = {
  input: scaleInput,
  prepare: (state, { levels, ...fields }, { fresh }) => {
    if (Object.values(state.scales).some(({ name }) => name === fields.name)) {
      return refuse({ code: "name_taken", name: fields.name });
    }
    const bands = levels.flatMap(({ name, percent }) => (percent === null ? [] : [{ letter: name, from: percent }]));
    const letter = letterOutOfOrder(bands);
    if (letter !== null) return refuse({ code: "bands_not_falling", letter });
    const record = {
      ...fields,
      id: `scale:${fresh()}` as Id<"scale">,
      levels: levels.map((level) => ({ ...level, id: `level:${fresh()}` as Id<"level"> })),
    };
    return finish(`Scale ${fields.name} added`, put(state, "scales", record));
  },
};
