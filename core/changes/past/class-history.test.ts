import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "#core/changes";
import type { Id } from "#core/kernel";
import { copyOf } from "#core/model";
import { assignmentId, Journalled, smallCourse } from "#core/testing";

const quiz = assignmentId("quiz");
const FIGURES: Command = { type: "release", assignmentId: quiz, facets: ["classFigures"] };
const SEALED: Command = { type: "seal", assignmentId: quiz, facets: ["classFigures"] };

/** A class of nine on paper, of whom so many are scored, 10, 11, 12 and so on of 20. */
function classOf(scored: number) {
  const students = Array.from({ length: 6 }, (_, index) => ({
    number: `M${String(index)}`,
    givenName: `Given${String(index)}`,
    familyName: "Made",
    sectionId: null,
  }));
  const course = new Journalled(smallCourse({ lateRule: null })).run({ type: "addStudents", students });
  const ids = Object.keys(course.state.students) as Id<"student">[];
  const score = (index: number, text = String(10 + index)): Command => ({
    type: "setScore",
    assignmentId: quiz,
    studentId: ids[index] ?? ("student:none" as Id<"student">),
    text,
  });
  return { course: course.run(...ids.slice(0, scored).map((_, index) => score(index))), score, ids };
}

const issueOf = (course: Journalled) => {
  const done = runCommand(course.state, FIGURES, course.context());
  return done.ok ? null : done.issue;
};

describe("class figures over five papers and then over six", () => {
  it("are refused by themselves: the sixth would follow, 6 x 12.5 - 5 x 12 = 15 (by hand)", () => {
    const { course, score, ids } = classOf(5);
    course.run(FIGURES);
    const [first] = ids;
    expect(first && copyOf(course.state, quiz, first).classFigures?.content).toMatchObject({
      mean: "12.0",
      students: 5,
    });
    course.run(score(5));
    expect(issueOf(course)).toEqual({ code: "release_stopped", finding: "class_difference", count: 1, name: "Quiz" });
  });

  it.each([
    ["sealed again", (course: Journalled) => course.run(SEALED)],
    ["undone", (course: Journalled) => course.undo(1)],
  ])("are refused also where the first were %s, once anybody may have seen them", (_words, takeBack) => {
    const after = (seen: (student: Id<"student">) => Command) => {
      const { course, score, ids } = classOf(5);
      const [first = "student:none" as Id<"student">] = ids;
      return issueOf(takeBack(course.run(FIGURES, seen(first))).run(score(5)))?.code ?? null;
    };
    expect(after((id) => ({ type: "openLetter", studentId: id, assignmentIds: [quiz], totals: false }))).toBe(
      "release_stopped",
    );
    expect(after((id) => ({ type: "noteDelivery", locked: true, studentIds: [id] }))).toBe("release_stopped");
    // What nobody has opened tells nothing.
    expect(
      after((id) => ({ type: "setStanding", assignmentId: assignmentId("essay"), studentId: id, decision: "missing" })),
    ).toBeNull();
  });

  it("are refused where one score changed in between, though they are as many", () => {
    const { course, score } = classOf(6);
    expect(issueOf(course.run(FIGURES, score(2, "19")))).toMatchObject({ finding: "class_difference", count: 1 });
  });

  it("go out where five or more changed, and where the course says that they may", () => {
    const { course, score } = classOf(9);
    course.run(FIGURES, ...[0, 1, 2, 3, 4].map((index) => score(index, "18")));
    expect(issueOf(course)).toBeNull();
    const other = classOf(5);
    other.course.run(FIGURES, other.score(5));
    expect(issueOf(other.course)?.code).toBe("release_stopped");
    other.course.run({ type: "editCourse", fields: { releasePasses: ["class_difference"] } });
    expect(issueOf(other.course)).toBeNull();
  });

  it("wait at a moment set for them, while everything else that is due goes out", () => {
    const { course, score, ids } = classOf(5);
    const at = "2026-11-02T08:00:00Z" as never;
    course.run(FIGURES, { type: "noteDelivery", locked: true, studentIds: ids }, score(5), {
      type: "timeRelease",
      assignmentId: quiz,
      facets: ["classFigures", "score"],
      at,
    });
    const due = runCommand(course.state, { type: "releaseDue" }, { ...course.context(), at });
    const seals = due.ok ? Object.values(due.value.state.releases).map(({ facet, state }) => `${facet} ${state}`) : [];
    expect(seals.sort()).toEqual(["classFigures timed", "score released"]);
  });
});

it("a score and its rubric detail due at one moment go out together, the rubric alone waits", () => {
  const essay = assignmentId("essay");
  const at = "2026-11-02T08:00:00Z" as never;
  const judged = ["record", "reasoning", "writing"].map((name): Command => ({
    type: "judge",
    assignmentId: essay,
    studentId: "student:ada" as Id<"student">,
    criterionId: `criterion:${name}` as never,
    verdict: { kind: "level", digit: 1 },
  }));
  const due = (...facets: ("rubric" | "score")[]) => {
    const course = new Journalled(smallCourse()).run(...judged, {
      type: "timeRelease",
      assignmentId: essay,
      facets,
      at,
    });
    const done = runCommand(course.state, { type: "releaseDue" }, { ...course.context(), at });
    const copy = done.ok ? copyOf(done.value.state, essay, "student:ada" as Id<"student">) : null;
    return [copy?.score?.content.points ?? null, copy?.rubric?.content.rows.length ?? null];
  };
  expect(due("rubric", "score")).toEqual(["36", 3]);
  expect(due("rubric")).toEqual([null, null]);
});
