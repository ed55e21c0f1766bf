import { type Command } from "#core/changes";
import { type Id } from "#core/kernel";
import { type CourseState } from "#core/model";
import { readingOf, visibleChanges } from "#core/release";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
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

describe("what a change would do to what students see", () => {
  it("names who sees newly, otherwise and no longer", () => {
    const given = run(scored, release({ studentIds: [ada, ben] }));
    const changed = run(given, score(essay, ada, "90"), release(), {
      type: "seal",
      assignmentId: essay,
      facets: ["score"],
      studentIds: [ben],
    });
    expect(visibleChanges(given, changed)).toEqual([
      { what: "Essay", assignmentId: essay, facet: "score", gain: [cleo], change: [ada], lose: [ben] },
    ]);
    expect(visibleChanges(given, run(given, score(quiz, ada, "19")))).toEqual([]);
  });

  it("counts a letter as read once it was opened, and as older when something newer came", () => {
    const given = run(scored, release());
    expect(readingOf(given, essay, ada)).toBe("unopened");
    const opened = run(given, {
      type: "openLetter",
      studentId: ada,
      assignmentIds: [essay, quiz],
      totals: true,
      now: "2026-10-27T09:00:00Z",
    });
    expect(readingOf(opened, essay, ada)).toBe("opened");
    // What they cannot see is not opened.
    expect(readingOf(opened, quiz, ada)).toBe("unopened");
    const again = run(opened, score(essay, ada, "75"), { ...release(), now: "2026-10-28T09:00:00Z" });
    expect(readingOf(again, essay, ada)).toBe("older");
  });
});
