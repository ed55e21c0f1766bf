import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "#core/changes";
import { atOnce, fractionText, type Instant } from "#core/kernel";
import { totalCopiesOf } from "#core/model";
import { leaksOf, visibleTo } from "#core/release";
import { assignmentId, Journalled, smallCourse, studentId, WORLD } from "#core/testing";
import { advance, checkedAfter, EMPTY_HISTORY, leakReport, remediesFor, stateAt } from "../index";
import { observationsOf } from "../past/totals-history";

const essay = assignmentId("essay");
const quiz = assignmentId("quiz");
const ben = studentId("ben");
const cleo = studentId("cleo");

const type = (assignment: typeof essay, student: typeof ben, text: string): Command => ({
  type: "setScore",
  assignmentId: assignment,
  studentId: student,
  text,
});
const total = (state: "released" | "sealed", id = "course"): Command => ({
  type: "sealTotal",
  id,
  state,
  at: null,
  shows: "percent",
});

/** All scores sealed, the running total visible and resting on all work: the classic trap. Ben has the quiz alone. */
const trap = () =>
  new Journalled(smallCourse({ totalsRestOn: "all", lateRule: null })).run(
    type(quiz, ben, "15"),
    type(essay, cleo, "80"),
    type(quiz, cleo, "12"),
    total("released"),
  );

/** Ada judged on every criterion of the essay. */
const judged = ["record", "reasoning", "writing"].map((name): Command => ({
  type: "judge",
  assignmentId: essay,
  studentId: studentId("ada"),
  criterionId: `criterion:${name}` as never,
  verdict: { kind: "level", digit: 1 },
}));

describe("the classic trap: everything sealed, the running total on show", () => {
  it("names the score and the interval: 75.0 % of the course from the quiz alone is 14.99 to 15.01 (by hand)", () => {
    const [leak, ...others] = trap().leaks(ben);
    expect(others).toEqual([]);
    expect(leak).toMatchObject({
      assignmentId: quiz,
      verdict: "certain",
      through: [{ totalId: "course", text: "75.0", shows: "percent", known: 0, sealed: 1 }],
    });
    // 74.95 <= 5 q < 75.05
    expect(leak && [fractionText(leak.interval.low), fractionText(leak.interval.high)]).toEqual([
      "1499/100",
      "1501/100",
    ]);
    expect(leak && fractionText(leak.score)).toBe("15/1");
  });

  it("finds nothing where two sealed scores leave each other room", () => {
    expect(
      trap()
        .leaks(cleo)
        .map(({ verdict }) => verdict),
    ).not.toContain("certain");
  });

  it("is closed by each of the ways that are proposed", () => {
    const course = trap();
    const ways = remediesFor(course.state, [leakReport(course.checked, ben)]);
    expect(ways.map(({ kind, about }) => [kind, about])).toEqual([
      ["sealTotals", ["course"]],
      ["restOnReleased", []],
      ["releaseTogether", [quiz]],
    ]);
    for (const { kind, command } of ways) {
      const after = atOnce(
        checkedAfter(course.checked, command, {
          ...course.context(),
          at: "2026-10-28T08:00:00Z" as Instant,
        }),
      );
      expect(after && leakReport(after, ben).leaks, kind).toEqual([]);
    }
  });

  it("is not undone by sealing once the student has opened the total", () => {
    const course = trap().run({ type: "openLetter", studentId: ben, assignmentIds: [], totals: true }, total("sealed"));
    expect(course.leaks(ben)).toMatchObject([{ assignmentId: quiz, verdict: "certain" }]);
    expect(trap().run(total("sealed")).leaks(ben)).toEqual([]);
  });

  it("is not undone either where copies left as files", () => {
    const course = trap().run({ type: "noteDelivery", locked: true, studentIds: [ben] }, total("sealed"));
    expect(course.leaks(ben)).toHaveLength(1);
    expect(course.leaks(cleo).filter(({ verdict }) => verdict === "certain")).toEqual([]);
  });

  it("cannot be undone away: what left has left", () => {
    for (const type of ["noteDelivery", "sendMails", "openLetter", "releaseDue"]) {
      const change = { type, id: "change:x" as never, at: WORLD.at, by: WORLD.by, line: "", patches: [] };
      expect(advance(EMPTY_HISTORY, { kind: "change", of: null, change })).toBe(EMPTY_HISTORY);
    }
  });

  it("is about the score behind the total that was seen, not about a later one", () => {
    const course = trap().run(type(quiz, ben, "18"));
    // The total shown is still the one given at 15; the present score is another and cannot be worked out from it.
    expect(totalCopiesOf(course.state, ben)[0]?.text).toBe("75.0");
    expect(course.leaks(ben)).toEqual([]);
    expect(course.run({ type: "releaseTotals" }).leaks(ben)).toMatchObject([{ through: [{ text: "90.0" }] }]);
  });

  it("of rubric detail is closed by releasing the score, or by sealing the rubric", () => {
    const course = new Journalled(smallCourse({ releasePasses: ["rubric_tells_score"] })).run(...judged, {
      type: "release",
      assignmentId: essay,
      facets: ["rubric"],
    });
    const report = leakReport(course.checked, studentId("ada"));
    expect(report.leaks).toMatchObject([{ from: "rubric", verdict: "certain", through: [] }]);
    const ways = remediesFor(course.state, [report]);
    expect(ways.map(({ kind }) => kind)).toEqual(["releaseTogether", "sealRubric"]);
    for (const { command } of ways)
      expect(new Journalled(course.state).run(command).leaks(studentId("ada"))).toEqual([]);
  });

  it("shows in a release that is stopped what it would tell, not what is told now", () => {
    const course = new Journalled(smallCourse()).run(...judged);
    const rubric: Command = { type: "release", assignmentId: essay, facets: ["rubric"] };
    expect(runCommand(course.state, rubric, course.context())).toMatchObject({ issue: { code: "release_stopped" } });
    const after = atOnce(checkedAfter(course.checked, rubric, course.context()));
    expect(after && leakReport(after, studentId("ada")).leaks).toMatchObject([{ from: "rubric", verdict: "certain" }]);
  });

  it("stops a release where the course says so, and only then", () => {
    const release: Command = { type: "release", assignmentId: essay, facets: ["score"] };
    const stops = (codes: string[]) => trap().run({ type: "editCourse", fields: { releaseStops: codes } });
    const asked = (course: Journalled) => runCommand(course.state, release, course.context());
    expect(asked(stops(["leaks"]))).toMatchObject({
      ok: false,
      issue: { code: "release_stopped", finding: "leaks", name: "Essay" },
    });
    expect(asked(stops(["waiting"]))).toMatchObject({
      ok: false,
      issue: { code: "release_stopped", finding: "waiting", count: 1 },
    });
    expect(asked(trap()).ok).toBe(true);
  });

  it("stops a total from being shown, also at a moment set for it, and lets everything else that is due go out", () => {
    const later = "2026-11-02T08:00:00Z" as Instant;
    const course = trap().run(
      total("sealed"),
      { type: "editCourse", fields: { releaseStops: ["leaks"] } },
      { type: "sealTotal", id: "course", state: "timed", at: later, shows: "percent" },
      { type: "timeRelease", assignmentId: essay, facets: ["score"], at: later },
    );
    expect(runCommand(course.state, total("released"), course.context())).toMatchObject({
      issue: { code: "release_stopped" },
    });
    const due = runCommand(course.state, { type: "releaseDue" }, { ...course.context(), at: later });
    expect(due.ok && [due.value.state.totalSeals["course"]?.state, visibleTo(due.value.state, cleo).length]).toEqual([
      "timed",
      1,
    ]);
  });
});

