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

  it("are evidence only for criteria the rubric has, and stand on files that are there", () => {
    const taken = run(smallCourse(), takeIn(note("x", "?", "unknown")));
    expect(notesOf(taken, essay, ada)[0]?.criterionId).toBeNull();
    expect(refused(smallCourse(), { ...takeIn(note("x", "")), fileId: fileId("none") } as Command)).toMatchObject({
      what: "file",
    });
  });
});
