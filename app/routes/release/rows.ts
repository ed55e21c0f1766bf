import {
  assignmentsOf,
  copyOf,
  courseOf,
  FACETS,
  fullName,
  releaseOf,
  studentsOf,
  type Assignment,
  type CourseState,
  type Facet,
  type Student,
} from "#core/model";
import {
  changedSinceRelease,
  draftFacet,
  facetOverview,
  preflight,
  type Difference,
  type FacetContent,
  type FacetOverview,
  type Finding,
} from "#core/release";
import { progressOf } from "#core/totals";
import { counted } from "../../ui/words";

export interface SealRow {
  readonly assignment: Assignment;
  readonly detail: string;
  readonly facets: readonly FacetOverview[];
}

/** The three facets of one student's copy; null where a facet shows nothing. */
export type Copy = { readonly [F in Facet]: FacetContent[F] | null };

export interface ReleaseRows {
  readonly timeZone: string;
  readonly courseTitle: string;
  readonly seals: readonly SealRow[];
  readonly chosen:
    | (SealRow & {
        readonly findings: Readonly<Record<string, readonly Finding[]>>;
        readonly changed: readonly Difference[];
      })
    | null;
  readonly students: readonly { readonly id: Student["id"]; readonly name: string }[];
  /** Whose copy is shown. */
  readonly reader: {
    readonly id: Student["id"];
    readonly name: string;
    readonly now: Copy;
    readonly after: Copy;
  } | null;
}

/** A set of facets as the key of its findings. */
export const facetKey = (facets: readonly Facet[]): string =>
  FACETS.filter((facet) => facets.includes(facet)).join("+");

const FACET_SETS: readonly (readonly Facet[])[] = [
  [],
  ["score"],
  ["rubric"],
  ["comments"],
  ["score", "rubric"],
  ["score", "comments"],
  ["rubric", "comments"],
  ["score", "rubric", "comments"],
];

export function releaseRows(state: CourseState, assignmentId: string | null, studentId: string | null): ReleaseRows {
  const seals = assignmentsOf(state).map((assignment): SealRow => ({
    assignment,
    detail: detailOf(state, assignment),
    facets: FACETS.map((facet) => facetOverview(state, assignment, facet)),
  }));
  const row = seals.find(({ assignment }) => assignment.id === assignmentId) ?? firstReady(seals) ?? seals[0];
  const students = studentsOf(state);
  const reader = students.find(({ id }) => id === studentId) ?? (row && firstWithContent(row, students)) ?? students[0];
  return {
    timeZone: courseOf(state).timeZone,
    courseTitle: courseOf(state).shortTitle,
    seals,
    chosen: row
      ? {
          ...row,
          findings: Object.fromEntries(
            FACET_SETS.map((facets) => [facetKey(facets), preflight(state, row.assignment, facets)]),
          ),
          changed: changedSinceRelease(state, row.assignment),
        }
      : null,
    students: students.map((student) => ({ id: student.id, name: fullName(student) })),
    reader:
      reader && row ? { id: reader.id, name: fullName(reader), ...copiesOf(state, row.assignment, reader) } : null,
  };
}

const firstReady = (seals: readonly SealRow[]) =>
  seals.find(({ facets }) => facets[0] && facets[0].release.state !== "released" && facets[0].ready.length > 0);

function firstWithContent({ facets }: SealRow, students: readonly Student[]): Student | undefined {
  const ids = new Set(facets.flatMap((facet) => [...facet.ready, ...facet.given]));
  const commented = facets.find(({ facet }) => facet === "comments");
  const best = commented?.ready[0] ?? commented?.given[0];
  return students.find(({ id }) => (best ? id === best : ids.has(id)));
}

function copiesOf(state: CourseState, assignment: Assignment, student: Student): { now: Copy; after: Copy } {
  const fixed = copyOf(state, assignment.id, student.id);
  const visible = <F extends Facet>(facet: F, content: FacetContent[F] | null) =>
    releaseOf(state, assignment.id, facet).state === "released" ? content : null;
  return {
    now: {
      score: visible("score", fixed.score?.content ?? null),
      rubric: visible("rubric", fixed.rubric?.content ?? null),
      comments: visible("comments", fixed.comments?.content ?? null),
    },
    after: {
      score: draftFacet(state, assignment, student, "score"),
      rubric: draftFacet(state, assignment, student, "rubric"),
      comments: draftFacet(state, assignment, student, "comments"),
    },
  };
}

function detailOf(state: CourseState, assignment: Assignment): string {
  const { students, scored, missing, waiting } = progressOf(state, assignment);
  if (scored + missing === 0) return waiting > 0 ? `${String(waiting)} waiting` : "nothing in";
  const decided = missing > 0 ? `, ${String(missing)} missing` : "";
  if (waiting === 0 && scored === students) return `${counted(students, "student")} scored`;
  return `${waiting === 0 ? String(scored) : `${String(scored)} of ${String(scored + waiting)}`} scored${decided}`;
}
