import {
  handInsOf,
  outlooksOf,
  placePieces,
  whichLeft,
  type Decision,
  type FileOut,
  type HandInToTake,
  type Match,
  type Piece,
  type PieceId,
  type TimeTaken,
} from "#core/collect";
import { type AssignmentId, type Instant, type StudentId } from "#core/kernel";
import {
  courseOf,
  cutAt,
  groupOf,
  plainText,
  rosterName,
  studentsOf,
  workKindOf,
  type Assignment,
  type CourseState,
  type WorkFile,
} from "#core/model";
import { laneOf } from "#core/release";
import { isSheetType } from "#core/formats";
import { dayText } from "#core/words";
import { pileWords } from "./pile-words";
import { doubtWords, evidenceWords, outlookWords, TROUBLE_WORDS } from "./reason-words";

/** In which part of the tray a piece stands. */
export type Group = "open" | "back" | "likely" | "sure" | "pile" | "out";

/** A piece as it is drawn. */
export interface TrayRow {
  readonly piece: Piece;
  readonly group: Group;
  readonly studentId: StudentId | null;
  /** Whom it is put to; null where that is to be decided. */
  readonly name: string | null;
  /** Whom one would guess. */
  readonly guess: { readonly studentId: StudentId; readonly name: string } | null;
  /** Why, and what taking it in would mean. */
  readonly words: readonly string[];
  /** What asks for a look. */
  readonly warnings: readonly string[];
}

/** What lies in the tray, and what taking it in would make. */
export interface TrayRows {
  readonly groups: Readonly<Record<Group, readonly TrayRow[]>>;
  readonly handIns: readonly HandInToTake[];
  /** Files that left in an archive and come back with other bytes: marked outside. */
  readonly marked: readonly { readonly piece: Piece; readonly studentId: StudentId; readonly file: WorkFile }[];
}

/** Files that students have handed in for an assignment, with whose they are. */
export const filesHandedIn = (state: CourseState, assignment: Assignment) =>
  Object.values(cutAt(state, "handIns", assignment.id) ?? {}).flatMap(({ studentId, attempts }) =>
    attempts.flatMap(({ files }) => files.map((file) => ({ studentId, file }))),
  );

/** What matching asks beside the pieces. */
export const matchingGround = (state: CourseState, assignment: Assignment) => {
  const students = studentsOf(state);
  const groups = students.flatMap(({ id }) => {
    const group = groupOf(state, assignment.id, id);
    return group ? [[id, group.id] as const] : [];
  });
  return {
    students,
    groups: new Map<StudentId, string>(groups),
    title: `${assignment.name} ${assignment.shortName}`,
    assignmentId: assignment.id,
  };
};

/** Students from whom on a spreadsheet holds a class rather than one student's work. */
const A_CLASS = 2;

/** Says of spreadsheets in which a class stands that they do; they wait for a look at their scores. */
export function withClassSheets(state: CourseState, pieces: readonly Piece[]): readonly Piece[] {
  if (!pieces.some(({ file }) => isSheetType(file.mediaType))) return pieces;
  const students = studentsOf(state).map(({ number, familyName, givenName }) => ({
    number: plainText(number),
    names: [plainText(familyName), plainText(givenName)].filter(Boolean),
  }));
  return pieces.map((piece) => {
    if (!isSheetType(piece.file.mediaType) || piece.trouble !== null) return piece;
    const words = new Set(plainText(piece.beginning).split(/[^\p{L}\p{N}]+/u));
    const found = students.filter(
      ({ number, names }) => words.has(number) || (names.length > 1 && names.every((name) => words.has(name))),
    );
    return found.length >= A_CLASS ? { ...piece, trouble: "classSheet" } : piece;
  });
}

interface TrayQuestion {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly pieces: readonly Piece[];
  readonly matches: ReadonlyMap<PieceId, Match>;
  /** Sums of files that students have handed in before. */
  readonly kept: ReadonlyMap<StudentId, ReadonlySet<string>>;
  readonly time: TimeTaken;
}

