import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "#core/changes";
import { required, type Instant } from "#core/kernel";
import { FACETS, notesOf, recordsOf, releaseOf, resultOf, type CourseState, type Facet } from "#core/model";
import { assignmentId, criterionId, fileId, run, smallCourse, studentId, WORLD, runs } from "#core/testing";
import {
  changedSinceRelease,
  copyState,
  draftFacet,
  facetOverview,
  flowCounts,
  laneOf,
  preflight,
  undatedOf,
  visibleTo,
  weightsAddUp,
} from "./index";

const essay = assignmentId("essay");
const ada = { assignmentId: essay, studentId: studentId("ada") };
const ben = { assignmentId: essay, studentId: studentId("ben") };
const cleo = { assignmentId: essay, studentId: studentId("cleo") };
const essayOf = (state: CourseState) => required(state.assignments[essay], "essay");
const student = (state: CourseState, place: typeof ada) => required(state.students[place.studentId], "student");

function judgeAll(place: typeof ada, ...texts: string[]): Command[] {
  return ["record", "reasoning", "writing"].map((criterion, index) => ({
    type: "judge",
    ...place,
    criterionId: criterionId(criterion),
    verdict: { kind: "points", text: texts[index] ?? "0" },
  }));
}

/** Ada scored with a comment and a note, Ben missing, Cleo excused. */
const judged = run(
  smallCourse(),
  ...judgeAll(ada, "15.5", "17", "8"),
  { type: "setComment", ...ada, facing: "student", text: "Well argued." },
  { type: "setComment", ...ada, facing: "private", text: "SECRET of the marker" },
  {
    type: "addNote",
    ...ada,
    fileId: fileId("ada"),
    mark: "highlight",
    target: { kind: "passage", page: 1, start: 0, end: 3, exact: "The", prefix: "", suffix: " river" },
    criterionId: criterionId("record"),
    body: "Good: you name it.",
  },
  { type: "setStanding", ...ben, decision: "missing" },
  { type: "setStanding", ...cleo, decision: "excused" },
);
const seen = (state: CourseState, place = ada) => visibleTo(state, place.studentId);
const release = (...facets: Facet[]) => ({ type: "release", assignmentId: essay, facets }) as const;

