import { z } from "zod/mini";
import { eachInSteps, milliseconds, ok, refuse, sameValue, type Instant, type Result, type Steps } from "#core/kernel";
import {
  copyOf,
  courseOf,
  cutAt,
  facetSchema,
  rosterName,
  idField,
  instantField,
  releaseOf,
  resultKey,
  studentsOf,
  type Assignment,
  type CourseState,
  type Facet,
  type Release,
  type Student,
  type StudentCopy,
  type TotalSeal,
} from "#core/model";
import { copyState, facetNow, dueReleases, dueTotals, stopsOf, studentsMeant } from "#core/release";
import { FACET_NAMES } from "#core/words";
import type { ChangeIssue, SteppedKind } from "../../engine/change";
import { assignmentAt, finish, put } from "../../engine/command-parts";
import { classFiguresGiven } from "../../past/class-history";
import { leaksStopping, leakStop } from "../../effects/leak-stop";
import { stateAfter, type Patch } from "../../engine/patch";
import { fixTotals, withTotals } from "./totals-follow";

const facets = z.array(facetSchema).check(z.minLength(1));
const wordsOf = (list: readonly Facet[]) => list.map((facet) => FACET_NAMES[facet]).join(", ");

/** What a change of seals is about. */
const scope = {
  assignmentId: idField("assignment"),
  facets,
  /** Other assignments, sealed or released in the same change: a whole category. */
  together: z.optional(z.array(idField("assignment")).check(z.maxLength(500))),
  /** Only these students; left out: everyone. */
  studentIds: z.optional(z.array(idField("student"))),
  /** Only this section; left out: everyone. */
  sectionId: z.optional(idField("section")),
};
const scopeInput = z.object(scope);
type Scope = z.infer<typeof scopeInput>;

interface Meant {
  readonly assignments: readonly Assignment[];
  readonly students: readonly Student[];
  /** A part of the class. */
  readonly isPart: boolean;
  /** Who is meant, for the journal: empty for everyone. */
  readonly words: string;
}

function meantBy(
  state: CourseState,
  { assignmentId, together, studentIds, sectionId }: Scope,
): Result<Meant, ChangeIssue> {
  const assignments: Assignment[] = [];
  for (const id of new Set([assignmentId, ...(together ?? [])])) {
    const found = assignmentAt(state, id);
    if (!found.ok) return found;
    assignments.push(found.value);
  }
  const section = sectionId && state.sections[sectionId];
  if (sectionId && !section) return refuse({ code: "unknown_record", what: "section", id: sectionId });
  const students = studentsMeant(state, { sectionId: sectionId ?? null, studentIds: studentIds ?? null });
  const [first] = students;
  const names = students.length === 1 && first ? rosterName(state, first) : `${String(students.length)} students`;
  const words = section ? ` for ${section.name}` : studentIds ? ` for ${names}` : "";
  return ok({ assignments, students, isPart: words !== "", words });
}

const namesOf = (assignments: readonly Assignment[]): string => assignments.map(({ name }) => name).join(", ");

/** Copies of one assignment with the given facets fixed as they are now, for every student who has something new. */
function fixCopies(
  state: CourseState,
  assignment: Assignment,
  list: readonly Facet[],
  students: readonly Student[],
  at: Instant,
): Steps<(Patch | null)[]> {
  return eachInSteps(students, (student) => {
    const before = copyOf(state, assignment.id, student.id);
    let copy: StudentCopy = before;
    for (const facet of list) {
      const standing = copyState(state, assignment, student, facet);
      if (standing === "given" || standing === "nothing") continue;
      const content = facetNow(state, assignment, student, facet);
      copy = { ...copy, name: assignment.name, [facet]: content && { at, content } };
    }
    return copy === before ? null : put(state, "copies", copy);
  });
}

const setSeal = (
  state: CourseState,
  assignment: Assignment,
  facet: Facet,
  change: Partial<Pick<Release, "state" | "at" | "waves">>,
) => put(state, "releases", { ...releaseOf(state, assignment.id, facet), ...change });

type Part = Pick<Scope, "sectionId" | "studentIds">;

