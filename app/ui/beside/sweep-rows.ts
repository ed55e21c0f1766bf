import { judgingOrders, type Entry } from "#core/changes";
import { fromDecimal, toNumber, type CriterionId, type Decimal, type StudentId, shuffledBy } from "#core/kernel";
import {
  rosterName,
  handInOf,
  judgementOf,
  notesOf,
  outcomeRubricOf,
  rubricOf,
  studentsOf,
  zonesFor,
  type Assignment,
  type CourseState,
  type Criterion,
  type Note,
  type Zone,
  type WorkFile,
} from "#core/model";
import { levelAt, rulerEnds } from "#core/scoring";
import { driftOf, type Drift } from "#core/statistics";
import { figuresOf } from "#core/totals";
import { criterionColour } from "../colours";
import { hasPages } from "../work/zones/has-pages";
import { namelessFile } from "./nameless-file";

/** One paper as far as one criterion is concerned. */
export interface SweepSheet {
  readonly studentId: StudentId;
  /** The name, or the paper's number where names are hidden. */
  readonly title: string;
  readonly points: Decimal | null;
  readonly notApplicable: boolean;
  readonly levelId: string | null;
  /** The file that is read: the last one of the last attempt; null for work on paper. */
  readonly file: WorkFile | null;
  /** Notes on that file that are evidence for the criterion. */
  readonly notes: readonly Note[];
  /** All remarks on that file, also those that are evidence for something else. */
  readonly marks: readonly Note[];
  /** Where on it the criterion is answered; none where nobody said. */
  readonly zones: readonly Zone[];
}

/** One criterion over all papers. */
export interface SweepRows {
  readonly criterion: Criterion;
  readonly colour: string;
  readonly maximum: Decimal;
  readonly criteria: readonly { readonly id: CriterionId; readonly name: string }[];
  readonly sheets: readonly SweepSheet[];
  readonly judged: number;
  readonly drift: Drift | null;
}

/** How the papers are shown. A shuffle keeps its order as long as its number stays. */
export interface SweepView {
  readonly criterion: string | null;
  readonly nameless: boolean;
  readonly shuffle: number;
}

/** The papers that are in, by one criterion; null where the assignment has no rubric. */
export function sweepRows(
  state: CourseState,
  assignment: Assignment,
  entries: readonly Entry[],
  view: SweepView,
): SweepRows | null {
  const outcomes = outcomeRubricOf(state, assignment)?.criteria ?? [];
  const criteria = [...(rubricOf(state, assignment)?.criteria ?? []), ...outcomes];
  const index = Math.max(
    0,
    criteria.findIndex(({ id }) => id === view.criterion),
  );
  const criterion = criteria[index];
  if (!criterion) return null;
  const { figure } = figuresOf(state);
  const present = studentsOf(state).filter(({ id }) => figure(assignment.id, id).standing === "handedIn");
  const inOrder = view.shuffle === 0 ? present : shuffledBy(present, view.shuffle);
  const sheets = inOrder.map((student, place): SweepSheet => {
    const { points, notApplicable } = judgementOf(state, assignment.id, student.id, criterion.id);
    const given = handInOf(state, assignment.id, student.id)?.attempts.at(-1)?.files.at(-1) ?? null;
    const title = view.nameless ? `Paper ${String(place + 1)}` : rosterName(state, student);
    const file = given && view.nameless ? namelessFile(given, title) : given;
    const marks = notesOf(state, assignment.id, student.id).filter((note) => note.fileId === file?.id);
    return {
      studentId: student.id,
      title,
      points,
      notApplicable,
      levelId: points === null ? null : (levelAt(criterion, points)?.id ?? null),
      file,
      notes: marks.filter((note) => note.criterionId === criterion.id),
      marks,
      zones: file && hasPages(file) ? zonesFor(state, assignment, student.id, criterion.id) : [],
    };
  });
  const order = judgingOrders(entries, assignment.id)(
    criterion.id,
    present.map(({ id }) => id),
  );
  const given = order.flatMap((id) => judgementOf(state, assignment.id, id, criterion.id).points ?? []);
  return {
    criterion,
    colour: criterionColour(index),
    maximum: rulerEnds(criterion).maximum,
    criteria: criteria.map((one) => ({
      id: one.id,
      name: outcomes.includes(one) ? `${one.name} (outcome)` : one.name,
    })),
    sheets,
    judged: sheets.filter(({ points, notApplicable }) => points !== null || notApplicable).length,
    drift: driftOf(given.map((points) => toNumber(fromDecimal(points)))),
  };
}

/** The papers nearest to one level: those at it, then those at the levels beside it; the paper itself left out. */
export function nearLevel(rows: SweepRows, levelId: string | null, own: StudentId): readonly SweepSheet[] {
  const place = (id: string | null) => rows.criterion.levels.findIndex((level) => level.id === id);
  const here = place(levelId);
  if (here < 0) return [];
  const distance = (sheet: SweepSheet) => Math.abs(place(sheet.levelId) - here);
  return rows.sheets
    .filter((sheet) => sheet.studentId !== own && sheet.levelId !== null && distance(sheet) <= 1)
    .sort((a, b) => distance(a) - distance(b));
}
