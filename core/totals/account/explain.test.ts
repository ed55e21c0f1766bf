import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  add,
  compare,
  decimal,
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  pointsText,
  ratio,
  sum,
  ZERO,
  type Exact,
  type Instant,
} from "#core/kernel";
import { resultOf, studentsOf, withRecords, type CourseState } from "#core/model";
import { afterDeduction, scaledScore } from "#core/scoring";
import { anyCourse, assignmentId, fileId, run, smallCourse, studentId, runs } from "#core/testing";
import {
  categoryTotal,
  explainCategory,
  explainResult,
  explainTotal,
  figuresOf,
  termTotal,
  type Account,
  type Item,
} from "../index";

const fraction = (value: Exact | null) => value && `${String(value.n)}/${String(value.d)}`;
const percentOf = (value: Exact, size: Exact) => divide(multiply(value, HUNDRED), size);

/** Works a figure out again from its account alone, and checks every figure below it on the way. */
function replay(account: Account): Exact | null {
  const values = account.parts.map((part) => ({ ...part, value: replay(part.account) }));
  account.leftOut.forEach((left) => replay(left.account));
  const figure = byRule(account, values);
  expect(fraction(figure)).toBe(fraction(account.exact));
  return figure;
}

type Valued = Account["parts"][number] & { readonly value: Exact | null };

function byRule({ rule, exact }: Account, parts: readonly Valued[]): Exact | null {
  const only = parts[0]?.value ?? null;
  const plain = parts.filter(({ bonus }) => !bonus);
  const total = (list: readonly Valued[], of: (part: Valued) => Exact) => sum(list.map(of));
  const value = (part: Valued) => part.value ?? ZERO;
  switch (rule.name) {
    case "entered":
    case "open":
      return exact;
    case "rubric":
      if (rule.weighted) {
        const weighed = (part: Valued) => multiply(part.weight ?? ZERO, divide(value(part), part.size));
        const share = divide(
          total(parts, weighed),
          total(parts, (part) => part.weight ?? ZERO),
        );
        return rule.scaledTo && multiply(share, rule.scaledTo);
      }
      return rule.scaledTo
        ? multiply(
            divide(
              total(parts, value),
              total(parts, ({ size }) => size),
            ),
            rule.scaledTo,
          )
        : total(parts, value);
    case "answers":
      return total(parts, value);
    case "group":
      return only && add(only, rule.adjustment);
    case "scaled":
      return only && scaledScore(rule.scaling, only, rule.maximum);
    case "late":
      return only && afterDeduction(rule.rule, only, rule.maximum, rule.units);
    case "attempts":
      return rule.which === "mean" ? divide(total(parts, value), ratio(BigInt(parts.length), 1n)) : only;
    case "missing":
      return rule.percent === null ? null : divide(multiply(fromDecimal(rule.percent), rule.maximum), HUNDRED);
    case "excused":
      return null;
    case "setByHand":
      return only;
    case "category":
      return plain.length === 0
        ? null
        : categoryPercent(
            rule.method,
            plain,
            total(
              parts.filter(({ bonus }) => bonus),
              value,
            ),
          );
    case "asItem":
      return only && divide(multiply(only, rule.points), HUNDRED);
    case "weighted":
      return parts.length === 0 || total(plain, ({ size }) => size).n === 0n
        ? null
        : divide(
            total(parts, (part) => multiply(part.size, value(part))),
            total(plain, ({ size }) => size),
          );
    case "straightPoints":
      return total(plain, ({ size }) => size).n === 0n
        ? null
        : percentOf(
            total(parts, earnedOf),
            total(plain, ({ size }) => size),
          );
    case "terms":
      return total(parts, ({ size }) => size).n === 0n
        ? null
        : divide(
            total(parts, (part) => multiply(part.size, value(part))),
            total(parts, ({ size }) => size),
          );
    case "cap":
      return only && compare(only, HUNDRED) > 0 ? HUNDRED : only;
  }
}

