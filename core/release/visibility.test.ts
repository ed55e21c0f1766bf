import { runCommand, type Command } from "#core/changes";
import { decimal, required, type Instant } from "#core/kernel";
import { courseOf, FACETS, recordsOf, releaseOf, resultOf, withRecords, type CourseState } from "#core/model";
import { anyCourse, assignmentId, judgedClass, run, runs, smallCourse, studentId, WORLD } from "#core/testing";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { facetNow, isShown, shownTotals, visibleTo } from "./index";

const zero = studentId("0");

/** Everything a student can see, as text: what is visible of the work, and the totals on show. */
const seen = (state: CourseState) =>
  JSON.stringify([visibleTo(state, zero), shownTotals(state, zero).map(({ id, text }) => [id, text])]);

/** Any course with some scores given out, every total on show, totals resting on released scores. */
const anyReleased = fc
  .tuple(anyCourse(), fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }))
  .map(([state, given]): CourseState => {
    const course = { ...courseOf(state), totalsRestOn: "released" as const };
    let released: CourseState = { ...state, courses: { [course.id]: course } };
    Object.values(state.assignments).forEach(({ id }, index) => {
      const facets = ["score", "rubric", "comments"] as const;
      if (!given[index]) return;
      const figures = recordsOf(state, "results").some((result) => result.assignmentId === id);
      if (figures) released = run(released, { type: "release", assignmentId: id, facets: [...facets] });
    });
    const ids = ["course", ...Object.keys(state.terms), ...Object.keys(state.categories)];
    const seals = ids.map((id) => [id, { id, state: "released" as const, at: null, shows: "percent" as const }]);
    return { ...released, totalSeals: Object.fromEntries(seals) as CourseState["totalSeals"] };
  });

describe("what a student sees", () => {
  it("does not change by a hair when any sealed or held value changes", () => {
    fc.assert(
      fc.property(anyReleased, fc.integer({ min: 0, max: 80 }), (state, tenths) => {
        const before = seen(state);
        for (const assignment of Object.values(state.assignments)) {
          if (isShown(state, assignment, zero, "score")) continue;
          const result = resultOf(state, assignment.id, zero);
          const changed = {
            ...result,
            score: decimal(String(tenths / 10)),
            setByHand: decimal(String(tenths / 8)),
            privateNote: "for no student's eyes",
            overallComment: "not given out",
          };
          expect(seen(withRecords(state, "results", [changed]))).toBe(before);
        }
      }),
      { numRuns: runs(150) },
    );
  });

  it("does not change when anything of another student changes", () => {
    fc.assert(
      fc.property(anyReleased, fc.integer({ min: 0, max: 80 }), (state, tenths) => {
        const others = recordsOf(state, "results").filter((result) => result.studentId !== zero);
        const results = others.map((result) => ({
          ...result,
          score: decimal(String(tenths / 10)),
          overallComment: "other",
        }));
        expect(seen(withRecords(state, "results", results))).toBe(seen(state));
      }),
      { numRuns: runs(100) },
    );
  });

  it("an edit after release changes nothing until it is given out again, not even in the totals", () => {
    fc.assert(
      fc.property(anyReleased, fc.integer({ min: 0, max: 80 }), (state, tenths) => {
        const results = recordsOf(state, "results").map((result) => ({
          ...result,
          setByHand: decimal(String(tenths / 10)),
        }));
        expect(seen(withRecords(state, "results", results))).toBe(seen(state));
      }),
      { numRuns: runs(100) },
    );
  });

  it("shows no total whose seal is not broken", () => {
    fc.assert(
      fc.property(anyReleased, (state) => {
        const timed = Object.fromEntries(
          Object.entries(state.totalSeals).map(([id, seal]) => [id, { ...seal, state: "timed" as const }]),
        );
        expect(shownTotals({ ...state, totalSeals: timed }, zero)).toEqual([]);
        expect(shownTotals({ ...state, totalSeals: {} }, zero)).toEqual([]);
      }),
      { numRuns: runs(30) },
    );
  });
});

describe("what a student sees", () => {
  const { judgeAll, essay, ada, ben, cleo, judged, seen, release } = judgedClass();

  it("is nothing before release, whatever was entered", () => {
    for (const place of [ada, ben, cleo]) expect(seen(judged, place)).toEqual([]);
  });

  it("is the released facet and no other", () => {
    const [letter] = seen(run(judged, release("score")));
    expect(letter?.score).toMatchObject({ points: "81", maximum: "100", standing: "handedIn" });
    expect(letter?.rubric).toBeNull();
    expect(letter?.comments).toBeNull();
  });

  it("has each facet as it was released, comments with the marked file", () => {
    const [letter] = seen(run(judged, release("score"), release("rubric", "comments")));
    expect(letter?.rubric?.rows.map((row) => row.points)).toEqual(["15.5", "17", "8"]);
    expect(letter?.comments).toMatchObject({ overall: "Well argued.", files: [{ name: "ada.pdf" }] });
    expect(letter?.comments?.notes).toMatchObject([{ body: "Good: you name it.", criterionName: "record" }]);
  });

  it("tells missing and excused with the score", () => {
    const state = run(judged, release("score"));
    expect(seen(state, ben)[0]?.score).toMatchObject({ standing: "missing", points: "0" });
    expect(seen(state, cleo)[0]?.score).toMatchObject({ standing: "excused", points: null });
  });

  it("never holds a private note or a marker's name", () => {
    const state = run(judged, release(...FACETS));
    const all = JSON.stringify(recordsOf(state, "copies")) + JSON.stringify(seen(state));
    expect(all).not.toContain("SECRET");
    expect(all).not.toContain("marker:");
  });

  it("shows the deduction for being late beside the score it came from", () => {
    const state = run(judged, { type: "setLateness", ...ada, unitsLate: 2 }, release("score"));
    expect(seen(state)[0]?.score).toMatchObject({ points: "71", beforeDeduction: "81", unitsLate: 2 });
  });

  it("is gone when it is sealed again, and changed work does not come back by itself", () => {
    const sealed = run(judged, release(...FACETS), { type: "seal", assignmentId: essay, facets: [...FACETS] });
    expect(seen(sealed)).toEqual([]);
    expect(releaseOf(sealed, essay, "score").state).toBe("sealed");
    expect(seen(run(sealed, ...judgeAll(ada, "20", "20", "10")))).toEqual([]);
  });
});

