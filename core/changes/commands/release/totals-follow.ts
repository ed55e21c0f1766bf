import type { Instant, StudentId } from "#core/kernel";
import { eachInSteps, sameValue, type Steps } from "#core/kernel";
import { courseOf, totalCopiesOf, type CourseState, type TotalCopy } from "#core/model";
import { draftTotals } from "#core/release";
import { put } from "../../engine/command-parts";
import { stateAfter, type Patch } from "../../engine/patch";

/** The same total, whenever it was given. */
const sameTotal = (a: TotalCopy, b: TotalCopy): boolean => sameValue({ ...a, at: b.at }, b);

/**
 * The patches that give students their totals as they stand in `next`. A total that is the same keeps the moment it was
 * given. `only` leaves all other totals as they were given.
 */
export function fixTotals(
  state: CourseState,
  next: CourseState,
  at: Instant,
  students: readonly StudentId[],
  only?: readonly string[],
): Steps<(Patch | null)[]> {
  return eachInSteps(students, (id) => {
    const old = totalCopiesOf(state, id);
    const present = draftTotals(next, id, at);
    const wanted = only
      ? [...old.filter((copy) => !only.includes(copy.id)), ...present.filter((copy) => only.includes(copy.id))]
      : present;
    const totals = wanted.map((copy) => old.find((one) => one.id === copy.id && sameTotal(one, copy)) ?? copy);
    return sameValue(old, totals) ? null : put(state, "totalCopies", { id, totals });
  });
}

type Line = TotalCopy["parts"][number]["items"][number];

/** A line that tells one released score and nothing else. */
const tellsScore = (state: CourseState, { rests }: Line): boolean =>
  rests.length === 1 && rests.every((id) => state.assignments[id] !== undefined);

/**
 * A total as it was given, whose account tells the scores as they are given by now: who reads a corrected score beside
 * it must not read the old one in it.
 */
function withScoresOf(state: CourseState, given: TotalCopy, present: TotalCopy | undefined): TotalCopy {
  const now = present?.parts.flatMap(({ items }) => items).filter((line) => tellsScore(state, line)) ?? [];
  const follow = (line: Line): Line => {
    const same = tellsScore(state, line) ? now.find(({ rests }) => rests[0] === line.rests[0]) : undefined;
    return same ? { ...line, told: same.told } : line;
  };
  return { ...given, parts: given.parts.map((part) => ({ ...part, items: part.items.map(follow) })) };
}

/** The patches that let the accounts of totals on show follow the scores given, and nothing else of them. */
const followScores = (state: CourseState, next: CourseState, at: Instant, students: readonly StudentId[]) =>
  eachInSteps(students, (id) => {
    const old = totalCopiesOf(state, id);
    const present = old.length === 0 ? [] : draftTotals(next, id, at);
    const totals = old.map((copy) =>
      withScoresOf(
        next,
        copy,
        present.find((one) => one.id === copy.id),
      ),
    );
    return sameValue(old, totals) ? null : put(state, "totalCopies", { id, totals });
  });

/**
 * Patches that change what is visible, with those that let totals on show follow where they rest on released work. Where
 * they rest on all work they stay as they were given, so that no typed score reaches a student by another's release; the
 * scores in their accounts follow what is given.
 */
export function* withTotals(
  state: CourseState,
  patches: readonly (Patch | null)[],
  at: Instant,
  students: readonly StudentId[],
): Steps<(Patch | null)[]> {
  const open = Object.values(state.totalSeals).some((seal) => seal.state === "released");
  const next = open ? stateAfter(state, patches) : null;
  if (!next?.ok) return [...patches];
  const follow = courseOf(state).totalsRestOn === "released" ? fixTotals : followScores;
  return [...patches, ...(yield* follow(state, next.value, at, students))];
}