/** The tray as it is drawn. */
export function trayRows({ state, assignment, pieces, matches, kept, time }: TrayQuestion): TrayRows {
  const back = cameBack(state, assignment, pieces, kept);
  const { placed, again } = placePieces(
    pieces.filter(({ id }) => !back.has(id)),
    matches,
    kept,
  );
  const handIns = handInsOf(state, assignment, placed, time);
  const outlooks = outlooksOf(state, assignment, handIns);
  const handInOfPiece = new Map(handIns.flatMap((handIn) => handIn.pieces.map(({ id }) => [id, handIn] as const)));
  const unitHours = courseOf(state).lateRule?.unitHours ?? 24;
  const nameOf = (id: StudentId) => {
    const student = state.students[id];
    return student ? rosterName(state, student) : "";
  };
  const workOf = (id: AssignmentId) => state.assignments[id]?.name ?? "";
  const files = new Map(pieces.map((piece) => [piece.id, piece.file.name]));
  const fileOf = (id: PieceId) => files.get(id) ?? "another";
  const piles = pileWords(state, pieces, nameOf);
  const rows = pieces.map((piece): TrayRow => {
    const out = back.get(piece.id);
    if (out) return backRow(piece, out, nameOf(out.studentId));
    const match = matches.get(piece.id);
    const handIn = handInOfPiece.get(piece.id);
    const outlook = handIn && outlooks.get(handIn);
    const group = placeInTray(piece, match, again);
    const reasons = reasonsFor(piece, match, piles);
    const doubts = piece.decision
      ? []
      : (match?.doubts.map((doubt) => doubtWords(doubt, { nameOf, fileOf, workOf })) ?? []);
    const guess = match?.studentId ?? null;
    return {
      piece,
      group,
      studentId: handIn?.studentId ?? null,
      name: handIn ? nameOf(handIn.studentId) : null,
      guess: guess && group === "open" ? { studentId: guess, name: nameOf(guess) } : null,
      words: again.has(piece.id)
        ? [`the same file again of ${guess ? nameOf(guess) : ""}`]
        : [...reasons, ...(outlook ? outlookWords(outlook, unitHours) : [])],
      warnings: [
        ...doubts,
        piece.trouble ? TROUBLE_WORDS[piece.trouble] : "",
        ...(group === "out" ? [] : piles.warnings(piece, group === "open")),
      ].filter(Boolean),
    };
  });
  const of = (group: Group) => rows.filter((row) => row.group === group);
  return {
    groups: {
      open: of("open"),
      back: of("back"),
      likely: of("likely"),
      sure: of("sure"),
      pile: of("pile"),
      out: of("out"),
    },
    handIns,
    marked: pieces.flatMap((piece) => {
      const out = back.get(piece.id);
      return out && !out.isSame ? [{ piece, studentId: out.studentId, file: out.file }] : [];
    }),
  };
}

const backRow = (piece: Piece, { isSame }: { readonly isSame: boolean }, name: string): TrayRow => ({
  piece,
  group: isSame ? "out" : "back",
  studentId: null,
  name: isSame ? null : name,
  guess: null,
  words: [isSame ? `the same file again of ${name}` : "marked outside: its remarks are taken in"],
  warnings: [],
});

/** Pieces that left with the hand-ins, by what they are: the same bytes, or a PDF that was marked outside. */
export type CameBack = ReadonlyMap<PieceId, FileOut & { readonly isSame: boolean }>;

/** Finds the pieces that left from here in an archive of hand-ins; what a person decided about stays decided. */
export function cameBack(
  state: CourseState,
  assignment: Assignment,
  pieces: readonly Piece[],
  kept: TrayQuestion["kept"],
): CameBack {
  const left = whichLeft(state, assignment);
  return new Map(
    pieces.flatMap((piece) => {
      const out = piece.decision ? null : left(piece);
      if (!out) return [];
      const isSame = kept.get(out.studentId)?.has(piece.sum) ?? false;
      const isMarked = !piece.trouble && workKindOf(piece.file) === "pdf" && workKindOf(out.file) === "pdf";
      return isSame || isMarked ? [[piece.id, { ...out, isSame }] as const] : [];
    }),
  );
}

/** Pieces of evidence that are told; each kind once. */
const TOLD = 2;

const told = (evidence: Match["evidence"]): string[] =>
  evidence
    .filter(({ kind }, index) => kind === "wholeName" || evidence.findIndex((other) => other.kind === kind) === index)
    .slice(0, TOLD)
    .map(evidenceWords);

function reasonsFor(piece: Piece, match: Match | undefined, piles: ReturnType<typeof pileWords>): readonly string[] {
  switch (piece.decision?.kind) {
    case "leftOut":
      return ["left out"];
    case "cut":
      return piles.cut(piece);
    case "student":
      return ["put there by you"];
    case undefined:
      return told(match?.evidence ?? []);
  }
}

const DECIDED: Readonly<Record<Decision["kind"], Group>> = { leftOut: "out", cut: "pile", student: "sure" };

function placeInTray(piece: Piece, match: Match | undefined, again: ReadonlySet<PieceId>): Group {
  if (piece.decision) return DECIDED[piece.decision.kind];
  if (again.has(piece.id)) return "out";
  return piece.trouble ? "open" : (match?.verdict ?? "open");
}

/** `due 23 Oct 2026`, or that there is no due time. */
export const dueWords = (state: CourseState, { dueAt }: Assignment): string =>
  dueAt ? `due ${dayText(dueAt, courseOf(state).timeZone)}` : "no due date";

/** The first paper that waits to be judged, and how many do. */
export function firstToJudge(state: CourseState, assignment: Assignment, now: Instant) {
  const { next } = laneOf(state, assignment, now);
  return next.kind === "score" ? { studentId: next.studentId, count: next.count } : null;
}
