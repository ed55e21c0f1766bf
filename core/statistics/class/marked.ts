import { toNumber, type Instant, type MarkerId, type SectionId, type StudentId } from "#core/kernel";
import { studentsOf, type Assignment, type CourseState } from "#core/model";
import { figuresOf, type Figure } from "#core/totals";

/** What the journal tells of how a paper was scored; it is handed in, because this floor knows no journal. */
export interface Scoring {
  readonly by: MarkerId;
  readonly at: Instant;
  /** Place in the journal. */
  readonly seq: number;
  /** Why, where the person said so. */
  readonly reason: string | null;
  /** How long the paper lay before the marker, where all its criteria were judged in one go; null where nobody can say. */
  readonly seconds: number | null;
}

/** By student, how their paper was scored. */
export type Scorings = ReadonlyMap<StudentId, Scoring>;

/** A paper that was handed in and scored. */
export interface MarkedPaper {
  readonly studentId: StudentId;
  readonly sectionId: SectionId | null;
  readonly markerId: MarkerId | null;
  /** Its counted value, in points. */
  readonly points: number;
  readonly figure: Figure;
}

/** The papers of an assignment that were handed in and scored, in the order of the roster. */
export function markedPapers(state: CourseState, { id }: Assignment, scorings: Scorings): MarkedPaper[] {
  const { figure } = figuresOf(state);
  return studentsOf(state).flatMap((student): MarkedPaper[] => {
    const known = figure(id, student.id);
    if (known.standing !== "handedIn" || !known.counted) return [];
    return [
      {
        studentId: student.id,
        sectionId: student.sectionId,
        markerId: scorings.get(student.id)?.by ?? null,
        points: toNumber(known.counted),
        figure: known,
      },
    ];
  });
}
