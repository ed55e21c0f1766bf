import { pointsText, roundToText, type AssignmentId, type CategoryId, type Exact, type StudentId } from "#core/kernel";
import { entryText, previewEntry, type ChangeIssue } from "#core/changes";
import { assignmentsOf, categoriesOf, courseOf, fullName, studentsOf, type CourseState } from "#core/model";
import { figuresOf, type Figure } from "#core/totals";
import { canConfirm, issueWords, latenessShort, latenessWords } from "../../ui/words";

export type CellLook = "figure" | "waiting" | "missing" | "excused" | "open" | "by hand";

export interface GradeCell {
  readonly text: string;
  readonly look: CellLook;
  /** `2 d` where the work was late. */
  readonly late: string;
  readonly above: boolean;
  /** What stands in the cell when it is opened for typing. */
  readonly entry: string;
}

export interface GradeRow {
  readonly studentId: StudentId;
  readonly name: string;
  readonly number: string;
  readonly now: string;
  readonly range: string;
  readonly letter: string;
  readonly cells: readonly GradeCell[];
}

export interface GradeColumn {
  readonly assignmentId: AssignmentId;
  readonly name: string;
  readonly shortName: string;
  readonly of: string;
  /** Something waits here. */
  readonly current: boolean;
}

export interface GradeBand {
  readonly id: CategoryId;
  readonly title: string;
  readonly columns: number;
}

export interface GradeRows {
  readonly columns: readonly GradeColumn[];
  readonly bands: readonly GradeBand[];
  readonly rows: readonly GradeRow[];
  readonly sections: readonly { readonly id: string; readonly name: string }[];
  readonly total: number;
}

export interface GradeFilter {
  readonly find: string;
  readonly section: string | null;
}

/** Lower case without accents, for finding names as they are typed. */
const plain = (text: string): string => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();

export function gradeRows(state: CourseState, { find, section }: GradeFilter): GradeRows {
  const course = courseOf(state);
  const { figure, totals } = figuresOf(state);
  const assignments = assignmentsOf(state);
  const unitHours = course.lateRule?.unitHours ?? 24;
  const wanted = plain(find.trim());
  const students = studentsOf(state).filter(
    (student) =>
      (section === null || student.sectionId === section) &&
      (plain(fullName(student)).includes(wanted) || plain(student.number).includes(wanted)),
  );
  const percent = (value: Exact | null, places: number) => (value ? roundToText(value, places) : "–");
  const columns = assignments.map((assignment): GradeColumn => ({
    assignmentId: assignment.id,
    name: assignment.name,
    shortName: assignment.shortName,
    of: assignment.bonus ? "bonus" : `of ${assignment.points}`,
    current: students.some((student) => figure(assignment.id, student.id).waiting),
  }));
  return {
    columns,
    bands: categoriesOf(state)
      .map(({ id, name, weight }) => ({
        id,
        title: weight === null ? name : `${name} ${weight} %`,
        columns: assignments.filter((assignment) => assignment.categoryId === id).length,
      }))
      .filter((band) => band.columns > 0),
    rows: students.map((student): GradeRow => {
      const total = totals(student.id);
      return {
        studentId: student.id,
        name: fullName(student),
        number: student.number,
        now: percent(total.now, course.percentPlaces),
        range: total.lowest && total.highest ? `${percent(total.lowest, 0)}–${percent(total.highest, 0)}` : "",
        letter: total.letter ?? "",
        cells: assignments.map(({ id }) => cellOf(figure(id, student.id), entryText(state, id, student.id), unitHours)),
      };
    }),
    sections: Object.values(state.sections).sort((a, b) => a.order - b.order),
    total: studentsOf(state).length,
  };
}

function cellOf(figure: Figure, entry: string, unitHours: number): GradeCell {
  const late = figure.unitsLate > 0 ? latenessShort(figure.unitsLate, unitHours) : "";
  const base = { entry, late, above: figure.aboveMaximum };
  if (figure.standing === "missing" || figure.standing === "excused") {
    return { ...base, late: "", text: figure.standing, look: figure.standing };
  }
  if (figure.counted) {
    return { ...base, text: pointsText(figure.counted), look: figure.source === "set by hand" ? "by hand" : "figure" };
  }
  return figure.waiting
    ? { ...base, text: "waiting", look: "waiting" }
    : { ...base, late: "", text: "·", look: "open" };
}

export interface EntryHint {
  readonly words: string;
  readonly refused: boolean;
  /** A second Enter keeps it. */
  readonly asks: boolean;
}

/** What an entry being typed would come to, in words for the hint beside its cell. */
export function entryHint(
  state: CourseState,
  assignmentId: AssignmentId,
  studentId: StudentId,
  text: string,
): EntryHint {
  const preview = previewEntry(state, { assignmentId, studentId }, text);
  if (!preview.ok) return refusalHint(preview.issue);
  const { entry, figure } = preview.value;
  const counted = figure.counted ? pointsText(figure.counted) : "nothing";
  const late = latenessWords(figure.unitsLate, courseOf(state).lateRule?.unitHours ?? 24);
  const fine = (words: string): EntryHint => ({ words: `${words} · Enter to keep`, refused: false, asks: false });
  switch (entry.kind) {
    case "missing":
      return fine(`missing, counts ${counted}`);
    case "excused":
      return fine("excused, counts nowhere");
    case "level":
      return fine(figure.counted ? `${entry.level.name}, counts ${counted}` : `${entry.level.name}, counts nowhere`);
    case "clear":
      return fine(figure.counted ? `back to ${counted}` : "cleared");
    case "late":
      return fine(figure.counted ? `${late} late: ${counted}` : `${late} late`);
    case "score": {
      if (figure.source === "set by hand") {
        return fine(`set by hand: ${counted} in place of ${figure.computed ? pointsText(figure.computed) : "nothing"}`);
      }
      return fine(figure.deduction.n === 0n ? counted : `${entry.points} → ${counted} after ${late} late`);
    }
  }
}

export const refusalHint = (issue: ChangeIssue): EntryHint => ({
  words: issueWords(issue),
  refused: true,
  asks: canConfirm(issue),
});
