import { describe, expect, it } from "vitest";
import { decimal, required, type Instant, type MarkerId } from "#core/kernel";
import { blankRecord, resultKey, withRecords, type CourseState } from "#core/model";
import {
  assignmentId,
  classStudent,
  criterionId,
  wholeClass,
  withCriteria,
  withJudgements,
  withScores,
} from "#core/testing";
import { oddFound, type Oddity, type Scoring, type Scorings } from "../index";

/** Random numbers that are the same at every run (Park, S. K. & Miller, K. W., 1988, CACM 31, 1192-1201). */
function numbers(seed: number) {
  let state = seed;
  const next = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
  /** About normal: the sum of twelve less six. */
  const normal = () => Array.from({ length: 12 }, next).reduce((total, one) => total + one, -6);
  return { next, normal, below: (count: number) => Math.floor(next() * count) };
}

const PAPERS = 28;
const [work, others] = [assignmentId("work"), ["two", "three", "four", "five"]];
const LEVELS = [
  ["thin", 0, 7],
  ["sound", 7.5, 14],
  ["full", 14.5, 20],
] as const;
const CRITERIA = ["one", "two", "three"];
const ids = CRITERIA.map(criterionId);
const onScale = (points: number, top: number) => Math.max(0, Math.min(top, Math.round(points * 2) / 2));

/** Kinds of oddities that are planted, each as a marker would bring it about. */
type Planted = "none" | "drift" | "far" | "name" | "byHand" | "seconds" | "zero" | "above";
const KINDS: readonly Planted[] = ["drift", "far", "name", "byHand", "seconds", "zero", "above"];
const CODES: Readonly<Record<Planted, Oddity["code"] | null>> = {
  none: null,
  drift: "drift",
  far: "far_from_own_work",
  name: "other_name",
  byHand: "by_hand_no_reason",
  seconds: "judged_in_seconds",
  zero: "zero_maybe_missing",
  above: "above_maximum",
};

/** A class that is judged as classes are: a student's own level, some luck in each piece, own names in comments. */
function makeClass(seed: number, planted: Planted) {
  const { normal, below } = numbers(seed);
  const ability = Array.from({ length: PAPERS }, () => 0.68 + 0.12 * normal());
  const victim = below(PAPERS);
  const other = classStudent((victim + 1 + below(PAPERS - 1)) % PAPERS);
  const base = wholeClass(PAPERS, ["work", ...others], { channel: "file" });
  const rows = ability.map((level, place) =>
    CRITERIA.map((_, at) => {
      const far = planted === "far" && place === victim ? -0.45 : 0;
      const drift = planted === "drift" && at === 1 && place >= PAPERS - 12 ? -0.28 : 0;
      return onScale(20 * (Math.min(1, Math.max(0, level + 0.07 * normal())) + far + drift), 20);
    }),
  );
  let state: CourseState = withJudgements(
    withCriteria(
      base,
      work,
      CRITERIA.map((name) => ({ name, levels: LEVELS })),
    ),
    work,
    ids,
    rows,
  );
  for (const name of others) {
    const scores = ability.map((level) => onScale(100 * (level + 0.06 * normal()), 100));
    state = withScores(state, assignmentId(name), scores);
  }
  const names = ability.map((_, place) => required(state.students[classStudent(place)], "student").givenName);
  const results = ability.map((_, place) => {
    const named = planted === "name" && place === victim ? (state.students[other]?.givenName ?? "") : names[place];
    return {
      ...blankRecord("results", resultKey(work, classStudent(place))),
      overallComment:
        place % 2 || (planted === "name" && place === victim) ? `${named ?? ""}, the record is used well.` : "",
      setByHand: planted === "byHand" && place === victim ? decimal("41.5") : null,
    };
  });
  state = withRecords(state, "results", results);
  if (planted === "zero") state = asZero(state, victim);
  if (planted === "above") {
    const key = resultKey(work, classStudent(victim));
    const record = required(state.results[work]?.[key], "result");
    state = withRecords(state, "results", [{ ...record, setByHand: decimal("66") }]);
  }
  const scorings: Scorings = new Map(
    ability.map((_, place): [ReturnType<typeof classStudent>, Scoring] => [
      classStudent(place),
      {
        by: "marker:one" as MarkerId,
        at: "2026-10-01T10:00:00Z" as Instant,
        seq: place + 1,
        reason: planted === "above" ? "Extra page." : null,
        seconds: planted === "seconds" && place === victim ? 5 : 120 + below(400),
      },
    ]),
  );
  return { state, scorings, victim: classStudent(victim) };
}

/** Somebody without a rubric score is given a typed 0 instead. */
function asZero(state: CourseState, place: number): CourseState {
  const own = `${resultKey(work, classStudent(place))}/`;
  const kept = Object.entries(state.judgements[work] ?? {}).filter(([id]) => !id.startsWith(own));
  const record = required(state.results[work]?.[resultKey(work, classStudent(place))], "result");
  return withRecords({ ...state, judgements: { ...state.judgements, [work]: Object.fromEntries(kept) } }, "results", [
    { ...record, score: decimal("0") },
  ]);
}

function lookAt(seed: number, planted: Planted) {
  const { state, scorings, victim } = makeClass(seed, planted);
  const assignment = required(state.assignments[work], "work");
  const order = () => Array.from({ length: PAPERS }, (_, place) => classStudent(place));
  const { open } = oddFound(state, assignment, scorings, order);
  const isPlanted = (odd: Oddity) => odd.code === CODES[planted] && (!("studentId" in odd) || odd.studentId === victim);
  // A typed 0 and a score far down are far from the student's own work as well.
  const follows = (odd: Oddity) => "studentId" in odd && odd.studentId === victim && planted !== "none";
  return {
    found: open.some(isPlanted),
    false: open.filter((odd) => !isPlanted(odd) && !follows(odd)).length,
  };
}

describe("the list of what looks odd, over generated courses", () => {
  const TRIES = 60;

  it.each(KINDS)("finds at least 95 of 100 planted oddities: %s", (planted) => {
    const looked = Array.from({ length: TRIES }, (_, at) => lookAt(1_000 * (at + 1) + 17, planted));
    expect(looked.filter(({ found }) => found).length / TRIES).toBeGreaterThanOrEqual(0.95);
  });

  it("raises at most one false alarm in 100 papers", () => {
    const looked = Array.from({ length: 4 * TRIES }, (_, at) => lookAt(7_919 * (at + 1), "none"));
    const alarms = looked.reduce((total, one) => total + one.false, 0);
    expect(alarms / (looked.length * PAPERS)).toBeLessThanOrEqual(0.01);
  });
});
