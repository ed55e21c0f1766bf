import { codeSaid, type Piece } from "#core/collect";
import type { AssignmentId, Instant } from "#core/kernel";
import { assignmentsOf, plainText, type Assignment, type CourseState } from "#core/model";

/** Work that takes hand-ins, in the order of the plan. */
export const collectable = (state: CourseState): Assignment[] =>
  assignmentsOf(state).filter(({ channel }) => channel !== "nothing");

/**
 * The assignment that what came in is most likely for: the one of whose name most of it bears a word that no other's has,
 * else the last that was due, else the first.
 */
export function likelyAssignment(state: CourseState, pieces: readonly Piece[], now: Instant): Assignment | undefined {
  const open = collectable(state);
  const due = open
    .filter(({ dueAt, bonus }) => !bonus && dueAt !== null && dueAt <= now)
    .sort((a, b) => (b.dueAt ?? "").localeCompare(a.dueAt ?? ""));
  return namedAssignment(state, pieces) ?? due[0] ?? open[0];
}

/** The assignment that the codes on most of the pieces name, else that of whose name most of them bear a word that no other's has. */
export function namedAssignment(state: CourseState, pieces: readonly Piece[]): Assignment | undefined {
  const open = collectable(state);
  const coded = codedAssignment(state, pieces);
  if (coded) return coded;
  const paths = pieces.map(({ path, source }) => plainText(`${source} ${path}`));
  const named = open
    .map((assignment) => {
      const words = ownWords(assignment, open);
      return { assignment, count: paths.filter((path) => words.some((word) => path.includes(word))).length };
    })
    .sort((a, b) => b.count - a.count)[0];
  return named && named.count > 0 && named.count * 2 >= paths.length ? named.assignment : undefined;
}

function codedAssignment(state: CourseState, pieces: readonly Piece[]): Assignment | undefined {
  const counts = new Map<AssignmentId, number>();
  for (const { code } of pieces) {
    const said = code === "" ? null : codeSaid(state, code);
    if (said && "assignmentId" in said) counts.set(said.assignmentId, (counts.get(said.assignmentId) ?? 0) + 1);
  }
  const [most] = [...counts].sort(([, a], [, b]) => b - a);
  const papers = pieces.filter(({ decision }) => decision?.kind !== "cut").length;
  return most && most[1] * 2 >= papers ? state.assignments[most[0]] : undefined;
}

/** Letters from which a word of a name tells something. */
const TELLING = 4;

const wordsOfName = ({ name, shortName }: Assignment): string[] =>
  plainText(`${name} ${shortName}`)
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length >= TELLING);

const ownWords = (assignment: Assignment, all: readonly Assignment[]): string[] => {
  const others = new Set(all.filter((one) => one !== assignment).flatMap(wordsOfName));
  return wordsOfName(assignment).filter((word) => !others.has(word));
};
