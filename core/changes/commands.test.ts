import { describe, expect, it } from "vitest";
import { decimal, required, type Id, type Instant } from "#core/kernel";
import { handInOf, judgementOf, notesOf, resultOf, type CourseState, type Note } from "#core/model";
import { assignmentId, criterionId, fileId, makeRubric, run, smallCourse, studentId, WORLD } from "#core/testing";
import { entryAndComment, entryText, parseCommand, previewEntry, runCommand, type Command } from "./index";

const essay = assignmentId("essay");
const quiz = assignmentId("quiz");
const ada = { assignmentId: essay, studentId: studentId("ada") };
const ben = { assignmentId: quiz, studentId: studentId("ben") };
const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};
const level = (digit: number, criterion = "record") =>
  ({ type: "judge", ...ada, criterionId: criterionId(criterion), verdict: { kind: "level", digit } }) as const;
const type = (text: string, more: { confirmed?: boolean; seen?: string; comment?: string } = {}) =>
  ({ type: "setScore", ...ben, text, ...more }) as const;

describe("typing a score", () => {
  it("stores the score, the lateness and the standing", () => {
    const state = run(smallCourse(), type("17.5 l2"));
    expect(resultOf(state, quiz, ben.studentId)).toMatchObject({ score: "17.5", unitsLate: 2, decision: null });
    expect(resultOf(run(state, type("m")), quiz, ben.studentId)).toMatchObject({ decision: "missing", score: "17.5" });
  });

  it.each([
    ["abc", "entry_not_understood"],
    ["-3", "score_below_zero"],
    ["1e9", "not_a_number"],
    ["12.34567", "too_many_places"],
    ["20.5", "score_above_maximum"],
  ])("%s is refused as %s and nothing changes", (text, code) => {
    const state = smallCourse();
    expect(refusal(state, type(text))).toMatchObject({ code });
    expect(state).toEqual(smallCourse());
  });

  it.each([
    ["50%", "10"],
    ["33.3 %", "6.66"],
    ["100% l1", "20"],
  ])("%s of 20 points is %s, exactly", (text, score) => {
    expect(resultOf(run(smallCourse(), type(text)), quiz, ben.studentId).score).toBe(score);
  });

  it("a percentage that falls between two points of four places is refused, and one above 100 is asked about", () => {
    expect(refusal(smallCourse(), type("33.3333%"))).toEqual({
      code: "percent_between_points",
      percent: "33.3333",
      maximum: "20",
    });
    expect(refusal(smallCourse(), type("105%"))).toMatchObject({ code: "score_above_maximum", canConfirm: true });
    expect(refusal(smallCourse(), type("x%"))).toMatchObject({ code: "not_a_number" });
  });

  it("may have a comment behind a colon, which follows what is written there already", () => {
    expect(entryAndComment("33: nice: graphs")).toEqual({ entry: "33", comment: "nice: graphs" });
    expect(entryAndComment("33")).toEqual({ entry: "33", comment: null });
    const once = run(smallCourse(), type("12", { comment: "nice graphs" }));
    const twice = run(once, type("13", { comment: "and units" }));
    expect(resultOf(twice, quiz, ben.studentId)).toMatchObject({
      score: "13",
      overallComment: "nice graphs\nand units",
    });
  });

  it("above the maximum is kept when it is confirmed", () => {
    expect(resultOf(run(smallCourse(), type("20.5", { confirmed: true })), quiz, ben.studentId).score).toBe("20.5");
  });

  it("for a missing or excused student asks once, then ends that standing", () => {
    const missing = run(smallCourse(), type("m"));
    expect(refusal(missing, type("12"))).toMatchObject({ code: "student_is_missing", canConfirm: true });
    expect(resultOf(run(missing, type("12", { confirmed: true })), quiz, ben.studentId)).toMatchObject({
      decision: null,
      score: "12",
    });
    expect(refusal(run(smallCourse(), type("x")), type("12"))).toMatchObject({ code: "student_is_excused" });
  });

  it("tells the screen when it saw another value than the stored one", () => {
    const state = run(smallCourse(), type("15"));
    expect(refusal(state, type("16", { seen: "" }))).toEqual({ code: "seen_differs", seen: "", present: "15" });
    expect(resultOf(run(state, type("16", { seen: "15" })), quiz, ben.studentId).score).toBe("16");
  });

  it("over a judged rubric is set by hand and keeps the rubric's", () => {
    const judged = run(smallCourse(), level(3), level(3, "reasoning"), level(2, "writing"));
    const typed = run(judged, { type: "setScore", ...ada, text: "95" });
    expect(resultOf(typed, essay, ada.studentId)).toMatchObject({ setByHand: "95", score: null });
    expect(resultOf(run(typed, { type: "setScore", ...ada, text: "-" }), essay, ada.studentId).setByHand).toBeNull();
  });

  it("clears one thing at a time: standing, figure by hand, score, lateness", () => {
    let state = run(smallCourse(), type("15 l1"), type("m"));
    const steps = [];
    for (let index = 0; index < 3; index += 1) {
      state = run(state, type("-"));
      steps.push(entryText(state, quiz, ben.studentId));
    }
    expect(steps).toEqual(["15 l1", "l1", ""]);
    expect(refusal(state, type("-"))).toEqual({ code: "nothing_to_change" });
  });

  it("shows the same words in a cell that it reads", () => {
    for (const text of ["15", "15.5 l2", "l3", "m", "x"]) {
      expect(entryText(run(smallCourse(), type(text)), quiz, ben.studentId)).toBe(text);
    }
  });

  it("is previewed by the same rules, without changing anything", () => {
    const state = smallCourse();
    const preview = previewEntry(state, ben, "15 l2");
    expect(preview.ok && preview.value.figure.counted).toEqual({ n: 13n, d: 1n });
    expect(previewEntry(state, ben, "99")).toMatchObject({ ok: false, issue: { code: "score_above_maximum" } });
    expect(resultOf(state, quiz, ben.studentId).score).toBeNull();
  });
});

