import { describe, expect, it } from "vitest";
import { decimal, type Instant } from "#core/kernel";
import { studentCopyOf, studentCopyHtml } from "#core/formats";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { announcedWork } from "../index";

const essay = assignmentId("essay");
const NOW = "2026-10-01T12:00:00Z" as Instant;
const edit = (fields: object) => ({ type: "editAssignment", assignmentId: essay, fields }) as const;
const written = run(
  smallCourse(),
  edit({ task: "Say what the river did.", note: "Two pages.", givenAt: "2026-09-01T08:00:00Z" }),
);
const essayIn = (state = written, now = NOW) =>
  announcedWork(state, studentId("ada"), now).find(({ id }) => id === essay);

describe("announced work", () => {
  it("is all work that is given and not kept from students, by due date, sealed or not", () => {
    expect(announcedWork(written, studentId("ada"), NOW).map(({ name }) => name)).toEqual(["Essay", "Quiz"]);
    expect(essayIn()).toMatchObject({ task: "Say what the river did.", note: "Two pages.", rubric: null });
    const released = run(written, {
      type: "setScore",
      assignmentId: essay,
      studentId: studentId("ada"),
      text: "80",
    });
    expect(essayIn(released)).toEqual(essayIn());
  });

  it("leaves out what is kept from students, and what they get later", () => {
    expect(essayIn(run(written, edit({ hidden: true })))).toBeUndefined();
    expect(essayIn(written, "2026-08-31T08:00:00Z" as Instant)).toBeUndefined();
    expect(essayIn(written, "2026-09-01T08:00:00Z" as Instant)).toBeDefined();
  });

  it("tells the rubric only where the assignment says so, and nothing that was judged", () => {
    const open = run(written, edit({ showsRubric: true }));
    expect(essayIn(open)?.rubric?.map(({ name, maximum }) => [name, maximum])).toEqual([
      ["record", "20"],
      ["reasoning", "20"],
      ["writing", "10"],
    ]);
    const judged = run(open, {
      type: "judge",
      assignmentId: essay,
      studentId: studentId("ada"),
      criterionId: open.rubrics[open.assignments[essay]?.rubricId ?? ""]?.criteria[0]?.id as never,
      verdict: { kind: "level", digit: 1 },
    });
    expect(announcedWork(judged, studentId("ada"), NOW)).toEqual(announcedWork(open, studentId("ada"), NOW));
  });

  it("stands in a student's copy, with its words safe to read in a page", () => {
    const risky = run(written, edit({ note: "<script>alert(1)</script>", points: decimal("100") }));
    const copy = studentCopyOf(risky, studentId("ben"), NOW);
    if (!copy) throw new Error("no copy");
    const page = studentCopyHtml(copy, { files: new Map(), formatted: (text) => text.replaceAll("<", "&lt;") });
    expect(page).toContain("Say what the river did.");
    expect(page).toContain("&lt;script&gt;alert(1)");
    expect(page).not.toContain("<script>");
  });
});
