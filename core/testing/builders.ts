import { ENTRY_SCHEMA, runCommand, type Command, type Entry } from "#core/changes";
import { decimal, type Id, type Instant } from "#core/kernel";
import {
  COURSE_DEFAULTS,
  EMPTY_STATE,
  TABLE_NAMES,
  wholeTable,
  type Course,
  type CourseState,
  type Rubric,
} from "#core/model";

/** `student:ada` from `ada`. */
export const studentId = (name: string) => `student:${name}` as Id<"student">;
/** `assignment:quiz` from `quiz`. */
export const assignmentId = (name: string) => `assignment:${name}` as Id<"assignment">;
/** `criterion:record` from `record`. */
export const criterionId = (name: string) => `criterion:${name}` as Id<"criterion">;
/** `file:ada` from `ada`. */
export const fileId = (name: string) => `file:${name}` as Id<"file">;

/** Time, author and ids of the tests; each `fresh` is new within a test file. */
let count = 0;
/** Time, author and fresh ids of the tests. */
export const WORLD = {
  at: "2026-10-26T12:00:00Z" as Instant,
  by: "marker:one" as Id<"marker">,
  fresh: () => `t${String((count += 1))}`,
  journal: [],
};

/** Runs commands one after the other. @throws Error with the issue of the first that is refused */
export function run(state: CourseState, ...commands: (Command & { readonly now?: string })[]): CourseState {
  return commands.reduce((before, { now, ...command }) => {
    const done = runCommand(before, command, { ...WORLD, at: (now ?? WORLD.at) as Instant });
    if (!done.ok) throw new Error(`${command.type}: ${JSON.stringify(done.issue)}`);
    return done.value.state;
  }, state);
}

/** A rubric from rows of `name: min-max, min-max, ...`. */
export function makeRubric(slug: string, ...rows: string[]): Rubric {
  return {
    id: `rubric:${slug}` as Id<"rubric">,
    name: slug,
    proposal: "top",
    purpose: "score",
    scaled: true,
    criteria: rows.map((row) => {
      const [name = "", levels = ""] = row.split(": ");
      return {
        id: criterionId(name),
        name,
        step: decimal("0.5"),
        asksEvidence: false,
        weight: null,
        levels: levels.split(", ").map((range, index) => {
          const [min = "0", max = "0"] = range.split("-");
          return {
            id: `level:${name}${String(index)}` as Id<"level">,
            name: `L${String(index + 1)}`,
            min: decimal(min),
            max: decimal(max),
            descriptor: "",
          };
        }),
      };
    }),
  };
}

const COURSE: Course = {
  id: "course:small" as Id<"course">,
  title: "Small course",
  shortTitle: "Small",
  institution: "",
  timeZone: "Europe/Berlin",
  origin: "own",
  createdAt: WORLD.at,
  markerId: WORLD.by,
  totals: "weighted",
  lateRule: {
    ratePercent: decimal("5"),
    unit: "hours",
    unitHours: 24,
    base: "maximum",
    capPercent: null,
    floorPercent: null,
    graceMinutes: 0,
    graceKind: "threshold",
  },
  missingPercent: decimal("0"),
  letters: [
    { letter: "A", from: decimal("90") },
    { letter: "B", from: decimal("80") },
    { letter: "F", from: decimal("0") },
  ],
  passMark: decimal("60"),
  percentPlaces: 1,
  ...COURSE_DEFAULTS,
};

const ASSIGNMENT = {
  type: "addAssignment",
  channel: "file",
  bonus: false,
  task: "",
  dueAt: null,
  rubric: null,
} as const;

const ESSAY: Command = {
  ...ASSIGNMENT,
  name: "Essay",
  shortName: "Essay",
  categoryId: "category:papers" as Id<"category">,
  points: decimal("100"),
  dueAt: "2026-10-24T12:00:00Z" as Instant,
  rubric: makeRubric("essay", "record: 0-8, 8.5-15.5, 16-20", "reasoning: 0-6, 6.5-13, 13.5-20", "writing: 0-4, 5-10"),
};

const QUIZ: Command = {
  ...ASSIGNMENT,
  name: "Quiz",
  shortName: "Quiz",
  channel: "paper",
  categoryId: "category:quizzes" as Id<"category">,
  points: decimal("20"),
};

/** A journal of one entry that holds a whole state. */
export function entriesOf(state: CourseState): Entry[] {
  const patches = TABLE_NAMES.flatMap((table) =>
    Object.entries<object>(wholeTable(state, table)).map(([id, record]) => ({
      table,
      id,
      before: null,
      after: { ...record },
    })),
  );
  const id = "change:start" as Id<"change">;
  const change = { id, type: "startCourse", at: WORLD.at, by: WORLD.by, line: "start", patches };
  return [{ seq: 1, schema: ENTRY_SCHEMA, kind: "change", of: null, change }];
}

/**
 * Ada, Ben and Cleo; papers (60 %) with `essay` (100 points, three criteria of 20, 20 and 10, due 24 Oct 12:00 UTC) and
 * quizzes (40 %) with `quiz` (20 points, on paper). Ada has handed in `ada.pdf` in time.
 */
export function smallCourse(changes: Partial<Course> = {}): CourseState {
  const course = { ...COURSE, ...changes };
  const named =
    (command: Command, ...names: string[]) =>
    (state: CourseState) => {
      const left = [...names];
      const done = runCommand(state, command, { ...WORLD, fresh: () => left.shift() ?? WORLD.fresh() });
      if (!done.ok) throw new Error(JSON.stringify(done.issue));
      return done.value.state;
    };
  const students = ["Ada Ames", "Ben Bolt", "Cleo Crane"].map((name, index) => {
    const [givenName = "", familyName = ""] = name.split(" ");
    return { number: `N${String(index + 1)}`, givenName, familyName, sectionId: null };
  });
  const steps = [
    named({ type: "startCourse", course, markerName: "Marker", sections: [] }),
    named({ type: "addStudents", students }, "ada", "ben", "cleo"),
    named({ type: "addCategory", name: "Papers", weight: decimal("60") }, "papers"),
    named({ type: "addCategory", name: "Quizzes", weight: decimal("40") }, "quizzes"),
    named(ESSAY, "essay"),
    named(QUIZ, "quiz"),
    named({
      type: "addHandIn",
      assignmentId: assignmentId("essay"),
      studentId: studentId("ada"),
      at: "2026-10-24T11:00:00Z" as Instant,
      files: [{ id: fileId("ada"), name: "ada.pdf", mediaType: "application/pdf", size: 10 }],
    }),
  ];
  return steps.reduce((state, step) => step(state), EMPTY_STATE);
}
