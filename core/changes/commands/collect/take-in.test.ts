import { describe, expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { handInOf, resultOf, type CourseState } from "#core/model";
import { assignmentId, fileId, Journalled, run, smallCourse, studentId, WORLD } from "#core/testing";
import { runCommand, type Command } from "../../index";

const essay = assignmentId("essay");
const file = (name: string) => ({ id: fileId(name), name: `${name}.pdf`, mediaType: "application/pdf", size: 10 });

type HandIn = Extract<Command, { type: "takeIn" }>["handIns"][number];
const one = (student: string, names: readonly string[], more: Partial<HandIn> = {}): HandIn => ({
  assignmentId: essay,
  studentId: studentId(student),
  at: "2026-10-25T09:00:00Z" as Instant,
  files: names.map(file),
  joins: false,
  ...more,
});
const takeIn = (...handIns: HandIn[]): Command => ({ type: "takeIn", handIns });
const told = (state: CourseState, student: string) =>
  handInOf(state, essay, studentId(student))?.attempts.map(
    ({ number, files }) => `${String(number)}: ${files.map(({ name }) => name).join(", ")}`,
  );

describe("taking in what came of a class", () => {
  it("is one change, with one line and one undo", () => {
    const course = new Journalled(smallCourse());
    const before = course.state;
    course.run(takeIn(one("ben", ["b1", "b2"]), one("cleo", ["c"])));
    expect(told(course.state, "ben")).toEqual(["1: b1.pdf, b2.pdf"]);
    expect(told(course.state, "cleo")).toEqual(["1: c.pdf"]);
    expect(course.entries.at(-1)?.change.line).toBe("Essay: 2 hand-ins taken in");
    course.undo();
    expect(course.state).toEqual(before);
  });

  it("is a further attempt where something is there, or one more file of it where it joins", () => {
    expect(told(run(smallCourse(), takeIn(one("ada", ["late"]))), "ada")).toEqual(["1: ada.pdf", "2: late.pdf"]);
    expect(told(run(smallCourse(), takeIn(one("ada", ["map"], { joins: true }))), "ada")).toEqual([
      "1: ada.pdf, map.pdf",
    ]);
    expect(told(run(smallCourse(), takeIn(one("ben", ["b"], { joins: true }))), "ben")).toEqual(["1: b.pdf"]);
  });

  it("takes the standing missing back where the first work comes, with one undo; an excuse and a later decision stay", () => {
    const standing = (student: string, decision: "missing" | "excused"): Command => ({
      type: "setStanding",
      assignmentId: essay,
      studentId: studentId(student),
      decision,
    });
    const course = new Journalled(
      run(smallCourse(), standing("ada", "missing"), standing("ben", "missing"), standing("cleo", "excused")),
    );
    course.run(takeIn(one("ada", ["again"]), one("ben", ["b"]), one("cleo", ["c"])));
    const decided = (student: string) => resultOf(course.state, essay, studentId(student)).decision;
    expect(["ada", "ben", "cleo"].map(decided)).toEqual(["missing", null, "excused"]);
    course.undo();
    expect(["ada", "ben", "cleo"].map(decided)).toEqual(["missing", "missing", "excused"]);
  });

  it("takes two of one student in their order", () => {
    const state = run(
      smallCourse(),
      takeIn(one("ben", ["b1"]), one("ben", ["b2"]), one("ben", ["b3"], { joins: true })),
    );
    expect(told(state, "ben")).toEqual(["1: b1.pdf", "2: b2.pdf, b3.pdf"]);
  });

  it("joins what a group handed in, whoever of the group did", () => {
    const grouped = run(smallCourse(), {
      type: "formGroups",
      assignmentId: essay,
      groups: [{ name: "Weir", memberIds: [studentId("ada"), studentId("ben")] }],
    });
    const joined = run(grouped, takeIn(one("ben", ["map"], { joins: true })));
    expect([told(joined, "ada"), told(joined, "ben")]).toEqual([["1: ada.pdf, map.pdf"], ["1: ada.pdf, map.pdf"]]);
  });

  it("names the assignments where there are several", () => {
    const done = runCommand(
      smallCourse(),
      takeIn(one("ben", ["b"]), one("ben", ["q"], { assignmentId: assignmentId("quiz") })),
      WORLD,
    );
    expect(done.ok && done.value.change.line).toBe("2 hand-ins taken in: Essay, Quiz");
  });

  it.each<[string, HandIn[], object]>([
    [
      "a file that is part of a hand-in already",
      [one("ben", ["b"]), one("cleo", ["ada"])],
      { code: "file_taken_in", name: "ada.pdf" },
    ],
    ["the same file for two", [one("ben", ["b"]), one("cleo", ["b"])], { code: "file_taken_in", name: "b.pdf" }],
    [
      "a student who is not in the course",
      [one("ben", ["b"]), one("zoe", ["z"])],
      { code: "unknown_record", what: "student", id: "student:zoe" },
    ],
  ])("takes in nothing at all where one is refused: %s", (_, handIns, issue) => {
    const done = runCommand(smallCourse(), takeIn(...handIns), WORLD);
    expect(done.ok ? null : done.issue).toEqual(issue);
  });
});
