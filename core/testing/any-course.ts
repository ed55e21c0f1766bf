import fc from "fast-check";
import { decimal, type Decimal, type Id, type Instant } from "#core/kernel";
import {
  ASSIGNMENT_DEFAULTS,
  blankRecord,
  CATEGORY_DEFAULTS,
  EMPTY_STATE,
  judgementKey,
  resultKey,
  type Answer,
  type Assignment,
  type Category,
  type Course,
  type CourseState,
  type Group,
  type HandIn,
  type Judgement,
  type LateRule,
  type Question,
  type ResultRecord,
  type Scale,
  type Student,
  type Term,
  withRecords,
} from "#core/model";
import { makeRubric, WORLD } from "./builders";

const tenths = (min: number, max: number): fc.Arbitrary<Decimal> =>
  fc.integer({ min: min * 10, max: max * 10 }).map((count) => decimal(String(count / 10)));
const maybe = <T>(value: fc.Arbitrary<T>): fc.Arbitrary<T | null> => fc.option(value, { nil: null, freq: 2 });
const id = <K extends string>(kind: K, index: number) => `${kind}:${String(index)}` as Id<K>;
const day = (count: number) => new Date(Date.UTC(2026, 8, 1 + count, 12)).toISOString() as Instant;

const anyLateRule: fc.Arbitrary<LateRule> = fc.record({
  ratePercent: fc.constantFrom("5", "10", "12.5").map(decimal),
  unit: fc.constantFrom("hours", "calendarDay"),
  unitHours: fc.constant(24),
  base: fc.constantFrom("maximum", "score", "compound"),
  capPercent: maybe(fc.constantFrom("20", "50").map(decimal)),
  floorPercent: maybe(fc.constantFrom("10", "50").map(decimal)),
  graceMinutes: fc.constantFrom(0, 15),
  graceKind: fc.constantFrom("threshold", "shift"),
});

const anyCourseRecord: fc.Arbitrary<Course> = fc.record({
  id: fc.constant(id("course", 1)),
  title: fc.constant("Any course"),
  shortTitle: fc.constant("Any"),
  institution: fc.constant(""),
  timeZone: fc.constantFrom("Europe/Berlin", "Pacific/Auckland"),
  origin: fc.constant("own"),
  createdAt: fc.constant(WORLD.at),
  markerId: fc.constant(WORLD.by),
  totals: fc.constantFrom("weighted", "weighted", "points"),
  lateRule: maybe(anyLateRule),
  missingPercent: fc.constantFrom(null, decimal("0"), decimal("40")),
  letters: fc.constant(
    [
      ["A", "90"],
      ["B", "80"],
      ["C", "65.5"],
      ["F", "0"],
    ].map(([letter = "", from = ""]) => ({ letter, from: decimal(from) })),
  ),
  passMark: fc.constant(decimal("60")),
  percentPlaces: fc.integer({ min: 0, max: 2 }),
  lettersCompare: fc.constantFrom("displayed", "exact"),
  emptyCategories: fc.constantFrom("leftOut", "zero"),
  capAtHundred: fc.boolean(),
  totalsRestOn: fc.constantFrom("released", "all"),
  releaseStops: fc.constant([]),
  releasePasses: fc.constant([]),
  packet: fc.constant(null),
  namesBy: fc.constantFrom("given" as const, "family" as const),
  decimalMark: fc.constantFrom("point" as const, "comma" as const),
  dateOrder: fc.constantFrom("day" as const, "month" as const),
});

const anyCategory = (index: number, parents: number): fc.Arbitrary<Category> =>
  fc.record({
    id: fc.constant(id("category", index)),
    name: fc.constant(`Category ${String(index)}`),
    order: fc.constant(index),
    weight: fc.oneof({ weight: 4, arbitrary: tenths(0, 60) }, { weight: 1, arbitrary: fc.constant(null) }),
    parentId: index >= parents ? fc.constant(id("category", index - parents)) : fc.constant(null),
    method: fc.constantFrom("pooled", "pooled", "mean", "median", "best"),
    keep: fc.oneof(
      fc.constant(CATEGORY_DEFAULTS.keep),
      fc.record({ kind: fc.constantFrom("dropLowest", "keepBest"), count: fc.integer({ min: 1, max: 2 }) }),
    ),
    bonus: fc.constantFrom(false, false, false, true),
    termWeight: fc.constantFrom(null, null, null, decimal("30")),
  });