describe("what a student sees", () => {
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

describe("a fixed copy", () => {
  it("keeps the name it was given under, until it is given out again", () => {
    const rename = (name: string) => ({ type: "editAssignment", assignmentId: essay, fields: { name } }) as const;
    const names = (state: CourseState) => seen(state).map(({ assignment }) => assignment.name);
    const renamed = run(judged, release("score"), rename("Essay on the river"));
    expect(names(renamed)).toEqual(["Essay"]);
    expect(names(run(renamed, release("comments")))).toEqual(["Essay on the river"]);
  });

  const released = run(judged, release(...FACETS));

  it("stays as it was while the instructor changes things", () => {
    const changed = run(released, ...judgeAll(ada, "20", "20", "10"), {
      type: "setComment",
      ...ada,
      facing: "student",
      text: "Better than I thought.",
    });
    expect(seen(changed)[0]?.score?.points).toBe("81");
    expect(seen(changed)[0]?.comments?.overall).toBe("Well argued.");
  });

  it("is listed old beside new, and goes out when it is released again", () => {
    const changed = run(released, ...judgeAll(ada, "20", "20", "10"));
    const differences = changedSinceRelease(changed, essayOf(changed));
    expect(differences.map(({ facet }) => facet)).toEqual(["score", "rubric"]);
    expect(differences[0]).toMatchObject({ old: { points: "81" }, present: { points: "100" } });
    const corrected = run(changed, { ...release("score", "rubric"), studentIds: [ada.studentId] });
    expect(seen(corrected)[0]?.score?.points).toBe("100");
    expect(changedSinceRelease(corrected, essayOf(corrected))).toEqual([]);
  });

  it("is withdrawn when there is nothing to show any more", () => {
    const gone = run(
      released,
      { type: "setComment", ...ada, facing: "student", text: "" },
      { type: "removeNote", noteId: required(notesOf(released, essay, ada.studentId)[0], "note").id },
    );
    expect(copyState(gone, essayOf(gone), student(gone, ada), "comments")).toBe("withdrawn");
    const corrected = run(gone, release("comments"));
    expect(seen(corrected)[0]?.comments).toBeNull();
  });

  it("is not touched by a private note", () => {
    const noted = run(released, { type: "setComment", ...ada, facing: "private", text: "another secret" });
    expect(changedSinceRelease(noted, essayOf(noted))).toEqual([]);
  });

  it("does not reach a student who is scored after the release until they are released too", () => {
    const first = run(smallCourse(), ...judgeAll(ada, "15.5", "17", "8"), release("score"));
    const later = run(first, { type: "setScore", ...ben, text: "70" });
    expect(seen(later, ben)).toEqual([]);
    expect(facetOverview(later, essayOf(later), "score")).toMatchObject({
      ready: [ben.studentId],
      given: [ada.studentId],
    });
    expect(seen(run(later, release("score")), ben)[0]?.score?.points).toBe("70");
  });

  it("is refused when there is nothing new to release", () => {
    const again = runCommand(released, release(...FACETS), WORLD);
    expect(again).toMatchObject({ ok: false, issue: { code: "nothing_to_release" } });
  });
});

describe("a timed release", () => {
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

describe("before a release", () => {
  const codes = (state: CourseState, ...facets: ("score" | "rubric" | "comments")[]) =>
    preflight({ state, assignment: essayOf(state), facets }).map(({ code, count }) => `${code} ${String(count)}`);

  it("says what waits and who is not decided", () => {
    expect(codes(smallCourse(), "score")).toEqual(["waiting 1", "undecided 2"]);
  });

  it("says when all is done", () => {
    expect(codes(judged, "score", "comments")).toEqual(["all_scored 3"]);
  });

  it("finds scores above the maximum, missing comments and changes", () => {
    const state = run(
      judged,
      { type: "setStanding", ...ben, decision: null },
      { type: "setScore", ...ben, text: "120", confirmed: true },
    );
    expect(codes(state, "score", "comments")).toEqual(["above_maximum 1", "no_comment 1", "all_scored 3"]);
    const changed = run(judged, release("score"), ...judgeAll(ada, "20", "20", "10"));
    expect(codes(changed, "score")).toContain("changed 1");
  });

  it("warns that rubric detail tells a sealed score", () => {
    expect(codes(judged, "rubric")[0]).toBe("rubric_tells_score 1");
    expect(codes(judged, "score", "rubric")).not.toContain("rubric_tells_score 1");
    expect(codes(run(judged, release("score")), "rubric")).not.toContain("rubric_tells_score 1");
  });
});

describe("the board", () => {
  const now = "2026-10-27T00:00:00Z" as Instant;
  const lane = (state: CourseState) => laneOf(state, essayOf(state), now);

  it("leads from scoring to deciding to releasing to correcting", () => {
    const start = smallCourse();
    expect(lane(start)).toMatchObject({ waiting: 1, notIn: 2, next: { kind: "score", studentId: ada.studentId } });
    const scored = run(start, ...judgeAll(ada, "15.5", "17", "8"));
    expect(lane(scored).next).toMatchObject({ kind: "decide", count: 2, studentId: ben.studentId });
    expect(lane(judged)).toMatchObject({ scored: 2, excused: 1, next: { kind: "release", count: 3 } });
    const out = run(judged, release("score"));
    expect(lane(out)).toMatchObject({ released: 3, next: { kind: "released" } });
    expect(lane(run(out, ...judgeAll(ada, "20", "20", "10"))).next).toEqual({ kind: "correct", count: 1 });
  });

  it("waits while nobody is overdue", () => {
    const before = "2026-10-24T11:30:00Z" as Instant;
    const scored = run(smallCourse(), ...judgeAll(ada, "15.5", "17", "8"));
    expect(laneOf(scored, essayOf(scored), before).next).toMatchObject({ kind: "release", count: 1 });
  });

  it("counts what waits in each step, and the faults of the plan", () => {
    const state = smallCourse();
    const lanes = Object.values(state.assignments).map((assignment) => laneOf(state, assignment, now));
    expect(flowCounts(state, lanes)).toEqual({ plan: 1, collect: 0, score: 1, check: 0, release: 0 });
    expect(undatedOf(state).map(({ name }) => name)).toEqual(["Quiz"]);
    expect(weightsAddUp(state)).toBe(true);
    expect(weightsAddUp(run(state, { type: "addCategory", name: "More", weight: "5" as never }))).toBe(false);
  });
});

describe("over many random orders of entering and releasing", () => {
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
            const draft = draftFacet(state, essayOf(state), student(state, place), "score");
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