describe("judging a criterion", () => {
  it("by level proposes the level's top", () => {
    const state = run(smallCourse(), level(2));
    expect(judgementOf(state, essay, ada.studentId, criterionId("record")).points).toBe("15.5");
  });

  it("by steps goes on from where the ruler stands when each step is carried out", () => {
    const step = (direction: 1 | -1): Command => ({
      type: "judge",
      ...ada,
      criterionId: criterionId("record"),
      verdict: { kind: "step", direction },
    });
    const state = run(smallCourse(), level(2), step(-1), step(-1), step(1));
    expect(judgementOf(state, essay, ada.studentId, criterionId("record")).points).toBe("15");
  });

  it("keeps the comment when the points change, and the points when the comment does", () => {
    const place = { ...ada, criterionId: criterionId("record") };
    const state = run(
      smallCourse(),
      level(2),
      { type: "setCriterionComment", ...place, comment: "Name the gap." },
      level(3),
    );
    expect(judgementOf(state, essay, ada.studentId, place.criterionId)).toMatchObject({
      points: "20",
      comment: "Name the gap.",
    });
  });

  it("may not apply, and may be opened again", () => {
    const judge = (kind: "notApplicable" | "open") =>
      ({ type: "judge", ...ada, criterionId: criterionId("record"), verdict: { kind } }) as const;
    const none = run(smallCourse(), level(2), judge("notApplicable"));
    expect(judgementOf(none, essay, ada.studentId, criterionId("record"))).toMatchObject({
      points: null,
      notApplicable: true,
    });
    expect(judgementOf(run(none, judge("open")), essay, ada.studentId, criterionId("record")).notApplicable).toBe(
      false,
    );
  });

  it("for a missing or excused student asks once, then ends that standing", () => {
    const missing = run(smallCourse(), { type: "setStanding", ...ada, decision: "missing" });
    expect(refusal(missing, level(2))).toEqual({ code: "student_is_missing", canConfirm: true });
    const judged = run(missing, { ...level(2), confirmed: true });
    expect(resultOf(judged, essay, ada.studentId).decision).toBeNull();
    const excused = run(smallCourse(), { type: "setStanding", ...ada, decision: "excused" });
    expect(refusal(excused, level(2))).toMatchObject({ code: "student_is_excused" });
    const open = { ...level(2), verdict: { kind: "notApplicable" as const } };
    expect(resultOf(run(excused, open), essay, ada.studentId).decision).toBe("excused");
  });

  it.each([
    [level(7), { code: "no_rubric_level", digit: 7 }],
    [
      { ...level(1), criterionId: criterionId("other") },
      { code: "unknown_record", what: "criterion" },
    ],
    [
      { ...level(1), studentId: studentId("nobody") },
      { code: "unknown_record", what: "student" },
    ],
    [
      { ...level(1), assignmentId: assignmentId("none") },
      { code: "unknown_record", what: "assignment" },
    ],
    [
      { ...level(1), assignmentId: quiz },
      { code: "unknown_record", what: "criterion" },
    ],
  ] as const)("refuses %j", (command, issue) => {
    expect(refusal(smallCourse(), command as Command)).toMatchObject(issue);
  });
});

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

