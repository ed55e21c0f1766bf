import { classFiguresGiven, runInSteps, type ChangeIssue, type Context } from "#core/changes";
import type { Steps, StudentId } from "#core/kernel";
import {
  assignmentsOf,
  copyOf,
  courseOf,
  FACETS,
  rosterName,
  resultOf,
  sectionsOf,
  levelGiven,
  studentsOf,
  totalSealOf,
  TOTALS_LETTER,
  type Assignment,
  type CourseState,
  type Facet,
  type Student,
  type TotalSeal,
} from "#core/model";
import {
  changedSinceRelease,
  changedTotalCopies,
  facetNow,
  draftTotals,
  dueReleases,
  facetOverview,
  isShown,
  openingsOf,
  preflight,
  readingOf,
  studentsMeant,
  totalIds,
  totalName,
  visibleChanges,
  visibleTotals,
  type Difference,
  type FacetContent,
  type FacetContents,
  type FacetOverview,
  type Finding,
  type TotalDifference,
  type VisibleChange,
} from "#core/release";
import { progressOf } from "#core/totals";
import { counted } from "#core/words";
import { releaseCommand, togetherWith, type ReleasePlace } from "./place";

export interface SealRow {
  readonly assignment: Assignment;
  readonly detail: string;
  readonly facets: readonly FacetOverview[];
}

/** A total with its seal. */
export interface TotalRow {
  readonly id: string;
  readonly name: string;
  readonly seal: TotalSeal;
  readonly detail: string;
  /** Students who have opened their totals. */
  readonly seen: readonly StudentId[];
  /** Students whose copy of it is not what it would be now. */
  readonly changed: readonly (TotalDifference & {
    /** As the roster tells them from others. */
    readonly studentName: string;
  })[];
}

/** Who has been given something of an assignment, and who of them has opened it. */
export interface Readers {
  readonly given: readonly StudentId[];
  readonly opened: readonly StudentId[];
  readonly older: readonly StudentId[];
}

/** The assignment the screen is about. */
export interface ChosenRow extends SealRow {
  /** The facets wanted that can hold anything. */
  readonly wanted: readonly Facet[];
  readonly findings: readonly Finding[];
  readonly changed: readonly Difference[];
  /** Students who would be given something new. */
  readonly ready: number;
  /** What the release would change for students; or why it cannot be. */
  readonly preview: readonly VisibleChange[] | ChangeIssue;
  readonly readers: Readers;
  /** Students held back one by one, with the reasons. */
  readonly heldBack: readonly { readonly id: StudentId; readonly reason: string }[];
  /** How many other assignments its category has. */
  readonly companions: number;
  readonly categoryName: string;
  /** Its moment has come and it did not go out: something stops it. */
  readonly isOverdue: boolean;
}

export interface ReleaseRows {
  readonly timeZone: string;
  readonly courseTitle: string;
  readonly restOn: "released" | "all";
  readonly seals: readonly SealRow[];
  readonly totals: readonly TotalRow[];
  readonly chosen: ChosenRow | null;
  readonly chosenTotal: TotalRow | null;
  readonly students: readonly { readonly id: Student["id"]; readonly name: string }[];
  readonly sections: readonly { readonly id: string; readonly name: string }[];
  /** Whose copy is shown. */
  readonly reader: {
    readonly id: Student["id"];
    readonly name: string;
    readonly now: FacetContents;
    readonly after: FacetContents;
    readonly totals: ReturnType<typeof draftTotals>;
    readonly totalsNow: ReturnType<typeof visibleTotals>;
  } | null;
}

/** Everything the release screen shows. */
export function* releaseRows(state: CourseState, place: ReleasePlace, context: Context): Steps<ReleaseRows> {
  const seals: SealRow[] = [];
  for (const assignment of assignmentsOf(state)) {
    const facets: FacetOverview[] = [];
    for (const facet of FACETS) facets.push(yield* facetOverview(state, assignment, facet));
    seals.push({ assignment, detail: detailOf(state, assignment), facets });
  }
  const row = seals.find(({ assignment }) => assignment.id === place.assignmentId) ?? firstReady(seals) ?? seals[0];
  const totals = yield* totalRows(state, context);
  const students = studentsOf(state);
  const reader =
    students.find(({ id }) => id === (place.readerId ?? place.studentId)) ??
    (row && firstWithContent(row, students)) ??
    students[0];
  return {
    timeZone: courseOf(state).timeZone,
    courseTitle: courseOf(state).shortTitle,
    restOn: courseOf(state).totalsRestOn,
    seals,
    totals,
    chosen: row ? yield* chosenRow(state, row, place, context) : null,
    chosenTotal: totals.find(({ id }) => id === place.totalId) ?? null,
    students: students.map((student) => ({ id: student.id, name: rosterName(state, student) })),
    sections: sectionsOf(state),
    reader:
      reader && row
        ? {
            id: reader.id,
            name: rosterName(state, reader),
            ...copiesOf(state, row.assignment, reader),
            totals: draftTotals(asIfOpen(state, place.totalId), reader.id, context.at),
            totalsNow: visibleTotals(state, reader.id),
          }
        : null,
  };
}

/** The state in which the total looked at is open, to show what a student would see of it. */
function asIfOpen(state: CourseState, totalId: string | null): CourseState {
  if (totalId === null) return state;
  const seal: TotalSeal = { ...totalSealOf(state, totalId), state: "released" };
  return { ...state, totalSeals: { ...state.totalSeals, [totalId]: seal } };
}

