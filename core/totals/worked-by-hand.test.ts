import { describe, expect, it } from "vitest";
import { decimal, fractionText, roundToText, type Exact, type Id, type Instant } from "#core/kernel";
import {
  ASSIGNMENT_DEFAULTS,
  blankRecord,
  CATEGORY_DEFAULTS,
  courseOf,
  EMPTY_STATE,
  resultKey,
  type Assignment,
  type Category,
  type Course,
  type CourseState,
  type ResultRecord,
  type Term,
  withRecords,
} from "#core/model";
import { smallCourse, studentId } from "#core/testing";
import { explainTotal, figuresOf, letterOf } from "./index";

// The same five totals as in docs/figures.md, where every line names its rule. Worked by hand, with made-up figures.

const who = studentId("ida");
const ids = <K extends string>(kind: K, name: string) => `${kind}:${name}` as Id<K>;
const table = <T extends { readonly id: string }>(records: readonly T[]) =>
  Object.fromEntries(records.map((record) => [record.id, record]));

type Work = Partial<Assignment> & { readonly result?: Partial<ResultRecord>; readonly handedIn?: readonly string[] };

interface Sheet {
  readonly course?: Partial<Course>;
  readonly terms?: readonly (Pick<Term, "startsAt" | "endsAt"> & { readonly name: string; readonly weight: string })[];
  readonly categories: Readonly<Record<string, Partial<Category>>>;
  /** Work by `category name`, with its points and what came of it. */
  readonly work: Readonly<Record<string, Readonly<Record<string, readonly [points: string, work: Work]>>>>;
}

/** Late by 5 % of the points a started day, missing counts 0, letters A 90, B 80, C 70, D 60, E 0, one decimal. */
const RULES: Course = {
  ...courseOf(smallCourse()),
  letters: (
    [
      ["A", "90"],
      ["B", "80"],
      ["C", "70"],
      ["D", "60"],
      ["E", "0"],
    ] as const
  ).map(([letter, from]) => ({ letter, from: decimal(from) })),
};

function courseFrom({ course, terms = [], categories, work }: Sheet): CourseState {
  const all = Object.entries(work).flatMap(([category, list]) =>
    Object.entries(list).map(([name, [points, { result, handedIn, ...fields }]], order) => {
      const id = ids("assignment", name);
      const assignment: Assignment = {
        ...ASSIGNMENT_DEFAULTS,
        id,
        name,
        shortName: name,
        categoryId: ids("category", category),
        points: decimal(points),
        dueAt: "2026-10-01T12:00:00Z" as Instant,
        channel: "file",
        bonus: false,
        aboveAllowed: true,
        rubricId: null,
        order,
        task: "",
        ...fields,
      };
      const key = resultKey(id, who);
      const attempts = (handedIn ?? []).map((at, index) => ({ number: index + 1, at: at as Instant, files: [] }));
      const handIn = attempts.length > 0 ? [{ id: key, assignmentId: id, studentId: who, attempts }] : [];
      return { assignment, result: { ...blankRecord("results", key), ...result }, handIn };
    }),
  );
  const plan: CourseState = {
    ...EMPTY_STATE,
    courses: table([{ ...RULES, ...course }]),
    students: table([
      { id: who, number: "1", givenName: "Ida", familyName: "Moss", sectionId: null, note: "", email: "", left: false },
    ]),
    terms: table(
      terms.map((term, order) => ({ ...term, id: ids("term", term.name), weight: decimal(term.weight), order })),
    ),
    categories: table(
      Object.entries(categories).map(([name, fields], order) => ({
        ...CATEGORY_DEFAULTS,
        id: ids("category", name),
        name,
        weight: null,
        order,
        ...fields,
      })),
    ),
    assignments: table(all.map(({ assignment }) => assignment)),
  };
  const handedIn = withRecords(
    plan,
    "handIns",
    all.flatMap(({ handIn }) => handIn),
  );
  return withRecords(
    handedIn,
    "results",
    all.map(({ result }) => result),
  );
}

const score = (points: string): Work => ({ result: { score: decimal(points) } });
const weight = (percent: string) => ({ weight: decimal(percent) });
const exactly = (value: Exact | null) => value && fractionText(value);

/** What a course comes to: exact, as displayed, and its letter. */
function outcome(state: CourseState) {
  const { now, lowest, highest } = figuresOf(state).totals(who);
  expect(exactly(explainTotal(state, who).exact)).toBe(exactly(now));
  return {
    exact: exactly(now),
    shown: now && roundToText(now, 1),
    letter: now && letterOf(courseOf(state), now),
    range: [lowest, highest].map((value) => value && roundToText(value, 1)),
  };
}
const category = (state: CourseState, name: string) =>
  exactly(figuresOf(state).totals(who).categories.get(ids("category", name))?.percent ?? null);

