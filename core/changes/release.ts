import { z } from "zod";
import { milliseconds, refuse, type Instant } from "#core/kernel";
import {
  cutAt,
  copyOf,
  facetSchema,
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
} from "#core/model";
import { copyState, draftFacet, dueReleases } from "#core/release";
import type { CommandKind } from "./change";
import { assignmentAt, finish, put } from "./draft";
import type { Patch } from "./patch";

const facets = z.array(facetSchema).min(1);
const FACET_WORDS: Readonly<Record<Facet, string>> = {
  score: "score",
  rubric: "rubric detail",
  comments: "notes and comments",
};
const wordsOf = (list: readonly Facet[]) => list.map((facet) => FACET_WORDS[facet]).join(", ");

/** Copies of one assignment with the given facets fixed as they are now, for every student who has something new. */
function fixCopies(
  state: CourseState,
  assignment: Assignment,
  list: readonly Facet[],
  students: readonly Student[],
  at: Instant,
): (Patch | null)[] {
  return students.map((student) => {
    const before = copyOf(state, assignment.id, student.id);
    let copy: StudentCopy = before;
    for (const facet of list) {
      const standing = copyState(state, assignment, student, facet);
      if (standing === "given" || standing === "nothing") continue;
      const content = draftFacet(state, assignment, student, facet);
      copy = { ...copy, [facet]: content && { at, content } };
    }
    return copy === before ? null : put(state, "copies", copy);
  });
}

const setSeal = (state: CourseState, assignment: Assignment, facet: Facet, change: Pick<Release, "state" | "at">) =>
  put(state, "releases", { ...releaseOf(state, assignment.id, facet), ...change });

const releaseInput = z.object({
  assignmentId: idField("assignment"),
  facets,
  /** Only these students; left out: everyone who has something to see. */
  studentIds: z.array(idField("student")).optional(),
});

/** Releases facets of an assignment now: seals broken, and a fixed copy made for each student. */
export const release: CommandKind<z.infer<typeof releaseInput>> = {
  input: releaseInput,
  prepare: (state, { assignmentId, facets: list, studentIds }, { at }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const assignment = found.value;
    const students = studentsOf(state).filter((student) => studentIds?.includes(student.id) ?? true);
    const copies = fixCopies(state, assignment, list, students, at).filter((patch) => patch !== null);
    const seals = list
      .filter((facet) => releaseOf(state, assignmentId, facet).state !== "released")
      .map((facet) => setSeal(state, assignment, facet, { state: "released", at }));
    if (copies.length === 0 && seals.length === 0) return refuse({ code: "nothing_to_release" });
    const line = `${assignment.name}: ${wordsOf(list)} released to ${String(copies.length)}`;
    return finish(line, ...seals, ...copies);
  },
};

const timeInput = z.object({ assignmentId: idField("assignment"), facets, at: instantField });

/** Sets a moment from which facets will be visible. What was visible before is sealed until then. */
export const timeRelease: CommandKind<z.infer<typeof timeInput>> = {
  input: timeInput,
  prepare: (state, { assignmentId, facets: list, at }, context) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    if (milliseconds(at) <= milliseconds(context.at)) return refuse({ code: "time_is_past", at });
    const seals = list.map((facet) => setSeal(state, found.value, facet, { state: "timed", at }));
    return finish(
      `${found.value.name}: ${wordsOf(list)} timed for ${at}`,
      ...seals,
      ...withdraw(state, found.value, list),
    );
  },
};

const dueInput = z.object({});

/** Gives out everything whose time has come; never early, because the time is compared with the moment handed in. */
export const releaseDue: CommandKind<object> = {
  input: dueInput,
  prepare: (state, _input, { at }) => {
    const due = dueReleases(state, at);
    const names = new Set<string>();
    const patches = Object.values(state.assignments).flatMap((assignment) => {
      const list = due.filter((item) => item.assignmentId === assignment.id).map((item) => item.facet);
      if (list.length === 0) return [];
      names.add(assignment.name);
      return [
        ...list.map((facet) => setSeal(state, assignment, facet, { state: "released", at })),
        ...fixCopies(state, assignment, list, studentsOf(state), at),
      ];
    });
    if (patches.length === 0) return refuse({ code: "nothing_to_release" });
    return finish(`${[...names].join(", ")}: released as timed`, ...patches);
  },
};

const sealInput = z.object({ assignmentId: idField("assignment"), facets });

/** Seals facets again. Students see them no longer; the journal keeps what they had seen. */
export const seal: CommandKind<z.infer<typeof sealInput>> = {
  input: sealInput,
  prepare: (state, { assignmentId, facets: list }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const seals = list.map((facet) => setSeal(state, found.value, facet, { state: "sealed", at: null }));
    return finish(`${found.value.name}: ${wordsOf(list)} sealed`, ...seals, ...withdraw(state, found.value, list));
  },
};

function withdraw(state: CourseState, assignment: Assignment, list: readonly Facet[]): (Patch | null)[] {
  return studentsOf(state)
    .map((student) => cutAt(state, "copies", assignment.id)?.[resultKey(assignment.id, student.id)])
    .filter((copy) => copy !== undefined)
    .map((copy) => put(state, "copies", { ...copy, ...Object.fromEntries(list.map((facet) => [facet, null])) }));
}