/** The moments that stay when a part of the class is settled otherwise: its own are taken out. */
const wavesWithout = (waves: Release["waves"], { sectionId, studentIds }: Part): Release["waves"] =>
  waves.flatMap((wave) => {
    if (studentIds === undefined) return wave.sectionId !== null && wave.sectionId === sectionId ? [] : [wave];
    if (wave.studentIds === null) return [wave];
    const left = wave.studentIds.filter((id) => !studentIds.includes(id));
    return left.length === 0 ? [] : [{ ...wave, studentIds: left }];
  });

const idsOf = (students: readonly Student[]) => students.map(({ id }) => id);

/** Releases facets of an assignment now: seals broken, and a fixed copy made for each student meant. */
export const release: SteppedKind<Scope> = {
  input: scopeInput,
  *prepareInSteps(state, input, context) {
    const { at, journal } = context;
    const meant = meantBy(state, input);
    if (!meant.ok) return meant;
    const { assignments, students, isPart, words } = meant.value;
    const list = input.facets;
    for (const assignment of assignments) {
      const earlier = list.includes("classFigures") ? classFiguresGiven(state, journal, assignment) : [];
      const stop = stopsOf({ state, assignment, facets: list, meant: students, earlier });
      if (stop)
        return refuse({ code: "release_stopped", finding: stop.code, count: stop.count, name: assignment.name });
    }
    const copies: Patch[] = [];
    for (const assignment of assignments) {
      copies.push(...(yield* fixCopies(state, assignment, list, students, at)).filter((patch) => patch !== null));
    }
    const seals = assignments.flatMap((assignment) =>
      list.flatMap((facet) => {
        const { state: before, waves } = releaseOf(state, assignment.id, facet);
        // A part of the class does not end a time that was set for the rest.
        const opens = before === "sealed" || (before === "timed" && !isPart);
        const left = isPart ? wavesWithout(waves, input) : [];
        if (!opens && left.length === waves.length) return [];
        return [setSeal(state, assignment, facet, { ...(opens && { state: "released", at }), waves: left })];
      }),
    );
    if (copies.length === 0 && (seals.length === 0 || isPart)) return refuse({ code: "nothing_to_release" });
    const line = `${namesOf(assignments)}: ${wordsOf(list)} released to ${String(copies.length)}${words}`;
    const patches = yield* withTotals(state, [...seals, ...copies], at, idsOf(students));
    const stop = yield* leakStop(state, patches, namesOf(assignments), context);
    return stop ?? finish(line, ...patches);
  },
};

const timeInput = z.object({ ...scope, at: instantField });

/** Sets a moment from which facets will be visible. What was visible before is sealed until then. */
export const timeRelease: SteppedKind<z.infer<typeof timeInput>> = {
  input: timeInput,
  *prepareInSteps(state, { at, ...input }, context) {
    const meant = meantBy(state, input);
    if (!meant.ok) return meant;
    if (milliseconds(at) <= milliseconds(context.at)) return refuse({ code: "time_is_past", at });
    const { assignments, students, words, isPart } = meant.value;
    const { studentIds = null, sectionId = null } = input;
    const wave = { at, sectionId: studentIds ? null : sectionId, studentIds };
    const seals = assignments.flatMap((assignment) =>
      input.facets.map((facet) => {
        const { waves } = releaseOf(state, assignment.id, facet);
        if (!isPart) return setSeal(state, assignment, facet, { state: "timed", at, waves: [] });
        return setSeal(state, assignment, facet, { waves: [...wavesWithout(waves, input), wave] });
      }),
    );
    const away = assignments.flatMap((assignment) => withdraw(state, assignment, input.facets, students));
    const line = `${namesOf(assignments)}: ${wordsOf(input.facets)} timed for ${at}${words}`;
    return finish(line, ...(yield* withTotals(state, [...seals, ...away], context.at, idsOf(students))));
  },
};

