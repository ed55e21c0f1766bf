import { required, type Id } from "#core/kernel";
import { notesOf, type CourseState, type Note } from "#core/model";
import { assignmentId, criterionId, fileId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../index";

const essay = assignmentId("essay");

const ada = { assignmentId: essay, studentId: studentId("ada") };

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

describe("notes on the work", () => {
  const passage = {
    kind: "passage",
    page: 1,
    start: 4,
    end: 9,
    exact: "river",
    prefix: "The ",
    suffix: " is",
  } as const;
  const add = (more: Partial<Extract<Command, { type: "addNote" }>> = {}) =>
    ({
      type: "addNote",
      ...ada,
      fileId: fileId("ada"),
      mark: "highlight",
      target: passage,
      criterionId: null,
      body: "",
      ...more,
    }) as const;
  const only = (state: CourseState): Note => required(notesOf(state, essay, ada.studentId)[0], "note");

  it("are added with author and time, edited, linked and deleted", () => {
    const added = run(smallCourse(), add({ criterionId: criterionId("record") }));
    expect(only(added)).toMatchObject({ by: WORLD.by, createdAt: WORLD.at, criterionId: "criterion:record" });
    const edited = run(added, { type: "editNote", noteId: only(added).id, body: "Say which." });
    expect(only(edited)).toMatchObject({ body: "Say which.", criterionId: "criterion:record" });
    const unlinked = run(edited, { type: "editNote", noteId: only(added).id, criterionId: null });
    expect(only(unlinked)).toMatchObject({ body: "Say which.", criterionId: null });
    expect(notesOf(run(unlinked, { type: "removeNote", noteId: only(added).id }), essay, ada.studentId)).toEqual([]);
  });

  it("may be pinned to a point", () => {
    const pin = { kind: "point", page: 2, x: 0.5, y: 0.25 } as const;
    expect(only(run(smallCourse(), add({ mark: "pin", target: pin }))).target).toEqual(pin);
  });

  it.each([
    [add({ fileId: fileId("other") }), "file"],
    [add({ criterionId: criterionId("other") }), "criterion"],
    [{ type: "editNote", noteId: "note:none" as Id<"note">, body: "x" } as const, "note"],
    [{ type: "removeNote", noteId: "note:none" as Id<"note"> } as const, "note"],
  ])("that mean something unknown are refused", (command, what) => {
    expect(refusal(smallCourse(), command)).toMatchObject({ code: "unknown_record", what });
  });

  it("are moved and coloured, and keep everything else", () => {
    const pin = { kind: "point", page: 2, x: 0.5, y: 0.25 } as const;
    const added = run(smallCourse(), add({ mark: "tick", target: pin, body: "yes" }));
    expect(only(added).colour).toBeNull();
    const moved = run(added, { type: "editNote", noteId: only(added).id, target: { ...pin, x: 0.75 } });
    const coloured = run(moved, { type: "editNote", noteId: only(added).id, colour: "plum" });
    expect(only(coloured)).toEqual({ ...only(added), target: { ...pin, x: 0.75 }, colour: "plum" });
    expect(only(run(coloured, { type: "editNote", noteId: only(added).id, colour: null })).colour).toBeNull();
  });

  it("of a kind that cannot stand at a place are refused, when they are added and when they are moved", () => {
    const pin = { kind: "point", page: 1, x: 0.5, y: 0.25 } as const;
    expect(refusal(smallCourse(), add({ mark: "strikeout", target: pin }))).toMatchObject({ code: "wrong_place" });
    expect(refusal(smallCourse(), add({ mark: "text" }))).toMatchObject({ code: "wrong_place" });
    const noted = run(smallCourse(), add());
    const move = { type: "editNote", noteId: only(noted).id, target: pin } as const;
    expect(refusal(noted, move)).toMatchObject({ code: "wrong_place" });
  });

  it("by pen gather the strokes of one colour on one page, each undone by itself", () => {
    const stroke = (y: number) =>
      [
        [0.1, y, 0.4],
        [0.2, y, 0.9],
      ] as [number, number, number][];
    const draw = (page: number, colour: "wax" | "green", y: number) =>
      ({ type: "drawStroke", ...ada, fileId: fileId("ada"), page, colour, stroke: stroke(y) }) as const;
    const state = run(
      smallCourse(),
      draw(1, "wax", 0.1),
      draw(1, "wax", 0.2),
      draw(1, "green", 0.3),
      draw(2, "wax", 0.4),
    );
    const drawn = notesOf(state, essay, ada.studentId).map(({ target, colour, mark }) => [
      mark,
      colour,
      target.page,
      target.kind === "strokes" ? target.strokes.map(([first]) => first?.[1]) : null,
    ]);
    expect(drawn).toEqual([
      ["ink", "wax", 1, [0.1, 0.2]],
      ["ink", "green", 1, [0.3]],
      ["ink", "wax", 2, [0.4]],
    ]);
    expect(refusal(smallCourse(), { ...draw(1, "wax", 0.1), fileId: fileId("other") })).toMatchObject({
      code: "unknown_record",
    });
  });

  it("are not overwritten by a screen that saw other words", () => {
    const added = run(smallCourse(), add({ body: "one" }));
    const edit = { type: "editNote", noteId: only(added).id, body: "two", seen: "zero" } as const;
    expect(refusal(added, edit)).toEqual({ code: "seen_differs", seen: "zero", present: "one" });
  });
});