const anyAssignment = (index: number, categories: number): fc.Arbitrary<Assignment> =>
  fc.record({
    ...(Object.fromEntries(Object.entries(ASSIGNMENT_DEFAULTS).map(([key, value]) => [key, fc.constant(value)])) as {
      [K in keyof typeof ASSIGNMENT_DEFAULTS]: fc.Arbitrary<(typeof ASSIGNMENT_DEFAULTS)[K]>;
    }),
    id: fc.constant(id("assignment", index)),
    name: fc.constant(`Work ${String(index)}`),
    shortName: fc.constant(`W${String(index)}`),
    categoryId: fc.integer({ min: 0, max: categories - 1 }).map((place) => id("category", place)),
    points: fc.constantFrom("5", "8", "10", "12.5", "20", "0").map(decimal),
    givenAt: fc.constant(null),
    dueAt: fc.oneof({ weight: 6, arbitrary: fc.nat(80).map(day) }, { weight: 1, arbitrary: fc.constant(null) }),
    channel: fc.constant("file"),
    bonus: fc.constantFrom(false, false, false, true),
    aboveAllowed: fc.constant(true),
    rubricId: fc.constantFrom(null, null, "rubric:any" as Id<"rubric">),
    order: fc.constant(index),
    task: fc.constant(""),
    counts: fc.constantFrom(true, true, true, true, false),
    alwaysCounts: fc.constantFrom(false, false, false, true),
    scoredIn: fc.constantFrom<Assignment["scoredIn"]>(
      { kind: "points" },
      { kind: "points" },
      { kind: "percent" },
      { kind: "scale", scaleId: "scale:any" as Id<"scale"> },
    ),
    countedAttempt: fc.constantFrom("last", "first", "best", "mean"),
    scaling: fc.constantFrom<Assignment["scaling"]>(
      null,
      null,
      { kind: "add", points: decimal("1.5") },
      { kind: "squareRoot" },
      { kind: "linear", x1: decimal("0"), y1: decimal("2"), x2: decimal("8"), y2: decimal("10") },
    ),
    held: fc.constantFrom(false, false, false, true),
  });

const SCALE: Scale = {
  id: "scale:any" as Id<"scale">,
  name: "Pass",
  kind: "passNotYet",
  levels: [
    { id: "level:pass" as Id<"level">, name: "Pass", percent: decimal("100") },
    { id: "level:nearly" as Id<"level">, name: "Nearly", percent: decimal("62.5") },
    { id: "level:seen" as Id<"level">, name: "Seen", percent: null },
  ],
};
const RUBRIC = { ...makeRubric("any", "one: 0-3, 3.5-6", "two: 0-2, 2.5-5"), id: "rubric:any" as Id<"rubric"> };

const anyResult = (assignment: number, student: number): fc.Arbitrary<ResultRecord> => {
  const blank = blankRecord("results", resultKey(id("assignment", assignment), id("student", student)));
  return fc.record({
    ...(Object.fromEntries(Object.entries(blank).map(([key, value]) => [key, fc.constant<unknown>(value)])) as {
      [K in keyof ResultRecord]: fc.Arbitrary<ResultRecord[K]>;
    }),
    decision: fc.constantFrom(null, null, null, null, "missing", "excused"),
    score: maybe(tenths(0, 12)),
    setByHand: fc.oneof({ weight: 6, arbitrary: fc.constant(null) }, { weight: 1, arbitrary: tenths(0, 12) }),
    unitsLate: fc.constantFrom(null, null, 0, 1, 3),
    attemptScores: fc.constantFrom<ResultRecord["attemptScores"]>(
      [],
      [],
      [],
      [{ attempt: 1, points: decimal("4.5") }],
      [
        { attempt: 2, points: decimal("3") },
        { attempt: 1, points: decimal("6.5") },
      ],
    ),
    levelId: fc.constantFrom(null, null, ...SCALE.levels.map((level) => level.id)),
    adjustment: fc.constantFrom(null, decimal("-1"), decimal("0.5")),
    held: fc.constantFrom(false, false, false, true),
  });
};

const anyJudgement = (assignment: number, student: number, criterion: Id<"criterion">): fc.Arbitrary<Judgement> => {
  const key = judgementKey(id("assignment", assignment), id("student", student), criterion);
  return fc
    .record({ points: maybe(tenths(0, 5)), notApplicable: fc.constantFrom(false, false, false, true) })
    .map((fields) => ({ ...blankRecord("judgements", key), ...fields }));
};

