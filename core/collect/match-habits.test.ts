import { expect, it } from "vitest";
import { fullName, type Student } from "#core/model";
import { assignmentId } from "../testing/builders";
import {
  chance,
  hardRoster,
  MISLEADING_HABITS,
  TELLING_HABITS,
  TITLES,
  VAGUE_HABITS,
  type Named,
} from "../testing/naming-habits";
import { matchPieces } from "./match";
import type { PieceId, PieceTraits } from "./piece";

const CLASSES = 370;
const CLASS_SIZE = 31;

interface Piece {
  readonly habit: string;
  readonly student: Student;
  readonly traits: PieceTraits;
}

const traitsOf = (named: Named, index: number): PieceTraits => ({
  id: `piece:${String(index)}` as PieceId,
  letter: null,
  sum: String(index),
  beginning: "",
  author: "",
  senderAddress: "",
  senderName: "",
  said: null,
  ...named,
});

/** A class in which most have handed in, each after a habit of their own. */
function classOf(seed: number): {
  readonly students: readonly Student[];
  readonly pieces: readonly Piece[];
  readonly title: string;
} {
  const next = chance(seed);
  const title = TITLES[next(TITLES.length)] ?? "";
  const students = hardRoster(CLASS_SIZE, next);
  const telling = Object.entries(TELLING_HABITS);
  const vague = Object.entries(VAGUE_HABITS);
  const misleading = Object.entries(MISLEADING_HABITS);
  const pieces = students.map((student, index): Piece => {
    const kind = next(10);
    if (kind === 0) {
      const [habit, make] = misleading[next(misleading.length)] ?? ["", () => ({ path: "" })];
      // Another of the same name is no other to anybody who reads it.
      const others = students.filter((one) => fullName(one) !== fullName(student));
      const other = others[next(others.length)] ?? student;
      return { habit, student, traits: traitsOf(make(student, other, next, title), index) };
    }
    const habits = kind < 6 ? telling : vague;
    const [habit, make] = habits[next(habits.length)] ?? ["", () => ({ path: "" })];
    return { habit, student, traits: traitsOf(make(student, next, title), index) };
  });
  return { students, title, pieces: pieces.filter(() => next(12) > 0) };
}

it("puts nobody's work surely to another, in ten thousand pieces by nearly thirty habits, and most told ones surely right", () => {
  const table = new Map<string, Record<string, number>>();
  const wrongSure: string[] = [];
  let all = 0;
  for (let seed = 1; seed <= CLASSES; seed += 1) {
    const { students, pieces, title } = classOf(seed);
    const matches = matchPieces(
      pieces.map(({ traits }) => traits),
      { students, groupOf: () => null, decided: new Map(), title, assignmentId: assignmentId("memo") },
    );
    expect(matches.map(({ pieceId }) => pieceId)).toEqual(pieces.map(({ traits }) => traits.id));
    matches.forEach(({ verdict, studentId }, index) => {
      const piece = pieces[index];
      if (!piece) return;
      const isRight = studentId === piece.student.id;
      const outcome = `${verdict} ${studentId === null ? "nobody" : isRight ? "right" : "wrong"}`;
      const row = table.get(piece.habit) ?? {};
      table.set(piece.habit, { ...row, [outcome]: (row[outcome] ?? 0) + 1 });
      all += 1;
      if (verdict === "sure" && !isRight) wrongSure.push(`${String(seed)}: ${piece.habit}: ${piece.traits.path}`);
    });
  }
  const outcomes = [
    "sure right",
    "sure wrong",
    "likely right",
    "likely wrong",
    "open right",
    "open wrong",
    "open nobody",
  ];
  const lines = [...table].map(
    ([habit, row]) => `${habit.padEnd(32)}${outcomes.map((one) => String(row[one] ?? 0).padStart(13)).join("")}`,
  );
  console.info(
    [
      `-- matching ${String(all)} pieces`,
      `${"".padEnd(32)}${outcomes.map((one) => one.padStart(13)).join("")}`,
      ...lines.sort(),
    ].join("\n"),
  );
  expect(all).toBeGreaterThan(10_000);
  expect(wrongSure).toEqual([]);
  const told = [...table].filter(([habit]) => habit in TELLING_HABITS).map(([, row]) => row);
  const count = (outcome: string) => told.reduce((sum, row) => sum + (row[outcome] ?? 0), 0);
  const every = told.reduce((sum, row) => sum + Object.values(row).reduce((one, two) => one + two, 0), 0);
  expect(count("sure right") / every).toBeGreaterThan(0.9);
});
