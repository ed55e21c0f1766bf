import { describe, expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { assignmentId, makePiece, run, smallCourse, studentId } from "#core/testing";
import { handInsOf, placePieces } from "./hand-ins";
import type { Match } from "./match-types";
import { outlooksOf } from "./outlook";
import type { Decision, Piece } from "./piece";

const course = smallCourse();
// Due 24 Oct 12:00 UTC.
const essay = course.assignments[assignmentId("essay")] as NonNullable<(typeof course.assignments)[string]>;
const oct = (day: number, hour = 10) =>
  `2026-10-${String(day).padStart(2, "0")}T${String(hour).padStart(2, "0")}:00:00Z` as Instant;

let order = 0;
const piece = (name: string, more: Partial<Piece> = {}): Piece =>
  makePiece(`${name}.pdf`, { order: (order += 1), ...more });
const to = (student: string, joins = false): Decision => ({ kind: "student", studentId: studentId(student), joins });

const match = (of: Piece, student: string | null, verdict: Match["verdict"], bundle: string = of.id): Match => ({
  pieceId: of.id,
  verdict,
  studentId: student === null ? null : studentId(student),
  evidence: [],
  doubts: [],
  bundle,
});
const matched = (...matches: Match[]) => new Map(matches.map((one) => [one.pieceId, one]));

/** `ben 2026-10-23: b1.pdf, b2.pdf`, one line a hand-in. */
const made = (pieces: readonly Piece[], matches = matched(), time: "dated" | "inTime" = "dated", state = course) =>
  handInsOf(state, essay, placePieces(pieces, matches, new Map()).placed, time).map(
    ({ studentId: id, at, files, joins }) =>
      `${id.slice(8)} ${at?.slice(0, 10) ?? "undated"}${joins ? " joins" : ""}: ${files.map(({ name }) => name).join(", ")}`,
  );

describe("which pieces go to a student", () => {
  it("sure and likely ones and those a person decided; open ones and those left out do not", () => {
    const [sure, likely, open, out, decided] = ["sure", "likely", "open", "out", "decided"].map((name) => piece(name));
    if (!sure || !likely || !open || !out || !decided) throw new Error("no pieces");
    const pieces = [
      sure,
      likely,
      open,
      { ...out, decision: { kind: "leftOut" as const } },
      { ...decided, decision: to("cleo") },
    ];
    const matches = matched(
      match(sure, "ada", "sure"),
      match(likely, "ben", "likely"),
      match(open, "cleo", "open"),
      match(out, "cleo", "sure"),
    );
    expect(
      placePieces(pieces, matches, new Map()).placed.map(({ piece: one, studentId: id }) => `${one.file.name} ${id}`),
    ).toEqual(["sure.pdf student:ada", "likely.pdf student:ben", "decided.pdf student:cleo"]);
  });
});

it("a piece with something in its way waits for a person, whoever it belongs to", () => {
  const locked = piece("locked", { trouble: "locked" });
  const matches = matched(match(locked, "ben", "sure"));
  expect(placePieces([locked], matches, new Map()).placed).toEqual([]);
  expect(placePieces([{ ...locked, decision: to("ben") }], matches, new Map()).placed).toHaveLength(1);
});

describe("the same file again", () => {
  it("is left out where the student has it, in the tray or handed in, and stays where another has it or a person decided", () => {
    const [one, two, other, old, wanted] = [
      piece("one", { sum: "x" }),
      piece("two", { sum: "x" }),
      piece("other", { sum: "x" }),
      piece("old", { sum: "y" }),
      piece("wanted", { sum: "y", decision: to("ada") }),
    ];
    const matches = matched(
      match(one, "ben", "sure"),
      match(two, "ben", "sure"),
      match(other, "cleo", "sure"),
      match(old, "ada", "likely"),
    );
    const kept = new Map([[studentId("ada"), new Set(["y"])]]);
    const { placed, again } = placePieces([one, two, other, old, wanted], matches, kept);
    expect([...again]).toEqual([two.id, old.id]);
    expect(placed.map(({ piece: { id } }) => id)).toEqual([one.id, other.id, wanted.id]);
  });
});

describe("the hand-ins that are made of pieces", () => {
  it("pieces of one bundle are one, with the time of the last", () => {
    const [a, b] = [piece("map", { at: oct(22) }), piece("text", { at: oct(23) })];
    expect(made([b, a], matched(match(a, "ben", "sure", "folder"), match(b, "ben", "sure", "folder")))).toEqual([
      "ben 2026-10-23: map.pdf, text.pdf",
    ]);
  });

  it("two decided for one student are two attempts in the order of their times, or one where the later joins", () => {
    const [early, later] = [
      piece("v2", { decision: to("ben"), at: oct(23) }),
      piece("v1", { decision: to("ben"), at: oct(22) }),
    ];
    expect(made([early, later])).toEqual(["ben 2026-10-22: v1.pdf", "ben 2026-10-23: v2.pdf"]);
    expect(made([{ ...early, decision: to("ben", true) }, later])).toEqual(["ben 2026-10-23: v1.pdf, v2.pdf"]);
  });

  it("joins what was handed in before, where something was", () => {
    expect(made([piece("map", { decision: to("ada", true) })])).toEqual(["ada 2026-10-23 joins: map.pdf"]);
    expect(made([piece("map", { decision: to("ben", true) })])).toEqual(["ben 2026-10-23: map.pdf"]);
  });

  it("all in time is never later than due, and leaves earlier times as they are", () => {
    const pieces = [
      piece("late", { decision: to("ben"), at: oct(27) }),
      piece("early", { decision: to("cleo"), at: oct(20) }),
    ];
    expect(made(pieces, matched(), "inTime")).toEqual(["cleo 2026-10-20: early.pdf", "ben 2026-10-24: late.pdf"]);
  });
});

describe("what taking in would mean", () => {
  it("says which attempt, how late, and what was known of the student before", () => {
    const excused = run(course, {
      type: "setStanding",
      assignmentId: essay.id,
      studentId: studentId("cleo"),
      decision: "excused",
    });
    const scored = run(excused, { type: "setScore", assignmentId: essay.id, studentId: studentId("ada"), text: "80" });
    const limited = { ...essay, attemptsAllowed: 1 };
    const pieces = [
      piece("a2", { decision: to("ada"), at: oct(26) }),
      piece("c", { decision: to("cleo"), at: oct(23) }),
    ];
    const handIns = handInsOf(scored, limited, placePieces(pieces, matched(), new Map()).placed, "dated");
    const outlooks = outlooksOf(scored, limited, handIns);
    const of = (student: string) => {
      const handIn = handIns.find(({ studentId: id }) => id === studentId(student));
      return handIn && outlooks.get(handIn);
    };
    expect(of("ada")).toEqual({
      attempt: 2,
      joins: false,
      // Two days of 24 hours are begun 46 hours after the due time.
      unitsLate: 2,
      decision: null,
      isScored: true,
      isBeyondAllowed: true,
      isOlder: false,
    });
    expect(of("cleo")).toMatchObject({
      attempt: 1,
      unitsLate: 0,
      decision: "excused",
      isScored: false,
      isBeyondAllowed: false,
    });
  });

  it("says of a file that it is older than what is there", () => {
    // What Ada handed in is of 24 October, 11:00.
    const handIns = handInsOf(
      course,
      essay,
      placePieces([piece("a0", { decision: to("ada"), at: oct(20) })], matched(), new Map()).placed,
      "dated",
    );
    expect([...outlooksOf(course, essay, handIns).values()]).toMatchObject([{ attempt: 2, isOlder: true }]);
  });

  it("numbers two of one student one after the other", () => {
    const pieces = [
      piece("v1", { decision: to("ben"), at: oct(22) }),
      piece("v2", { decision: to("ben"), at: oct(23) }),
    ];
    const handIns = handInsOf(course, essay, placePieces(pieces, matched(), new Map()).placed, "dated");
    expect([...outlooksOf(course, essay, handIns).values()].map(({ attempt }) => attempt)).toEqual([1, 2]);
  });
});
