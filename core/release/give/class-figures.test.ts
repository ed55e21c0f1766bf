import { runCommand } from "#core/changes";
import { required } from "#core/kernel";
import { classFigureLeaks, facetNow, visibleTo } from "#core/release";
import { run, scoredClass, smallCourse, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";

const { essay, ada, score, scored, release } = scoredClass();

describe("class figures", () => {
  it("over fewer than five students leak", () => {
    expect([4, 5].map(classFigureLeaks)).toEqual([true, false]);
  });

  it("over fewer than five students are never given out", () => {
    const asked = runCommand(scored, release({ facets: ["classFigures"] }), WORLD);
    expect(asked.ok && visibleTo(asked.value.state, ada)).toEqual([]);
  });

  it("over five and more are mean and median: 70, 71, 72, 80, 92 make 77.0 and 72.0 (by hand)", () => {
    const more = run(smallCourse({ lateRule: null }), {
      type: "addStudents",
      students: ["D", "E"].map((name) => ({ number: name, givenName: name, familyName: name, sectionId: null })),
    });
    const figures = ["70", "71", "72", "80", "92"];
    const all = run(
      more,
      ...Object.values(more.students).map((student, index) => score(essay, student.id, figures[index] ?? "")),
      release({ facets: ["classFigures"] }),
    );
    expect(visibleTo(all, ada)[0]?.classFigures).toEqual({ students: 5, mean: "77.0", median: "72.0", maximum: "100" });
    const [first, ...others] = Object.values(all.students).map((student) =>
      facetNow(all, required(all.assignments[essay], "assignment"), student, "classFigures"),
    );
    // Worked out once for the class: a class of 1,000 is no sum of 1,000 for each of its students.
    expect(others.every((one) => one === first)).toBe(true);
  });
});