function categoryPercent(method: string, plain: readonly Valued[], gain: Exact): Exact {
  if (method === "pooled") {
    return percentOf(add(sum(plain.map(({ value }) => value ?? ZERO)), gain), sum(plain.map(({ size }) => size)));
  }
  const percents = plain.map(({ value, size }) => percentOf(value ?? ZERO, size)).sort(compare);
  const at = (index: number) => percents[index] ?? ZERO;
  const half = percents.length >> 1;
  if (method === "best") return add(at(percents.length - 1), gain);
  if (method === "mean") return add(divide(sum(percents), ratio(BigInt(percents.length), 1n)), gain);
  const median = percents.length % 2 === 1 ? at(half) : divide(add(at(half - 1), at(half)), ratio(2n, 1n));
  return add(median, gain);
}

/** Points a category brings to straight points: its share of its points, or its bonus alone. */
const earnedOf = ({ account, size, value }: Valued): Exact =>
  value ? divide(multiply(value, size), HUNDRED) : sum(account.parts.map((part) => part.account.exact ?? ZERO));

describe("every figure explains itself", () => {
  it("the account of any total, under any outlook, replays to the same figure, part by part", () => {
    fc.assert(
      fc.property(anyCourse(), fc.constantFrom("lowest", "now", "highest"), (state, outlook) => {
        for (const { id } of studentsOf(state)) {
          const account = explainTotal(state, id, outlook);
          expect(fraction(account.exact)).toBe(fraction(figuresOf(state).totals(id)[outlook]));
          replay(account);
        }
      }),
      { numRuns: runs(200) },
    );
  });

  it("says where every assignment went: into the total, or left out and why", () => {
    const ids = (account: Account): string[] => [
      ...(account.kind === "result" || account.kind === "score" ? [account.id] : []),
      ...account.parts.flatMap((part) => ids(part.account)),
      ...account.leftOut.flatMap((left) => ids(left.account)),
    ];
    fc.assert(
      fc.property(anyCourse(), (state) => {
        const named = new Set(ids(explainTotal(state, studentId("0"))));
        expect([...named].sort()).toEqual(Object.keys(state.assignments).sort());
      }),
      { numRuns: runs(100) },
    );
  });

  it("goes down to who entered a score and when, through the late rule", () => {
    const late = run(smallCourse(), {
      type: "setScore",
      assignmentId: assignmentId("quiz"),
      studentId: studentId("ben"),
      text: "18 l2",
    });
    const by = { at: late.courses["course:small"]?.createdAt ?? ("" as never), by: "Marker" };
    const quiz = late.assignments[assignmentId("quiz")];
    const account = quiz && explainResult(late, quiz, studentId("ben"), () => by);
    expect(account).toMatchObject({ shown: "16", rule: { name: "late", units: 2 } });
    expect(account?.parts[0]?.account).toMatchObject({ shown: "18", rule: { name: "entered", source: "typed", by } });
  });

  it("names the time of a student's own from which lateness counts, unless lateness was said", () => {
    const place = { assignmentId: assignmentId("essay"), studentId: studentId("ada") };
    const until = "2026-10-24T12:30:00Z" as Instant;
    const given = run(
      smallCourse(),
      { type: "giveMoreTime", assignmentId: place.assignmentId, studentIds: [place.studentId], until, reason: "" },
      {
        type: "addHandIn",
        ...place,
        at: "2026-10-24T13:00:00Z" as Instant,
        files: [{ id: fileId("later"), name: "later.pdf", mediaType: "application/pdf", size: 1 }],
      },
      { type: "setScore", ...place, text: "80" },
    );
    const ruleOf = (state: CourseState) => {
      const essay = state.assignments[place.assignmentId];
      return essay && explainResult(state, essay, place.studentId, () => null).rule;
    };
    expect(ruleOf(given)).toMatchObject({ name: "late", units: 1, until });
    expect(ruleOf(run(given, { type: "setLateness", ...place, unitsLate: 2 }))).toMatchObject({
      units: 2,
      until: null,
    });
  });

  it("shows a figure set by hand with the computed one beside it", () => {
    const state = run(smallCourse(), {
      type: "setScore",
      assignmentId: assignmentId("quiz"),
      studentId: studentId("ben"),
      text: "m",
    });
    const result = resultOf(state, assignmentId("quiz"), studentId("ben"));
    const byHand = withRecords(state, "results", [{ ...result, setByHand: "7" as never }]);
    const quiz = state.assignments[assignmentId("quiz")];
    const account = quiz && explainResult(byHand, quiz, studentId("ben"));
    expect(account).toMatchObject({
      shown: "7",
      rule: { name: "setByHand" },
      leftOut: [{ why: "replaced", account: { shown: "0" } }],
    });
  });

  it("finds the account of one category, also of one that is not there", () => {
    const state = run(smallCourse(), {
      type: "setScore",
      assignmentId: assignmentId("quiz"),
      studentId: studentId("ben"),
      text: "15",
    });
    expect(explainCategory(state, studentId("ben"), "category:quizzes")).toMatchObject({
      kind: "category",
      shown: "75.0",
    });
    expect(explainCategory(state, studentId("ben"), "category:none")).toBeNull();
  });
});

