import type { AssignmentId, Instant, MarkerId, StudentId } from "#core/kernel";
import type { Entry } from "../engine/history";

/** One thing that happened to a paper. */
export interface PaperEvent {
  readonly seq: number;
  readonly at: Instant;
  readonly by: MarkerId;
  readonly line: string;
  readonly reason: string | null;
  /** Fields of the result or of a judgement that changed, from what to what; null where nothing stood. */
  readonly fields: readonly { readonly field: string; readonly before: unknown; readonly after: unknown }[];
}

/** Everything the journal tells about one student's work for one assignment, the newest first. */
export function paperHistory(
  entries: readonly Entry[],
  assignmentId: AssignmentId,
  studentId: StudentId,
): PaperEvent[] {
  const paper = `${assignmentId}/${studentId}`;
  const events: PaperEvent[] = [];
  for (const { seq, change } of entries) {
    const own = change.patches.filter(({ id }) => id === paper || id.startsWith(`${paper}/`));
    if (own.length === 0) continue;
    const fields = own.flatMap(({ before, after }) =>
      Object.keys(after ?? before ?? {})
        .filter((field) => !PLACE.has(field))
        .map((field) => ({ field, before: before?.[field] ?? null, after: after?.[field] ?? null })),
    );
    events.push({ seq, at: change.at, by: change.by, line: change.line, reason: change.reason ?? null, fields });
  }
  return events.reverse();
}

/** Fields that only say which record it is. */
const PLACE: ReadonlySet<string> = new Set(["id", "assignmentId", "studentId", "criterionId"]);
