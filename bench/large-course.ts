import { applyPatches, ENTRY_SCHEMA, type Entry } from "#core/changes";
import { sourceOf, writeCourseFile } from "#core/formats";
import { decimal, type Id, type Instant } from "#core/kernel";
import {
  ASSIGNMENT_DEFAULTS,
  blankRecord,
  CATEGORY_DEFAULTS,
  COURSE_DEFAULTS,
  EMPTY_STATE,
  resultKey,
  studentsOf,
  withRecords,
  type Assignment,
  type Category,
  type Course,
  type CourseState,
  type Student,
} from "#core/model";
import { EIGHT, judgedByEight } from "./judged-by-eight";

const at = "2026-09-01T08:00:00Z" as Instant;
const id = <K extends string>(kind: K, index: number) => `${kind}:${String(index)}` as Id<K>;

const COURSE: Course = {
  id: "course:large" as Id<"course">,
  title: "Large course",
  shortTitle: "Large",
  institution: "",
  timeZone: "Europe/Berlin",
  origin: "own",
  createdAt: at,
  markerId: "marker:one" as Id<"marker">,
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

/** A made-up course in 8 weighted categories with drop-lowest, as one change; every fortieth cell is still blank. The first work may be judged by a rubric of eight instead. */
function started(students: number, assignments: number, isFirstJudged: boolean): Entry["change"] {
  const categories = Array.from({ length: 8 }, (_, index): Category => ({
    ...CATEGORY_DEFAULTS,
    id: id("category", index),
    name: `Category ${String(index + 1)}`,
    weight: decimal("12.5"),
    order: index,
    keep: { kind: "dropLowest", count: 1 },
  }));
  const work = Array.from({ length: assignments }, (_, index): Assignment => ({
    ...ASSIGNMENT_DEFAULTS,
    id: id("assignment", index),
    name: `Work ${String(index + 1)}`,
    shortName: `Work ${String(index + 1)}`,
    categoryId: id("category", index % 8),
    points: decimal("20"),
    dueAt: at,
    channel: "paper",
    bonus: false,
    aboveAllowed: false,
    rubricId: isFirstJudged && index === 0 ? EIGHT.id : null,
    order: index,
    task: "",
  }));
  const people = Array.from({ length: students }, (_, index): Student => ({
    id: id("student", index),
    number: String(10_000 + index),
    givenName: "Student",
    familyName: String(index).padStart(4, "0"),
    sectionId: null,
    note: "",
    email: "",
    left: false,
  }));
  const results = work.flatMap((assignment, column) =>
    people.flatMap((student, row) =>
      (row + column) % 40 === 0 || assignment.rubricId
        ? []
        : [
            {
              ...blankRecord("results", resultKey(assignment.id, student.id)),
              score: decimal(String(8 + ((row * 7 + column * 5) % 25) / 2)),
            },
          ],
    ),
  );
  const records = {
    courses: [COURSE],
    categories,
    rubrics: isFirstJudged ? [EIGHT] : [],
    assignments: work,
    students: people,
    results,
    judgements: isFirstJudged ? judgedByEight(id("assignment", 0), people) : [],
  };
  const marker = { id: COURSE.markerId, name: "Marker" };
  const patches = Object.entries({ ...records, markers: [marker] }).flatMap(([table, list]) =>
    list.map((record) => ({ table: table as keyof typeof records, id: record.id, before: null, after: { ...record } })),
  );
  return { id: id("change", 0), type: "startCourse", at, by: COURSE.markerId, line: "Large course", patches };
}

/** The made-up course as the first entry of its journal. */
export function largeCourseEntry(students: number, assignments: number, isFirstJudged = false): Entry {
  const change = started(students, assignments, isFirstJudged);
  return { seq: 1, schema: ENTRY_SCHEMA, kind: "change", of: null, change };
}

/** The journal of the made-up course as a teacher makes it: the plan and the class first, then column after column. */
export function largeCourseColumns(students: number, assignments: number): readonly Entry[] {
  const { patches, ...change } = started(students, assignments, false);
  const columns = new Map<string, (typeof patches)[number][]>();
  const rest: (typeof patches)[number][] = [];
  for (const patch of patches) {
    const column = patch.table === "results" ? patch.id.slice(0, patch.id.indexOf("/")) : null;
    const own = column === null ? rest : (columns.get(column) ?? []);
    own.push(patch);
    if (column !== null) columns.set(column, own);
  }
  return [rest, ...columns.values()].map((own, place) => ({
    seq: place + 1,
    schema: ENTRY_SCHEMA,
    kind: "change",
    of: null,
    change: { ...change, id: id("change", place), patches: own, ...(place > 0 && { type: "enterScores" }) },
  }));
}

/** The course file of the made-up course. */
export const largeCourseFile = (...sizes: Parameters<typeof largeCourseEntry>): Promise<Buffer> =>
  fileOf([largeCourseEntry(...sizes)]);

/** The course file of a journal without files. */
export async function fileOf(entries: readonly Entry[]): Promise<Buffer> {
  const { file } = await writeCourseFile(sourceOf({ entries, files: new Map() }), at);
  return Buffer.from(await file.arrayBuffer());
}

/** The made-up course itself. */
export function largeCourse(students: number, assignments: number, isFirstJudged = false): CourseState {
  const done = applyPatches(EMPTY_STATE, started(students, assignments, isFirstJudged).patches);
  if (!done.ok) throw new Error("the made-up course cannot be started");
  return done.value;
}

/** The made-up course with one score changed, another student and assignment each round. */
export function withScore(state: CourseState, round: number): CourseState {
  const [row, column] = [(round * 37) % studentsOf(state).length, round % Object.keys(state.assignments).length];
  const key = resultKey(id("assignment", column), id("student", row));
  return withRecords(state, "results", [
    { ...blankRecord("results", key), score: decimal(String(((round * 7) % 40) / 2)) },
  ]);
}