/** Two questions of assignment 1: one with a key, one judged by hand. */
const QUESTIONS: readonly Question[] = [
  {
    id: id("question", 0),
    assignmentId: id("assignment", 1),
    order: 0,
    prompt: "How much?",
    points: decimal("4"),
    key: { kind: "numeric", value: "287", tolerance: "1", toleranceIn: "percent" },
  },
  {
    id: id("question", 1),
    assignmentId: id("assignment", 1),
    order: 1,
    prompt: "Why?",
    points: decimal("6"),
    key: { kind: "written" },
  },
];

const anyAnswer = (student: number, question: Question): fc.Arbitrary<Answer> =>
  fc.record({ text: fc.constantFrom("", "287", "300"), points: maybe(tenths(0, 6)) }).map((fields) => ({
    ...blankRecord("answers", `${question.assignmentId}/${id("student", student)}/${question.id}`),
    ...fields,
  }));

const byId = <T extends { readonly id: string }>(records: readonly T[]): Record<string, T> =>
  Object.fromEntries(records.map((record) => [record.id, record]));

const students = (count: number): Student[] =>
  Array.from({ length: count }, (_, index) => ({
    id: id("student", index),
    number: `N${String(index)}`,
    givenName: "S",
    familyName: String(index),
    sectionId: null,
    note: "",
    email: "",
    left: false,
  }));

const TERMS: readonly Term[] = [0, 1].map((index) => ({
  id: id("term", index),
  name: `Term ${String(index)}`,
  weight: decimal(index === 0 ? "40" : "60"),
  startsAt: day(index * 40),
  endsAt: day(index * 40 + 36),
  order: index,
}));

/** Two attempts in time and late for every other paper. */
const handIns = (assignments: readonly Assignment[], people: readonly Student[]): HandIn[] =>
  assignments.flatMap((assignment, row) =>
    people
      .filter((_, column) => (row + column) % 2 === 0)
      .map((student) => ({
        id: resultKey(assignment.id, student.id),
        assignmentId: assignment.id,
        studentId: student.id,
        attempts: [20, 30].map((when, index) => ({ number: index + 1, at: day(when), files: [] })),
      })),
  );

/** Any course: every rule, two students, nested categories, terms or none, everything that a result can be. For properties. */
export const anyCourse = (): fc.Arbitrary<CourseState> =>
  fc
    .record({ course: anyCourseRecord, roots: fc.integer({ min: 1, max: 3 }), inner: fc.nat(2), terms: fc.boolean() })
    .chain(({ course, roots, inner, terms }) =>
      fc.record({
        course: fc.constant(course),
        terms: fc.constant(terms ? TERMS : []),
        categories: fc.tuple(
          ...Array.from({ length: roots + Math.min(inner, roots) }, (_, index) => anyCategory(index, roots)),
        ),
        assignments: fc
          .integer({ min: 1, max: 7 })
          .chain((count) =>
            fc.tuple(
              ...Array.from({ length: count }, (_, index) => anyAssignment(index, roots + Math.min(inner, roots))),
            ),
          ),
        results: fc.tuple(...Array.from({ length: 14 }, (_, index) => anyResult(index % 7, Math.floor(index / 7)))),
        judgements: fc.tuple(
          ...Array.from({ length: 14 }, (_, index) =>
            fc.tuple(...RUBRIC.criteria.map((item) => anyJudgement(index % 7, Math.floor(index / 7), item.id))),
          ),
        ),
        groupScore: maybe(tenths(0, 10)),
        answers: fc.tuple(...[0, 1].flatMap((student) => QUESTIONS.map((question) => anyAnswer(student, question)))),
      }),
    )
    .map(({ course, terms, categories, assignments, results, judgements, groupScore, answers }): CourseState => {
      const people = students(2);
      const group: Group = {
        id: id("group", 0),
        assignmentId: id("assignment", 0),
        name: "Group",
        memberIds: people.map((student) => student.id),
        score: groupScore,
      };
      const here = ({ assignmentId }: { readonly assignmentId: string }) =>
        assignments.some((assignment) => assignment.id === assignmentId);
      const plan: CourseState = {
        ...EMPTY_STATE,
        courses: byId([course]),
        students: byId(people),
        terms: byId(terms),
        categories: byId(categories),
        scales: byId([SCALE]),
        rubrics: byId([RUBRIC]),
        assignments: byId(assignments),
        groups: byId([group]),
        questions: byId(QUESTIONS.filter(here)),
      };
      const handedIn = withRecords(plan, "handIns", handIns(assignments, people));
      const scored = withRecords(handedIn, "results", results.filter(here));
      const judged = withRecords(scored, "judgements", judgements.flat().filter(here));
      return withRecords(judged, "answers", answers.filter(here));
    });