describe("a rise in a score", () => {
  /** The course with one counted value of student 0 raised by hand. */
  const risen = (state: CourseState, which: number, tenths: number): CourseState => {
    const counted = Object.values(state.assignments).filter(
      ({ id }) => figuresOf(state).figure(id, studentId("0")).counted !== null,
    );
    const assignment = counted[which % Math.max(1, counted.length)];
    if (!assignment) return state;
    const { counted: value, standing } = figuresOf(state).figure(assignment.id, studentId("0"));
    const result = resultOf(state, assignment.id, studentId("0"));
    const by = ratio(BigInt(tenths), 10n);
    // Rounded up to four places, so that it is never less than it was.
    const setByHand = value && pointsText(add(add(value, by), ratio(1n, 10_000n)));
    return standing === "missing" ? state : withRecords(state, "results", [{ ...result, setByHand }]);
  };

  it("never lowers a weighted total whose inner categories have weights", () => {
    fc.assert(
      fc.property(anyCourse(), fc.nat(9), fc.nat(60), (any, which, tenths) => {
        const courses = Object.fromEntries(
          Object.entries(any.courses).map(([id, course]) => [id, { ...course, totals: "weighted" as const }]),
        );
        const categories = Object.fromEntries(
          Object.entries(any.categories).map(([id, category]) => [
            id,
            category.parentId === null ? category : { ...category, weight: category.weight ?? decimal("10") },
          ]),
        );
        const state = { ...any, courses, categories };
        const [before, after] = [state, risen(state, which, tenths)].map(
          (at) => figuresOf(at).totals(studentId("0")).now,
        );
        expect(!before || (after && compare(after, before) >= 0)).toBe(true);
      }),
      { numRuns: runs(300) },
    );
  });

  it("can lower straight points, where something is dropped from unequal points: that total leaps (by hand)", () => {
    // 49 % of 10 beside 45 % of 2: the small one goes, 4.9/10 and 0/10 make 24.5 %. At 50 % the large one goes: 1/12.
    const item = (id: string, value: string, points: string): Item => ({
      id,
      value: fromDecimal(decimal(value)),
      points: fromDecimal(decimal(points)),
      bonus: false,
      alwaysCounts: false,
      standing: "counts",
    });
    const total = (small: string) => {
      const drop = { method: "pooled", keep: { kind: "dropLowest", count: 1 } } as const;
      const dropping = categoryTotal(drop, [item("large", "4.9", "10"), item("small", small, "2")], "now");
      const rest = categoryTotal({ method: "pooled", keep: { kind: "all" } }, [item("rest", "0", "10")], "now");
      const share = { weight: null, bonus: false };
      const shares = [dropping, rest].map((part, index) => ({
        category: { ...share, id: String(index) },
        total: part,
      }));
      return fraction(termTotal({ totals: "points", emptyCategories: "leftOut" }, shares).percent);
    };
    expect([total("0.9"), total("1")]).toEqual(["49/2", "25/3"]);
  });
});
