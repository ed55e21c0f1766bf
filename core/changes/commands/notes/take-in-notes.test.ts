import { notesOf, type CourseState } from "#core/model";
import { assignmentId, criterionId, fileId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../engine/registry";

const essay = assignmentId("essay");

const ada = studentId("ada");

const onAda = { assignmentId: essay, studentId: ada };

const refused = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

describe("remarks that come back in a file", () => {
  const target = { kind: "passage" as const, page: 1, start: 0, end: 4, exact: "word", prefix: "", suffix: "" };
  const note = (id: string, body: string, criterion = "record") => ({
    id,
    mark: "highlight" as const,
    target,
    criterionId: criterionId(criterion),
    colour: null,
    body,
  });
  const takeIn = (...notes: ReturnType<typeof note>[]): Command => ({
    type: "takeInNotes",
    ...onAda,
    fileId: fileId("ada"),
    notes,
  });

  it("are added once; known ones take over other words and keep their place", () => {
    const once = run(smallCourse(), takeIn(note("elsewhere", "Why?")));
    const [first] = notesOf(once, essay, ada);
    expect(first).toMatchObject({ body: "Why?", criterionId: "criterion:record" });
    expect(refused(once, takeIn(note("elsewhere", "Why?")))).toEqual({ code: "nothing_to_change" });
    const edited = run(once, takeIn({ ...note(first?.id ?? "", "Why so?"), target: { ...target, start: 9 } }));
    expect(notesOf(edited, essay, ada)).toMatchObject([{ body: "Why so?", target: { start: 0 } }]);
  });

  it("on many papers are one change; a paper that brings nothing new is passed over, and one that is refused stops all", () => {
    const withBen = run(smallCourse(), {
      type: "addHandIn",
      assignmentId: essay,
      studentId: studentId("ben"),
      at: null,
      files: [{ id: fileId("ben"), name: "ben.pdf", mediaType: "application/pdf", size: 10 }],
    });
    const papers = (...whose: string[]) =>
      whose.map((who) => ({
        assignmentId: essay,
        studentId: studentId(who),
        fileId: fileId(who),
        notes: [note("elsewhere", `Why, ${who}?`)],
      }));
    const taken = (state: CourseState, ...whose: string[]) =>
      runCommand(state, { type: "takeInMarkedPapers", papers: papers(...whose) }, WORLD);
    const both = taken(withBen, "ada", "ben");
    expect(both.ok && both.value.change.line).toBe("Essay: 2 remarks on 2 papers taken in");
    const once = run(withBen, { type: "takeInMarkedPapers", papers: papers("ada") });
    const rest = taken(once, "ada", "ben");
    expect(rest.ok && rest.value.change.line).toBe("Essay: 1 remark on 1 paper taken in");
    expect(taken(withBen, "ada", "cleo")).toMatchObject({ ok: false, issue: { code: "unknown_record", what: "file" } });
    expect(taken(once, "ada")).toMatchObject({ ok: false, issue: { code: "nothing_to_change" } });
  });

  it("are evidence only for criteria the rubric has, and stand on files that are there", () => {
    const taken = run(smallCourse(), takeIn(note("x", "?", "unknown")));
    expect(notesOf(taken, essay, ada)[0]?.criterionId).toBeNull();
    expect(refused(smallCourse(), { ...takeIn(note("x", "")), fileId: fileId("none") } as Command)).toMatchObject({
      what: "file",
    });
  });
});