describe("five totals worked by hand (docs/figures.md)", () => {
  it("1. weighted, with late, missing and excused work", () => {
    const state = courseFrom({
      categories: { papers: weight("60"), quizzes: weight("40") },
      work: {
        papers: { memo: ["100", { result: { score: decimal("86"), unitsLate: 2 } }], essay: ["50", score("41.5")] },
        quizzes: {
          one: ["20", score("17")],
          two: ["20", { result: { decision: "missing" } }],
          three: ["10", { result: { decision: "excused" } }],
        },
      },
    });
    expect([category(state, "papers"), category(state, "quizzes")]).toEqual(["235/3", "85/2"]);
    expect(outcome(state)).toEqual({ exact: "64/1", shown: "64.0", letter: "D", range: ["64.0", "64.0"] });
  });

  it("2. straight points, with bonus and open work", () => {
    const state = courseFrom({
      course: { totals: "points" },
      categories: { homework: {}, exam: {} },
      work: {
        homework: {
          first: ["40", score("30")],
          second: ["20", score("18")],
          extra: ["5", { ...score("4"), bonus: true }],
          project: ["40", {}],
        },
        exam: { final: ["100", score("71.25")] },
      },
    });
    expect(outcome(state)).toEqual({ exact: "2465/32", shown: "77.0", letter: "C", range: ["61.6", "81.6"] });
  });

  it("3. the lowest of unequal points dropped for the best percentage", () => {
    const state = courseFrom({
      categories: { sheets: { ...weight("100"), keep: { kind: "dropLowest", count: 1 } } },
      work: {
        sheets: {
          a: ["60", score("50")],
          b: ["100", score("47")],
          c: ["20", score("8")],
          d: ["80", score("29")],
          e: ["25", score("9")],
        },
      },
    });
    const dropped = figuresOf(state).totals(who).categories.get(ids("category", "sheets"))?.leftOut;
    expect(dropped?.map(({ item, why }) => [item.id, why])).toEqual([["assignment:d", "dropped"]]);
    expect(outcome(state)).toEqual({ exact: "2280/41", shown: "55.6", letter: "E", range: ["55.6", "55.6"] });
  });

  it("4. two terms and an exam that stands as a term, with a category inside a category", () => {
    const spring = "2026-11-15T12:00:00Z" as Instant;
    const inside = { parentId: ids("category", "field"), method: "mean" } as const;
    const state = courseFrom({
      terms: [
        {
          name: "autumn",
          weight: "40",
          startsAt: "2026-09-01T00:00:00Z" as Instant,
          endsAt: "2026-11-01T00:00:00Z" as Instant,
        },
        {
          name: "winter",
          weight: "35",
          startsAt: "2026-11-01T00:00:00Z" as Instant,
          endsAt: "2027-01-01T00:00:00Z" as Instant,
        },
      ],
      categories: { field: weight("100"), labs: inside, exam: { termWeight: decimal("25") } },
      work: {
        field: { report: ["50", score("45")] },
        labs: { one: ["10", score("9")], two: ["40", score("30")], three: ["10", { ...score("7"), dueAt: spring }] },
        exam: { final: ["80", { ...score("66"), dueAt: null }] },
      },
    });
    const autumn = explainTotal(state, who).parts.map(({ account }) => [account.id, exactly(account.exact)]);
    expect(autumn).toEqual([
      ["term:autumn", "345/4"],
      ["term:winter", "70/1"],
      ["category:exam", "165/2"],
    ]);
    expect(outcome(state)).toMatchObject({ exact: "637/8", shown: "79.6", letter: "C" });
  });

  it("5. the best attempt, percent entry, a bonus category, and the cap", () => {
    const attempts: Work = {
      handedIn: ["2026-10-01T09:00:00Z", "2026-10-02T09:00:00Z"],
      countedAttempt: "best",
      result: {
        attemptScores: [
          { attempt: 1, points: decimal("18") },
          { attempt: 2, points: decimal("20") },
        ],
      },
    };
    const state = courseFrom({
      course: { capAtHundred: true },
      categories: { work: weight("100"), talks: { ...weight("10"), bonus: true } },
      work: {
        work: {
          map: ["20", attempts],
          log: ["12.5", { ...score("96"), scoredIn: { kind: "percent" } }],
        },
        talks: { talk: ["5", score("4")] },
      },
    });
    expect([category(state, "work"), category(state, "talks")]).toEqual(["1240/13", "80/1"]);
    expect(exactly(explainTotal(state, who).parts[0]?.account.exact ?? null)).toBe("1344/13");
    expect(outcome(state)).toMatchObject({ exact: "100/1", shown: "100.0", letter: "A" });
  });
});