/** Gives out everything whose time has come; never early, because the time is compared with the moment handed in. */
export const releaseDue: SteppedKind<object> = {
  input: z.object({}),
  *prepareInSteps(state, _input, context) {
    const { at, journal } = context;
    const names = new Set<string>();
    // One after the other, because several may touch the same record; what would leak where leaks stop waits on.
    const patches: Patch[] = [];
    const shown: TotalSeal[] = [];
    let now = state;
    function* take(wished: readonly (Patch | null)[], total: readonly TotalSeal[] = []): Steps<boolean> {
      const next = stateAfter(now, wished);
      if (!next.ok) return false;
      const all = yield* withDueTotals(state, next.value, [...patches, ...wished], [...shown, ...total], at);
      const given = stateAfter(state, all);
      if (!given.ok || (yield* leaksStopping(state, given.value, all, context)) > 0) return false;
      now = next.value;
      patches.push(...wished.filter((patch) => patch !== null));
      shown.push(...total);
      return true;
    }
    for (const { assignmentId, facet, wave } of dueReleases(state, at)) {
      const assignment = state.assignments[assignmentId];
      if (!assignment) continue;
      // Who has a moment of their own waits for it.
      const later = wave ? [] : releaseOf(state, assignmentId, facet).waves.flatMap((one) => studentsMeant(state, one));
      const students = (wave ? studentsMeant(state, wave) : studentsOf(state)).filter((one) => !later.includes(one));
      const earlier = facet === "classFigures" ? classFiguresGiven(state, journal, assignment) : [];
      // What is given out with it counts as given: a score that is due with its rubric.
      if (stopsOf({ state: now, assignment, facets: [facet], meant: students, earlier })) continue;
      const { state: before, waves } = releaseOf(now, assignmentId, facet);
      const left = wave ? waves.filter((one) => !sameValue(one, wave)) : waves;
      const opens = !wave || before === "sealed";
      const seal = setSeal(now, assignment, facet, { waves: left, ...(opens && { state: "released" as const, at }) });
      const copies = yield* fixCopies(now, assignment, [facet], students, at);
      if (yield* take([seal, ...copies])) names.add(assignment.name);
    }
    for (const seal of dueTotals(state, at)) {
      yield* take([put(now, "totalSeals", { ...seal, state: "released", at })], [seal]);
    }
    if (patches.length === 0) return refuse({ code: "nothing_to_release" });
    if (shown.length > 0) names.add("Totals");
    const given = yield* withDueTotals(state, now, patches, shown, at);
    return finish(`${[...names].join(", ")}: released as timed`, ...given);
  },
};

/** Patches of what is due, which lead to `next`, with the totals that go out with them. */
function* withDueTotals(
  state: CourseState,
  next: CourseState,
  patches: readonly (Patch | null)[],
  due: readonly TotalSeal[],
  at: Instant,
): Steps<readonly (Patch | null)[]> {
  const everyone = idsOf(studentsOf(state));
  return due.length > 0
    ? [...patches, ...(yield* fixTotals(state, next, at, everyone, totalsGiven(next, due)))]
    : yield* withTotals(state, patches, at, everyone);
}

/** Where totals rest on released work all of them follow; otherwise only those whose time came. */
const totalsGiven = (state: CourseState, due: readonly { readonly id: string }[]): readonly string[] | undefined =>
  courseOf(state).totalsRestOn === "released" ? undefined : due.map(({ id }) => id);

/** Seals facets again. Students see them no longer; the journal keeps what they had seen. */
export const seal: SteppedKind<Scope> = {
  input: scopeInput,
  *prepareInSteps(state, input, { at }) {
    const meant = meantBy(state, input);
    if (!meant.ok) return meant;
    const { assignments, students, isPart, words } = meant.value;
    const seals = assignments.flatMap((assignment) =>
      input.facets.map((facet) => {
        if (!isPart) return setSeal(state, assignment, facet, { state: "sealed", at: null, waves: [] });
        const { waves } = releaseOf(state, assignment.id, facet);
        return setSeal(state, assignment, facet, { waves: wavesWithout(waves, input) });
      }),
    );
    const away = assignments.flatMap((assignment) => withdraw(state, assignment, input.facets, students));
    const line = `${namesOf(assignments)}: ${wordsOf(input.facets)} sealed${words}`;
    return finish(line, ...(yield* withTotals(state, [...seals, ...away], at, idsOf(students))));
  },
};

function withdraw(
  state: CourseState,
  assignment: Assignment,
  list: readonly Facet[],
  students: readonly Student[],
): (Patch | null)[] {
  return students
    .map((student) => cutAt(state, "copies", assignment.id)?.[resultKey(assignment.id, student.id)])
    .filter((copy) => copy !== undefined)
    .map((copy) => put(state, "copies", { ...copy, ...Object.fromEntries(list.map((facet) => [facet, null])) }));
}
