import { decimal, type AssignmentId, type CriterionId, type Decimal, type Id, type StudentId } from "#core/kernel";
import {
  ASSIGNMENT_DEFAULTS,
  blankRecord,
  CATEGORY_DEFAULTS,
  judgementKey,
  resultKey,
  STUDENT_DEFAULTS,
  withRecords,
  type Assignment,
  type CourseState,
  type Criterion,
  type Question,
} from "#core/model";
import { assignmentId, criterionId, smallCourse } from "./builders";

/** The student of a place in the class. */
export const classStudent = (place: number): StudentId => `student:s${String(place).padStart(4, "0")}` as StudentId;
/** A number in letters: a, b, ... z, ba. */
const letters = (place: number): string =>
  place.toString(26).replace(/./g, (digit) => String.fromCharCode(97 + parseInt(digit, 26)));

/** The two sections of the class. */
const CLASS_SECTIONS = ["section:one", "section:two"] as unknown as readonly Id<"section">[];

const CATEGORY = {
  ...CATEGORY_DEFAULTS,
  id: "category:all" as Id<"category">,
  name: "All",
  order: 0,
  weight: decimal("100"),
};

/** The sections and the students of the class, in a course without work. */
function classPeople(count: number): CourseState {
  const none = { students: {}, assignments: {}, categories: {}, rubrics: {}, handIns: {} };
  const sections = CLASS_SECTIONS.map((id, order) => ({ id, name: id.slice(8), order }));
  const students = Array.from({ length: count }, (_, place) => ({
    ...STUDENT_DEFAULTS,
    id: classStudent(place),
    number: `N${String(place)}`,
    givenName: `Given${letters(place)}`,
    familyName: `Family${String(place)}`,
    sectionId: CLASS_SECTIONS[place % 2] ?? null,
  }));
  const empty: CourseState = { ...smallCourse({ lateRule: null }), ...none };
  return withRecords(withRecords(empty, "sections", sections), "students", students);
}

/** A course of so many students, alternately in two sections, and of work of 100 points each in one category; nothing is scored. */
export function wholeClass(
  count: number,
  work: readonly string[] = ["work"],
  more: Partial<Assignment> = {},
): CourseState {
  return withRecords(
    withRecords(classPeople(count), "categories", [CATEGORY]),
    "assignments",
    work.map((name, order): Assignment => ({
      ...ASSIGNMENT_DEFAULTS,
      id: assignmentId(name),
      name,
      shortName: name,
      categoryId: CATEGORY.id,
      points: decimal("100"),
      dueAt: `2026-09-${String(order + 1).padStart(2, "0")}T12:00:00Z` as never,
      channel: "paper",
      bonus: false,
      aboveAllowed: false,
      rubricId: null,
      order,
      task: "",
      ...more,
    })),
  );
}

const points = (value: number): Decimal => decimal(String(Math.round(value * 1e4) / 1e4));

/** Typed scores of one assignment, by place in the class; null leaves a student without. */
export const withScores = (state: CourseState, work: AssignmentId, scores: readonly (number | null)[]): CourseState =>
  withRecords(
    state,
    "results",
    scores.flatMap((score, place) =>
      score === null ? [] : [{ ...blankRecord("results", resultKey(work, classStudent(place))), score: points(score) }],
    ),
  );

/** A rubric of one level a criterion, 0 to the maximum, for an assignment; its points are the sum of the maxima. */
export function withCriteria(
  state: CourseState,
  work: AssignmentId,
  criteria: readonly {
    readonly name: string;
    readonly levels: readonly (readonly [name: string, min: number, max: number])[];
  }[],
): CourseState {
  const rubric = {
    id: "rubric:class" as Id<"rubric">,
    name: "class",
    proposal: "top" as const,
    purpose: "score" as const,
    scaled: false,
    criteria: criteria.map(({ name, levels }): Criterion => ({
      id: criterionId(name),
      name,
      step: decimal("0.5"),
      asksEvidence: false,
      weight: null,
      levels: levels.map(([level, min, max]) => ({
        id: `level:${name}-${level}` as Id<"level">,
        name: level,
        min: points(min),
        max: points(max),
        descriptor: "",
      })),
    })),
  };
  const whole = criteria.reduce((total, { levels }) => total + (levels.at(-1)?.[2] ?? 0), 0);
  const assignment = state.assignments[work];
  if (!assignment) throw new Error(`no ${work}`);
  return withRecords(withRecords(state, "rubrics", [rubric]), "assignments", [
    { ...assignment, rubricId: rubric.id, points: points(whole) },
  ]);
}

/** Judgements by criterion (columns) of each student (rows). */
export const withJudgements = (
  state: CourseState,
  work: AssignmentId,
  criteria: readonly CriterionId[],
  rows: readonly (readonly number[])[],
): CourseState =>
  withRecords(
    state,
    "judgements",
    rows.flatMap((row, place) =>
      row.map((value, at) => ({
        ...blankRecord("judgements", judgementKey(work, classStudent(place), criteria[at] ?? criterionId("none"))),
        points: points(value),
      })),
    ),
  );

/** Questions of an assignment with the answers of each student (rows); everybody has handed in. */
export function withAnswers(
  state: CourseState,
  work: AssignmentId,
  questions: readonly Pick<Question, "key" | "points">[],
  rows: readonly (readonly string[])[],
): CourseState {
  const made = questions.map((question, order): Question => ({
    ...question,
    id: `question:q${String(order)}` as Id<"question">,
    assignmentId: work,
    order,
    prompt: `Question ${String(order + 1)}`,
  }));
  const handIns = rows.map((_, place) => ({
    id: resultKey(work, classStudent(place)),
    assignmentId: work,
    studentId: classStudent(place),
    attempts: [{ number: 1, at: null, files: [] }],
  }));
  const answers = rows.flatMap((row, place) =>
    row.map((text, at) => ({
      ...blankRecord("answers", `${resultKey(work, classStudent(place))}/${made[at]?.id ?? ""}`),
      text,
    })),
  );
  return withRecords(withRecords(withRecords(state, "questions", made), "handIns", handIns), "answers", answers);
}
