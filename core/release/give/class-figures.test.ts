import { runCommand, type Command } from "#core/changes";
import { type Id } from "#core/kernel";
import { type CourseState } from "#core/model";
import { visibleTo } from "#core/release";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";

const essay = assignmentId("essay");

const quiz = assignmentId("quiz");

const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];

const EVERYONE = [ada, ben, cleo];

const score = (assignment: typeof essay, student: typeof ada, text: string): Command => ({
  type: "setScore",
  assignmentId: assignment,
  studentId: student,
  text,
});

const HERON = "section:heron" as Id<"section">;

const inHeron = (state: CourseState): CourseState => ({
  ...state,
  sections: { [HERON]: { id: HERON, name: "Heron", order: 0 } },
  students: { ...state.students, [ada]: { ...state.students[ada], sectionId: HERON } as never },
});

/** Everyone scored in both; Ada in the section Heron. */
const scored = inHeron(
  run(
    smallCourse({ lateRule: null }),
    ...EVERYONE.flatMap((student, index) => [
      score(essay, student, String(70 + index)),
      score(quiz, student, String(12 + index)),
    ]),
  ),
);

const release = (fields: Partial<Extract<Command, { type: "release" }>> = {}): Command => ({
  type: "release",
  assignmentId: essay,
  facets: ["score"],
  ...fields,
});

describe("class figures", () => {
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
  });
});
