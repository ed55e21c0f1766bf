import { describe, expect, it } from "vitest";
import { decimal, type Instant } from "#core/kernel";
import { handInOf, makePassage, notesOf, resultOf } from "#core/model";
import { assignmentId, fileId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { runCommand, type Command } from "../../index";

const ada = { assignmentId: assignmentId("essay"), studentId: studentId("ada") };
const second: Command = {
  type: "addHandIn",
  ...ada,
  at: "2026-10-25T09:00:00Z" as Instant,
  files: [{ id: fileId("ada2"), name: "ada2.md", mediaType: "text/markdown", size: 10 }],
};
const discard = (attempt: number): Command => ({ type: "discardAttempt", ...ada, attempt });
const numbers = (state: ReturnType<typeof smallCourse>) =>
  handInOf(state, ada.assignmentId, ada.studentId)?.attempts.map(({ number }) => number) ?? null;

describe("discarding an attempt", () => {
  it("takes it out with the score it had, and never gives its number again", () => {
    const scored = run(
      smallCourse(),
      second,
      { type: "scoreAttempt", ...ada, attempt: 1, text: "60" },
      { type: "scoreAttempt", ...ada, attempt: 2, text: "70" },
    );
    const left = run(scored, discard(1));
    expect(numbers(left)).toEqual([2]);
    expect(resultOf(left, ada.assignmentId, ada.studentId).attemptScores).toEqual([
      { attempt: 2, points: decimal("70") },
    ]);
    expect(numbers(run(left, { ...second, files: [] }))).toEqual([2, 3]);
  });

  it("leaves nothing handed in where it was the only one, and refuses one that is not there", () => {
    expect(numbers(run(smallCourse(), discard(1)))).toBeNull();
    const done = runCommand(smallCourse(), discard(4), WORLD);
    expect(done.ok ? null : done.issue).toEqual({ code: "unknown_record", what: "attempt", id: "4" });
  });
});

describe("remarks of an earlier attempt", () => {
  const text = "The gauge was moved downstream in 1987.";
  const note = (body: string, start: number): Command => ({
    type: "addNote",
    ...ada,
    fileId: fileId("ada"),
    mark: "highlight",
    target: makePassage(text, 1, start, start + 9),
    criterionId: null,
    body,
  });
  const carry: Command = { type: "carryNotes", ...ada, from: fileId("ada"), to: fileId("ada2") };
  const state = run(smallCourse(), second, note("one", 4), note("two", 20));

  it("are brought over once, each a remark of its own", () => {
    const carried = run(state, carry);
    const notes = notesOf(carried, ada.assignmentId, ada.studentId);
    expect(notes.map(({ fileId: file, body }) => [file, body])).toEqual([
      [fileId("ada"), "one"],
      [fileId("ada"), "two"],
      [fileId("ada2"), "one"],
      [fileId("ada2"), "two"],
    ]);
    expect(new Set(notes.map(({ id }) => id)).size).toBe(4);
    const again = runCommand(carried, carry, WORLD);
    expect(again.ok ? null : again.issue.code).toBe("nothing_to_change");
    expect(notesOf(run(carried, note("three", 10), carry), ada.assignmentId, ada.studentId)).toHaveLength(6);
  });

  it("stay where they are when the other file is not of this paper", () => {
    const done = runCommand(state, { ...carry, to: fileId("none") }, WORLD);
    expect(done.ok ? null : done.issue).toMatchObject({ code: "unknown_record", what: "file" });
  });
});
