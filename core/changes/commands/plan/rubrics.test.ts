import { roundToText } from "#core/kernel";
import { type CourseState, usesOfRubric } from "#core/model";
import { assignmentId, makeRubric, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { rubricEffects, runCommand, type Command } from "../../index";

const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];

const [ada, ben] = [studentId("ada"), studentId("ben")];

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

const scored = run(
  smallCourse(),
  { type: "setScore", assignmentId: quiz, studentId: ben, text: "15" },
  {
    type: "judge",
    assignmentId: essay,
    studentId: ada,
    criterionId: "criterion:record" as never,
    verdict: { kind: "level", digit: 3 },
  },
);

describe("rubrics", () => {
  const changed = { ...makeRubric("essay", "record: 0-8, 8.5-15.5, 16-30", "reasoning: 0-20", "writing: 0-10") };

  it("of the library are added, renamed freely, and changed only after asking once papers are judged", () => {
    const added = run(scored, { type: "saveRubric", rubric: makeRubric("field", "care: 0-4, 5-10") });
    expect(usesOfRubric(added, "rubric:field")).toEqual([]);
    expect(refusal(scored, { type: "saveRubric", rubric: changed })).toMatchObject({
      code: "rubric_in_use",
      papers: 1,
    });
    expect(run(scored, { type: "saveRubric", rubric: changed, confirmed: true }).rubrics["rubric:essay"]).toEqual(
      changed,
    );
    const present = scored.rubrics["rubric:essay"];
    if (!present) throw new Error("no rubric");
    const words = { ...present, name: "Essay, autumn" };
    expect(run(scored, { type: "saveRubric", rubric: words }).rubrics["rubric:essay"]).toMatchObject({
      name: "Essay, autumn",
    });
    expect(refusal(added, { type: "saveRubric", rubric: { ...words, name: "field" } })).toMatchObject({
      code: "name_taken",
    });
  });

  it("tell which papers a change would give another score, from what to what", () => {
    const full = (["record", "reasoning", "writing"] as const).map(
      (name, index) =>
        ({
          type: "judge",
          assignmentId: essay,
          studentId: ada,
          criterionId: `criterion:${name}` as never,
          verdict: { kind: "level", digit: index === 2 ? 2 : 3 },
        }) as const,
    );
    const state = run(smallCourse(), ...full);
    const [effect, ...others] = rubricEffects(state, changed);
    expect(others).toEqual([]);
    expect(effect).toMatchObject({ assignmentId: essay, studentId: ada });
    // 50 of 50 points become 50 of 60: 100 points become 83.333...
    expect([effect?.before, effect?.after].map((figure) => figure && roundToText(figure, 2))).toEqual([
      "100.00",
      "83.33",
    ]);
    expect(rubricEffects(state, { ...changed, criteria: state.rubrics["rubric:essay"]?.criteria ?? [] })).toEqual([]);
  });

  it("in use are not removed; others are", () => {
    const remove = (slug: string) => ({ type: "removeRubric", rubricId: `rubric:${slug}` as never }) as const;
    expect(refusal(scored, remove("essay"))).toMatchObject({ code: "record_in_use", by: "Essay" });
    const added = run(scored, { type: "saveRubric", rubric: makeRubric("field", "care: 0-4") });
    expect(Object.keys(run(added, remove("field")).rubrics)).toEqual(["rubric:essay"]);
  });
});