function* totalRows(state: CourseState, { at }: Context): Steps<TotalRow[]> {
  const changed = (yield* changedTotalCopies(state, at)).map((one) => ({
    ...one,
    studentName: rosterName(state, one.student),
  }));
  const seen = studentsOf(state).flatMap(({ id }) => (openingsOf(state, TOTALS_LETTER, id).length > 0 ? [id] : []));
  return totalIds(state).map((id) => {
    const kind = state.categories[id] ? "category" : state.terms[id] ? "term" : "";
    return {
      id,
      name: totalName(state, id),
      seal: totalSealOf(state, id),
      detail: kind || (courseOf(state).totalsRestOn === "released" ? "from released work only" : "from all work"),
      seen,
      changed: changed.filter((one) => one.id === id),
    };
  });
}

function* chosenRow(state: CourseState, row: SealRow, place: ReleasePlace, context: Context): Steps<ChosenRow> {
  const { assignment } = row;
  const usable = row.facets.filter((overview) => !overview.empty);
  const wanted = FACETS.filter((facet) => place.facets.includes(facet) && usable.some((one) => one.facet === facet));
  const meant = studentsMeant(state, {
    sectionId: place.sectionId,
    studentIds: place.studentId ? [place.studentId] : null,
  });
  const command = releaseCommand(state, assignment, wanted, place);
  const next = wanted.length > 0 ? yield* runInSteps(state, command, context) : null;
  const preview = next?.ok ? yield* visibleChanges(state, next.value.state) : [];
  return {
    ...row,
    wanted,
    findings: preflight({
      state,
      assignment,
      facets: wanted,
      meant,
      earlier: classFiguresGiven(state, context.journal, assignment),
    }),
    changed: changedSinceRelease(state, assignment),
    ready: new Set(copiesChanged(next?.ok ? next.value.change.patches : [])).size,
    preview: next && !next.ok && next.issue.code !== "nothing_to_release" ? next.issue : preview,
    readers: readersOf(state, assignment),
    heldBack: studentsOf(state).flatMap(({ id }) => {
      const { held, heldReason } = resultOf(state, assignment.id, id);
      return held ? [{ id, reason: heldReason }] : [];
    }),
    isOverdue: dueReleases(state, context.at).some(({ assignmentId }) => assignmentId === assignment.id),
    companions: togetherWith(state, assignment).length,
    categoryName: state.categories[assignment.categoryId]?.name ?? "",
  };
}

/** The students for whom a change fixes copies. */
const copiesChanged = (patches: readonly { readonly table: string; readonly id: string }[]): string[] =>
  patches.flatMap(({ table, id }) => (table === "copies" ? [id.slice(id.indexOf("/") + 1)] : []));

function readersOf(state: CourseState, assignment: Assignment): Readers {
  const given = studentsOf(state)
    .map(({ id }) => id)
    .filter((id) => FACETS.some((facet) => isShown(state, assignment, id, facet)));
  const those = (reading: ReturnType<typeof readingOf>) =>
    given.filter((id) => readingOf(state, assignment.id, id) === reading);
  return { given, opened: those("opened"), older: those("older") };
}

const firstReady = (seals: readonly SealRow[]) =>
  seals.find(({ facets }) => facets[0] && facets[0].release.state !== "released" && facets[0].ready.length > 0);

function firstWithContent({ facets }: SealRow, students: readonly Student[]): Student | undefined {
  const ids = new Set(facets.flatMap((facet) => [...facet.ready, ...facet.given]));
  const commented = facets.find(({ facet }) => facet === "comments");
  const best = commented?.ready[0] ?? commented?.given[0];
  return students.find(({ id }) => (best ? id === best : ids.has(id)));
}

function copiesOf(
  state: CourseState,
  assignment: Assignment,
  student: Student,
): { now: FacetContents; after: FacetContents } {
  const fixed = copyOf(state, assignment.id, student.id);
  const now = <F extends Facet>(facet: F, content: FacetContent[F] | undefined) =>
    content !== undefined && isShown(state, assignment, student.id, facet) ? content : null;
  const after = <F extends Facet>(facet: F) => facetNow(state, assignment, student, facet);
  return {
    now: {
      score: now("score", fixed.score?.content),
      rubric: now("rubric", fixed.rubric?.content),
      comments: now("comments", fixed.comments?.content),
      outcomes: now("outcomes", fixed.outcomes?.content),
      classFigures: now("classFigures", fixed.classFigures?.content),
    },
    after: {
      score: after("score"),
      rubric: after("rubric"),
      comments: after("comments"),
      outcomes: after("outcomes"),
      classFigures: after("classFigures"),
    },
  };
}

function detailOf(state: CourseState, assignment: Assignment): string {
  const { students, scored, missing, waiting } = progressOf(state, assignment);
  const held = assignment.held
    ? `, held${assignment.heldReason ? `: ${assignment.heldReason}` : " for the board"}`
    : "";
  // On a scale levels are given, and no score.
  const judged =
    assignment.scoredIn.kind === "scale"
      ? studentsOf(state).filter(({ id }) => levelGiven(state, assignment, id) !== null).length
      : 0;
  if (judged > 0) return `${String(judged)} judged${waiting > 0 ? `, ${String(waiting)} waiting` : ""}${held}`;
  if (scored + missing === 0) return (waiting > 0 ? `${String(waiting)} waiting` : "nothing in") + held;
  const decided = missing > 0 ? `, ${String(missing)} missing` : "";
  if (waiting === 0 && scored === students) return `${counted(students, "student")} scored${held}`;
  return `${waiting === 0 ? String(scored) : `${String(scored)} of ${String(scored + waiting)}`} scored${decided}${held}`;
}