describe("looking again after a change", () => {
  const reports = (course: Journalled) => [ben, cleo].map((student) => leakReport(course.checked, student));
  const afresh = ({ checked: { state, history } }: Journalled, student: typeof ben) => {
    const found = leaksOf(state, student, observationsOf(history, state, student));
    return { ...found, leaks: found.leaks.filter(({ verdict }) => verdict !== "open") };
  };

  it("works out again only who has changed, and what comes out is what a fresh look gives", () => {
    const course = trap();
    const before = reports(course);
    const after = reports(course.run(type(essay, cleo, "70")));
    expect(after[0]).toBe(before[0]);
    expect(after[1]).not.toBe(before[1]);
  });

  it.each<[string, Command[]]>([
    ["a score", [type(quiz, ben, "18")]],
    ["a total shown anew", [type(quiz, ben, "18"), { type: "releaseTotals" }]],
    [
      "a letter opened, then the seal",
      [{ type: "openLetter", studentId: ben, assignmentIds: [], totals: true }, total("sealed")],
    ],
    ["files that left, then the seal", [{ type: "noteDelivery", locked: true, studentIds: [ben] }, total("sealed")]],
    ["the seal alone", [total("sealed")]],
    ["a score released", [{ type: "release", assignmentId: quiz, facets: ["score"] }]],
    [
      "a score held",
      [
        { type: "release", assignmentId: quiz, facets: ["score"] },
        { type: "holdAssignment", assignmentId: quiz, held: true },
      ],
    ],
    ["another rule", [{ type: "restTotals", on: "released" }]],
  ])("sees %s", (_, commands) => {
    const course = trap();
    reports(course);
    for (const command of commands) {
      course.run(command);
      for (const student of [ben, cleo]) expect(leakReport(course.checked, student)).toEqual(afresh(course, student));
    }
  });
});

describe("the course as it was", () => {
  it("each time totals were given out, the newest first", () => {
    const course = trap().run(type(quiz, ben, "18"), { type: "releaseTotals" }, type(quiz, ben, "9"));
    const { history } = course.checked;
    expect(history.map(({ state }) => totalCopiesOf(state, ben)[0]?.text)).toEqual(["90.0", "75.0"]);
    expect(history.map(({ at }) => at)).toEqual(["2026-10-27T08:06:00.000Z", "2026-10-27T08:04:00.000Z"]);
  });

  it("at any moment, and not before it began", () => {
    const course = trap();
    const at = (minute: string) => stateAt(course.state, course.entries, `2026-10-27T08:${minute}:30Z` as Instant);
    expect(at("04")).toEqual(course.state);
    expect(Object.keys(at("03")?.totalSeals ?? {})).toEqual([]);
    expect(stateAt(course.state, course.entries, "2026-10-01T00:00:00Z" as Instant)).toBeNull();
  });
});