describe("a timed release", () => {
  const { judgeAll, essay, ada, judged, seen, release } = judgedClass();

  const moment = "2026-11-02T07:00:00Z" as Instant;
  const timed = run(judged, { type: "timeRelease", assignmentId: essay, facets: ["score"], at: moment });
  const due = (now: string) => runCommand(timed, { type: "releaseDue" }, { ...WORLD, at: now as Instant });

  it("shows nothing before its moment", () => {
    expect(releaseOf(timed, essay, "score")).toMatchObject({ state: "timed", at: moment });
    expect(seen(timed)).toEqual([]);
    expect(due("2026-11-02T06:59:59Z")).toMatchObject({ ok: false, issue: { code: "nothing_to_release" } });
  });

  it("goes out from its moment on, with what stands then", () => {
    const edited = run(timed, ...judgeAll(ada, "20", "20", "10"), { type: "releaseDue", now: moment });
    expect(seen(edited)[0]?.score?.points).toBe("100");
    expect(releaseOf(edited, essay, "score").state).toBe("released");
  });

  it("stays out when the clock is set back afterwards", () => {
    const out = run(timed, { type: "releaseDue", now: "2026-11-03T00:00:00Z" });
    const back = runCommand(out, { type: "releaseDue" }, { ...WORLD, at: "2026-10-01T00:00:00Z" as Instant });
    expect(back).toMatchObject({ ok: false });
    expect(seen(out)[0]?.score?.points).toBe("81");
  });

  it("in the past is refused", () => {
    const past = { type: "timeRelease", assignmentId: essay, facets: ["score" as const], at: WORLD.at } as const;
    expect(runCommand(judged, { ...past, facets: ["score"] }, WORLD)).toMatchObject({
      ok: false,
      issue: { code: "time_is_past" },
    });
  });

  it("over a release seals what was visible until then", () => {
    const out = run(judged, release("score"));
    const again = run(out, { type: "timeRelease", assignmentId: essay, facets: ["score"], at: moment });
    expect(seen(again)).toEqual([]);
  });
});

describe("over many random orders of entering and releasing", () => {
  const essay = assignmentId("essay");
  const ada = { assignmentId: essay, studentId: studentId("ada") };
  const ben = { assignmentId: essay, studentId: studentId("ben") };
  const cleo = { assignmentId: essay, studentId: studentId("cleo") };
  const essayOf = (state: CourseState) => required(state.assignments[essay], "essay");
  const student = (state: CourseState, place: typeof ada) => required(state.students[place.studentId], "student");
  const seen = (state: CourseState, place = ada) => visibleTo(state, place.studentId);

  const places = [ada, ben, cleo];
  const anyPlace = fc.constantFrom(...places);
  const anyFacets = fc.uniqueArray(fc.constantFrom(...FACETS), { minLength: 1 });
  const command: fc.Arbitrary<Command> = fc.oneof(
    fc.record({ place: anyPlace, points: fc.integer({ min: 0, max: 100 }) }).map(({ place, points }) => ({
      type: "setScore" as const,
      ...place,
      text: String(points),
      confirmed: true,
    })),
    anyPlace.map((place) => ({ type: "setComment" as const, ...place, facing: "student" as const, text: "word" })),
    anyPlace.map((place) => ({ type: "setComment" as const, ...place, facing: "private" as const, text: "SECRET" })),
    anyPlace.map((place) => ({ type: "setStanding" as const, ...place, decision: "missing" as const })),
    anyFacets.map((facets) => ({ type: "release" as const, assignmentId: essay, facets })),
    anyFacets.map((facets) => ({ type: "seal" as const, assignmentId: essay, facets })),
  );

  it("no sealed facet is ever visible, no private note gets out, and what is visible was once true", () => {
    fc.assert(
      fc.property(fc.array(command, { maxLength: 25 }), (commands) => {
        let state = smallCourse();
        const scoresAtRelease = new Map<string, Set<string>>();
        for (const item of commands) {
          const done = runCommand(state, item, WORLD);
          if (!done.ok) continue;
          state = done.value.state;
          if (item.type !== "release") continue;
          for (const place of places) {
            const draft = facetNow(state, essayOf(state), student(state, place), "score");
            const known = scoresAtRelease.get(place.studentId) ?? new Set();
            scoresAtRelease.set(place.studentId, known.add(JSON.stringify(draft)));
          }
        }
        for (const place of places) {
          for (const letter of seen(state, place)) {
            for (const facet of FACETS) {
              if (releaseOf(state, essay, facet).state !== "released") expect(letter[facet]).toBeNull();
            }
            expect(JSON.stringify(letter)).not.toContain("SECRET");
            if (letter.score) expect(scoresAtRelease.get(place.studentId)).toContain(JSON.stringify(letter.score));
          }
        }
        expect(resultOf(state, essay, ada.studentId).privateNote).toMatch(/^(SECRET)?$/);
      }),
      { numRuns: runs(150) },
    );
  });
});
