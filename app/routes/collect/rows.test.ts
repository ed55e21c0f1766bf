import { describe, expect, it } from "vitest";
import type { Match, Piece, PieceId } from "#core/collect";
import type { Instant } from "#core/kernel";
import { assignmentId, fileId, makePiece, run, smallCourse, studentId } from "#core/testing";
import { firstToJudge, matchingGround, trayRows, withClassSheets } from "./rows";
import { collectable, likelyAssignment } from "./likely-assignment";
import { stillOut } from "./who-is-out";

const state = smallCourse();
const essay = state.assignments[assignmentId("essay")] as NonNullable<(typeof state.assignments)[string]>;
const NOW = "2026-10-28T12:00:00Z" as Instant;

const piece = (name: string, more: Partial<Piece> = {}): Piece =>
  makePiece(name, { at: "2026-10-26T10:00:00Z" as Instant, ...more });
const match = (name: string, student: string | null, more: Partial<Match> = {}): [PieceId, Match] => [
  `piece:${name}` as PieceId,
  {
    pieceId: `piece:${name}` as PieceId,
    verdict: "sure",
    studentId: student === null ? null : studentId(student),
    evidence: [],
    doubts: [],
    bundle: name,
    ...more,
  },
];
const rowsOf = (pieces: readonly Piece[], ...matches: [PieceId, Match][]) =>
  trayRows({ state, assignment: essay, pieces, matches: new Map(matches), kept: new Map(), time: "dated" });

describe("the tray as it is drawn", () => {
  it("says whom a piece goes to, why, and what taking it in would mean", () => {
    const number = { kind: "number", place: "name", text: "N2" } as const;
    const { groups, handIns } = rowsOf([piece("N2.pdf")], match("N2.pdf", "ben", { evidence: [number] }));
    expect(groups.sure).toMatchObject([{ name: "Ben Bolt", words: ["number N2", "2 days late"], warnings: [] }]);
    expect(handIns).toHaveLength(1);
  });

  it("what is to be decided has a guess and its doubt, and is no hand-in", () => {
    const doubt = { kind: "wantedToo", pieceIds: ["piece:b.pdf" as PieceId] } as const;
    const { groups, handIns } = rowsOf(
      [piece("a.pdf"), piece("b.pdf")],
      match("a.pdf", "ben", { verdict: "open", doubts: [doubt] }),
      match("b.pdf", null, { verdict: "open", doubts: [{ kind: "namesNobody" }] }),
    );
    expect(groups.open.map(({ name, guess, warnings }) => [name, guess?.name ?? null, warnings])).toEqual([
      [null, "Ben Bolt", ["also wanted by b.pdf: newer, or a second part?"]],
      [null, null, ["names nobody"]],
    ]);
    expect(handIns).toEqual([]);
  });

  it("names others that fit, counts them where there are many, and says what stands in the way", () => {
    const alsoFits = { kind: "alsoFits", studentIds: [studentId("ada"), studentId("cleo")] } as const;
    const many = {
      kind: "almostNamed",
      studentIds: ["ada", "ben", "cleo", "dee"].map((name) => studentId(name)),
    } as const;
    const { groups } = rowsOf(
      [piece("a.pdf"), piece("b.pdf", { trouble: "locked" })],
      match("a.pdf", "ben", { verdict: "likely", doubts: [alsoFits] }),
      match("b.pdf", "cleo", { doubts: [many] }),
    );
    expect(groups.likely[0]?.warnings).toEqual(["fits Ada Ames, Cleo Crane too"]);
    expect(groups.open[0]).toMatchObject({ guess: { name: "Cleo Crane" } });
    expect(groups.open[0]?.warnings).toEqual([
      "nearly the name of 4 others",
      "asks for a password: unlock it, or take it in as it is",
    ]);
  });

  it("what a person decided goes before any match", () => {
    const put = { kind: "student", studentId: studentId("cleo"), joins: false } as const;
    const { groups } = rowsOf(
      [piece("a.pdf", { decision: put }), piece("b.pdf", { decision: { kind: "leftOut" } })],
      match("a.pdf", "ben"),
      match("b.pdf", "ben"),
    );
    expect(groups.sure).toMatchObject([{ name: "Cleo Crane", words: ["put there by you", "2 days late"] }]);
    expect(groups.out).toMatchObject([{ name: null, words: ["left out"] }]);
  });
});

