import { milliseconds, type Decimal, type Instant, type StudentId } from "#core/kernel";
import { assignmentsOf, dueFor, rubricOf, type Assignment, type CourseState, type WorkFile } from "#core/model";
import { rulerEnds } from "#core/scoring";

/** The words of a rubric as they stand before anything is judged. */
export interface AnnouncedCriterion {
  readonly name: string;
  readonly maximum: Decimal;
  readonly levels: readonly {
    readonly name: string;
    readonly min: Decimal;
    readonly max: Decimal;
    readonly descriptor: string;
  }[];
}

/** What a student may read of a piece of work before anything of it is released; but for more time the same for all. */
export interface Announced {
  readonly id: Assignment["id"];
  readonly name: string;
  readonly points: Decimal;
  readonly bonus: boolean;
  readonly dueAt: Instant | null;
  readonly task: string;
  readonly note: string;
  readonly files: readonly WorkFile[];
  /** Null where the assignment keeps its rubric back, or has none. */
  readonly rubric: readonly AnnouncedCriterion[] | null;
}

/**
 * The work students know of at a moment, by due date, undated work last: what is kept from them is no part of it, nor is
 * what they get later. Seals change nothing here, and nothing that anybody did or was given is in it. Due is what is due for
 * this student.
 */
export const announcedWork = (state: CourseState, studentId: StudentId, now: Instant): Announced[] =>
  assignmentsOf(state)
    .filter(({ hidden, givenAt }) => !hidden && (givenAt === null || milliseconds(givenAt) <= milliseconds(now)))
    .map((assignment): Announced => {
      const { id, name, points, bonus, task, note, files } = assignment;
      const rubric = assignment.showsRubric ? rubricOf(state, assignment) : null;
      return {
        id,
        name,
        points,
        bonus,
        dueAt: dueFor(state, assignment, studentId),
        task: task.trim(),
        note: note.trim(),
        files,
        rubric:
          rubric &&
          rubric.criteria.map((criterion) => ({
            name: criterion.name,
            maximum: rulerEnds(criterion).maximum,
            levels: criterion.levels.map((level) => ({
              name: level.name,
              min: level.min,
              max: level.max,
              descriptor: level.descriptor,
            })),
          })),
      };
    })
    .sort((a, b) => (a.dueAt ?? "9").localeCompare(b.dueAt ?? "9"));
