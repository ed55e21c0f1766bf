import type { Checked } from "#core/changes";
import { decimal, type Id, type Instant } from "#core/kernel";
import {
  ASSIGNMENT_DEFAULTS,
  blankRecord,
  CATEGORY_DEFAULTS,
  COURSE_DEFAULTS,
  EMPTY_STATE,
  resultKey,
  type Assignment,
  type Category,
  type Course,
  type CourseState,
  type ResultRecord,
  type Student,
  withRecords,
} from "#core/model";
import { facetNow, draftTotals } from "#core/release";

const at = "2026-10-01T12:00:00Z" as Instant;
const id = <K extends string>(kind: K, index: number) => `${kind}:${String(index)}` as Id<K>;
const byId = <T extends { readonly id: string }>(list: readonly T[]) =>
  Object.fromEntries(list.map((one) => [one.id, one]));

/** A made-up course in which every fourth assignment is sealed and the running total shows: the trap the check is for. */
export function leakyCourse(students: number, assignments: number): CourseState {
  const course: Course = {
    ...COURSE_DEFAULTS,
    id: id("course", 1),
    title: "Bench",
    shortTitle: "Bench",
    institution: "",
    timeZone: "UTC",
    origin: "own",
    createdAt: at,
    markerId: id("marker", 1),
    totals: "weighted",
    lateRule: null,
    missingPercent: decimal("0"),
    letters: [],
    passMark: decimal("60"),
    percentPlaces: 1,
    totalsRestOn: "all",
  };
  const categories = Array.from({ length: 4 }, (_, index): Category => ({
    ...CATEGORY_DEFAULTS,
    id: id("category", index),
    name: `Category ${String(index)}`,
    order: index,
    weight: decimal("25"),
    keep: { kind: "dropLowest", count: 1 },
  }));
  const work = Array.from({ length: assignments }, (_, index): Assignment => ({
    ...ASSIGNMENT_DEFAULTS,
    id: id("assignment", index),
    name: `Work ${String(index)}`,
    shortName: `W${String(index)}`,
    categoryId: id("category", index % 4),
    points: decimal("20"),
    dueAt: at,
    channel: "paper",
    bonus: false,
    aboveAllowed: false,
    rubricId: null,
    order: index,
    task: "",
  }));
  const people = Array.from({ length: students }, (_, index): Student => ({
    id: id("student", index),
    number: String(index),
    givenName: "Student",
    familyName: String(index),
    sectionId: null,
    note: "",
    email: "",
    left: false,
  }));
  const results = work.flatMap((assignment, column) =>
    people.map((student, row): ResultRecord => ({
      ...blankRecord("results", resultKey(assignment.id, student.id)),
      score: decimal(String(8 + ((row * 7 + column * 5) % 25) / 2)),
    })),
  );
  const seals = byId([{ id: "course", state: "released" as const, at: null, shows: "percent" as const }]);
  const plan: CourseState = {
    ...EMPTY_STATE,
    courses: byId([course]),
    categories: byId(categories),
    assignments: byId(work),
    students: byId(people),
    totalSeals: seals,
  };
  const state = withRecords(plan, "results", results);
  const open = work.filter((_, index) => index % 4 !== 3);
  const releases = byId(
    open.map((assignment) => ({
      ...blankRecord("releases", `${assignment.id}/score`),
      state: "released" as const,
      at,
    })),
  );
  const copies = open.flatMap((assignment) =>
    people.map((student) => {
      const content = facetNow(state, assignment, student, "score");
      return { ...blankRecord("copies", resultKey(assignment.id, student.id)), score: content && { at, content } };
    }),
  );
  const given = withRecords({ ...state, releases }, "copies", copies);
  const totals = people.map((student) => ({ id: student.id, totals: draftTotals(given, student.id, at) }));
  return withRecords(given, "totalCopies", totals);
}

/** The course with one sealed score changed. */
export function withOneScore(state: CourseState): CourseState {
  const key = resultKey(id("assignment", 3), id("student", 7));
  return withRecords(state, "results", [{ ...blankRecord("results", key), score: decimal("11") }]);
}

/** The course as it is looked at for leaks: its totals were given out once. */
export const leakyChecked = (state: CourseState): Checked => ({ state, history: [{ at, state }] });