describe("who is still out", () => {
  it("is told with what is known: over first, those in the tray last", () => {
    const excused = run(state, {
      type: "setStanding",
      assignmentId: essay.id,
      studentId: studentId("cleo"),
      decision: "excused",
    });
    const told = stillOut(excused, essay, new Set(), NOW).map(({ name, words, isOver }) => [name, words, isOver]);
    // Due 24 October, 12:00; Ada has handed in.
    expect(told).toEqual([
      ["Ben Bolt", "4 days over", true],
      ["Cleo Crane", "excused", false],
    ]);
    const inTray = stillOut(state, essay, new Set([studentId("ben")]), NOW);
    expect(inTray.map(({ name, words }) => `${name}: ${words}`)).toEqual([
      "Cleo Crane: 4 days over",
      "Ben Bolt: in the tray",
    ]);
    const early = "2026-10-20T12:00:00Z" as Instant;
    expect(stillOut(state, essay, new Set(), early).map(({ words }) => words)).toEqual([
      "still to come",
      "still to come",
    ]);
  });

  it("the first to judge is the first that waits", () => {
    expect(firstToJudge(state, essay, NOW)).toEqual({ studentId: studentId("ada"), count: 1 });
  });
});

describe("a spreadsheet", () => {
  const csv = { id: fileId("s"), name: "s.csv", mediaType: "text/csv", size: 10 };
  it("in which a class stands waits for a look at its scores; one of a single student's work does not", () => {
    const [marks, data, other] = withClassSheets(state, [
      piece("marks.csv", { file: csv, beginning: "Number  Points\nN1  17,5\nN2  9" }),
      piece("data.csv", { file: csv, beginning: "Ada Ames\nDepth  0,4\nWidth  3" }),
      piece("text.md", { beginning: "N1 N2 N3" }),
    ]);
    expect([marks?.trouble, data?.trouble, other?.trouble]).toEqual(["classSheet", null, null]);
  });

  it("is found by whole names too", () => {
    const [one] = withClassSheets(state, [
      piece("marks.csv", { file: csv, beginning: "Bolt, Ben  3\nCrane, Cleo  4" }),
    ]);
    expect(one?.trouble).toBe("classSheet");
  });
});

describe("the assignment that what came in is for", () => {
  const of = (pieces: readonly Piece[], now = NOW) => likelyAssignment(state, pieces, now)?.name;
  it("is the one that most of it names, else the last that was due, else the first", () => {
    expect(of([piece("quiz ada.pdf"), piece("Quiz_ben.pdf"), piece("x.pdf")])).toBe("Quiz");
    expect(of([piece("a.pdf"), piece("b.pdf")])).toBe("Essay");
    expect(of([], "2026-01-01T00:00:00Z" as Instant)).toBe("Essay");
  });

  it("is none that takes no hand-ins", () => {
    const carried = run(state, { type: "editAssignment", assignmentId: essay.id, fields: { channel: "nothing" } });
    expect(collectable(carried).map(({ name }) => name)).toEqual(["Quiz"]);
  });

  it("tells matching the groups and the words of its name", () => {
    const grouped = run(state, {
      type: "formGroups",
      assignmentId: essay.id,
      groups: [{ name: "Pair", memberIds: [studentId("ada"), studentId("ben")] }],
    });
    const { groups, title, students } = matchingGround(grouped, essay);
    expect(groups.get(studentId("ada"))).toBe(groups.get(studentId("ben")));
    expect([...groups.keys()]).toHaveLength(2);
    expect(title).toBe("Essay Essay");
    expect(students).toHaveLength(3);
  });
});