describe("comments", () => {
  it("to the student and private are kept apart", () => {
    const state = run(
      smallCourse(),
      { type: "setComment", ...ada, facing: "student", text: "to you" },
      { type: "setComment", ...ada, facing: "private", text: "to me" },
    );
    expect(resultOf(state, essay, ada.studentId)).toMatchObject({ overallComment: "to you", privateNote: "to me" });
    const stale = { type: "setComment", ...ada, facing: "student", text: "other", seen: "" } as const;
    expect(refusal(state, stale)).toMatchObject({ code: "seen_differs", present: "to you" });
  });
});

describe("planning", () => {
  const assignment = {
    type: "addAssignment",
    name: "Report",
    shortName: "Report",
    categoryId: "category:papers" as Id<"category">,
    points: decimal("10"),
    dueAt: null,
    channel: "file",
    bonus: false,
    task: "",
    rubric: makeRubric("report", "one: 0-10"),
  } as const;

  it("adds an assignment with its rubric", () => {
    const state = run(smallCourse(), assignment);
    const added = required(
      Object.values(state.assignments).find(({ name }) => name === "Report"),
      "report",
    );
    expect(state.rubrics[added.rubricId ?? ""]?.name).toBe("report");
  });

  it("refuses a name, a number or a category that does not fit", () => {
    const student = { number: "N1", givenName: "Dee", familyName: "", sectionId: null };
    expect(refusal(smallCourse(), { ...assignment, name: "Essay" })).toMatchObject({ code: "name_taken" });
    expect(refusal(smallCourse(), { ...assignment, categoryId: "category:no" as Id<"category"> })).toMatchObject({
      code: "unknown_record",
    });
    expect(refusal(smallCourse(), { type: "addCategory", name: "Papers", weight: null })).toMatchObject({
      code: "name_taken",
    });
    expect(refusal(smallCourse(), { type: "addStudents", students: [student] })).toEqual({
      code: "number_taken",
      number: "N1",
    });
    const twice = [
      { ...student, number: "N9" },
      { ...student, number: "N9" },
    ];
    expect(refusal(smallCourse(), { type: "addStudents", students: twice })).toMatchObject({ code: "number_taken" });
  });

  it("counts attempts", () => {
    const again: Command = { type: "addHandIn", ...ada, at: "2026-10-25T00:00:00Z" as Instant, files: [] };
    expect(handInOf(run(smallCourse(), again), essay, ada.studentId)?.attempts.map(({ number }) => number)).toEqual([
      1, 2,
    ]);
  });
});

describe("a command from outside", () => {
  it.each([
    [null, "type"],
    [{ type: "explode" }, "type"],
    [{ type: "toString" }, "type"],
    [{ type: "setScore", ...ben, text: 5 }, "text"],
    [{ type: "setScore", assignmentId: "student:x", studentId: ben.studentId, text: "5" }, "assignmentId"],
    [{ type: "setLateness", ...ben, unitsLate: -1 }, "unitsLate"],
    [{ type: "setComment", ...ben, facing: "student", text: "x".repeat(20_001) }, "text"],
    [{ type: "release", assignmentId: quiz, facets: [] }, "facets"],
  ])("%j is refused at the gate", (data, path) => {
    expect(parseCommand(data)).toMatchObject({ ok: false, issue: { code: "input_not_valid", path } });
  });

  it("of the right shape comes through, without what does not belong", () => {
    expect(parseCommand({ ...type("15"), extra: true })).toEqual({ ok: true, value: type("15") });
  });
});
