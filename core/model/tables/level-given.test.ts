import { expect, it } from "vitest";
import type { Command } from "#core/changes";
import { required } from "#core/kernel";
import type { CourseState } from "#core/model";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { changedSinceRelease, facetNow, visibleTo } from "#core/release";

const quiz = assignmentId("quiz");
const [ben, cleo] = [studentId("ben"), studentId("cleo")];
const type = (text: string): Command => ({ type: "setScore", assignmentId: quiz, studentId: ben, text });
const draft = (state: CourseState, who = ben) =>
  facetNow(state, required(state.assignments[quiz], "quiz"), required(state.students[who], "student"), "score");

it("the score of a level without points is that level, and it can be released and seen; it enters no total", () => {
  const base = run(smallCourse(), {
    type: "addScale",
    name: "Pass",
    kind: "passNotYet",
    levels: [
      { name: "Pass", percent: null },
      { name: "Not yet", percent: null },
    ],
  });
  const scaleId = required(Object.values(base.scales)[0], "scale").id;
  const state = run(
    base,
    { type: "editAssignment", assignmentId: quiz, fields: { scoredIn: { kind: "scale", scaleId } } },
    type("Not yet"),
  );
  expect(draft(state)).toMatchObject({
    standing: "handedIn",
    points: null,
    exact: null,
    level: "Not yet",
  });
  expect(draft(state, cleo)).toBeNull();
  const given = run(state, { type: "release", assignmentId: quiz, facets: ["score"] });
  expect(visibleTo(given, ben)[0]?.score).toMatchObject({ level: "Not yet" });
  expect(changedSinceRelease(given, required(given.assignments[quiz], "quiz"))).toEqual([]);
  const again = run(given, type("Pass"));
  expect(changedSinceRelease(again, required(again.assignments[quiz], "quiz"))).toHaveLength(1);
  expect(visibleTo(again, ben)[0]?.score).toMatchObject({ level: "Not yet" });
});
