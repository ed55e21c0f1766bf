import { judgementOf, notesOf, type CourseState } from "#core/model";
import { preflight } from "#core/release";
import { lackingEvidence } from "#core/scoring";
import { assignmentId, criterionId, fileId, run, smallCourse, studentId } from "#core/testing";
import { describe, expect, it } from "vitest";

const essay = assignmentId("essay");

const ada = studentId("ada");

const onAda = { assignmentId: essay, studentId: ada };

const assignment = (state: CourseState) => state.assignments[essay] as NonNullable<(typeof state.assignments)[string]>;

describe("evidence that a rubric asks for", () => {
  it("is lacking where points were given without a passage, and pointed out before a release", () => {
    const rubric = smallCourse().rubrics["rubric:essay"];
    if (!rubric) throw new Error("no rubric");
    const criteria = rubric.criteria.map((one) => ({ ...one, asksEvidence: one.name !== "writing" }));
    const asking: CourseState = { ...smallCourse(), rubrics: { [rubric.id]: { ...rubric, criteria } } };
    const judged = run(asking, {
      type: "judge",
      ...onAda,
      criterionId: criterionId("record"),
      verdict: { kind: "level", digit: 2 },
    });
    const lacking = (state: CourseState) =>
      lackingEvidence({ criteria }, ({ id }) => judgementOf(state, essay, ada, id), notesOf(state, essay, ada)).map(
        ({ name }) => name,
      );
    expect([lacking(asking), lacking(judged)]).toEqual([[], ["record"]]);
    expect(
      preflight({ state: judged, assignment: assignment(judged), facets: ["score"] }).find(
        ({ code }) => code === "evidence_lacking",
      )?.count,
    ).toBe(1);
    const target = { kind: "passage", page: 1, start: 0, end: 4, exact: "word", prefix: "", suffix: "" } as const;
    const note = { mark: "highlight", target, criterionId: criterionId("record"), body: "" } as const;
    expect(lacking(run(judged, { type: "addNote", ...onAda, fileId: fileId("ada"), ...note }))).toEqual([]);
  });
});
