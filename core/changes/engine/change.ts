import { z } from "zod/mini";
import type { AssignmentId, ChangeId, Decimal, Instant, MarkerId, Result, Steps, StudentId } from "#core/kernel";
import { idField, instantField, recordKeyField, TABLE_NAMES, type CourseState, type TableName } from "#core/model";
import type { FindingCode } from "#core/release";
import type { RubricFinding, ScalingIssue, ScoreIssue } from "#core/scoring";
import type { InputIssue } from "./input-issue";
import type { ConflictIssue, Patch } from "./patch";

/** One change of a course: what it does to the records, who made it and when, and its line in the journal. */
export interface Change {
  readonly id: ChangeId;
  readonly type: string;
  readonly at: Instant;
  readonly by: MarkerId;
  /** Plain words for the journal and for the name of its undo. */
  readonly line: string;
  /** Why, in the words of the person who made it. */
  readonly reason?: string | undefined;
  readonly patches: readonly Patch[];
}

const fieldsSchema = z.nullable(z.record(z.string(), z.unknown()));
const tableSchema = z.custom<TableName>((value) => TABLE_NAMES.includes(value));

/** Checks a change that comes from outside, such as a course file. */
export const changeSchema: z.ZodMiniType<Change> = z.object({
  id: idField("change"),
  type: z.string(),
  at: instantField,
  by: idField("marker"),
  line: z.string(),
  reason: z.optional(z.string().check(z.maxLength(500))),
  patches: z.array(z.object({ table: tableSchema, id: recordKeyField, before: fieldsSchema, after: fieldsSchema })),
});

/** Why a command is refused; the screen makes the sentence. */
export type ChangeIssue =
  | ScoreIssue
  | ScalingIssue
  | ConflictIssue
  | InputIssue
  /** A kind of remark was given a place it cannot have. */
  | { readonly code: "wrong_place"; readonly mark: string }
  | { readonly code: "unknown_record"; readonly what: string; readonly id: string }
  | { readonly code: "seen_differs"; readonly seen: string; readonly present: string }
  | { readonly code: "student_is_missing"; readonly canConfirm: true }
  | { readonly code: "student_is_excused"; readonly canConfirm: true }
  | { readonly code: "no_rubric_level"; readonly digit: number }
  /** More levels of outcomes were typed than the assignment has outcomes. */
  | { readonly code: "too_many_outcomes"; readonly given: number; readonly most: number }
  | { readonly code: "nothing_to_change" }
  | { readonly code: "nothing_to_release" }
  | { readonly code: "release_stopped"; readonly finding: FindingCode; readonly count: number; readonly name: string }
  | { readonly code: "time_is_past"; readonly at: Instant }
  | { readonly code: "number_taken"; readonly number: string }
  | { readonly code: "name_taken"; readonly name: string }
  | {
      readonly code: "key_at_fault";
      readonly question: string;
      readonly what: "right_option" | "number" | "points";
    }
  /** One rubric cannot give the score and stand beside it. */
  | { readonly code: "rubric_for_both"; readonly name: string }
  | { readonly code: "rubric_at_fault"; readonly finding: RubricFinding }
  | { readonly code: "weight_below_zero"; readonly weight: string }
  | { readonly code: "category_has_weight"; readonly name: string; readonly weight: string }
  | { readonly code: "bands_not_falling"; readonly letter: string }
  | { readonly code: "due_before_given"; readonly givenAt: Instant; readonly dueAt: Instant }
  | { readonly code: "not_a_level"; readonly text: string; readonly levels: readonly string[] }
  | { readonly code: "percent_below_zero"; readonly percent: Decimal }
  /** Points have four places; a percentage of the maximum may need more. */
  | { readonly code: "percent_between_points"; readonly percent: Decimal; readonly maximum: Decimal }
  | { readonly code: "points_below_zero"; readonly points: Decimal }
  | { readonly code: "unknown_time_zone"; readonly text: string }
  | { readonly code: "term_ends_before_start"; readonly name: string }
  | { readonly code: "terms_overlap"; readonly name: string; readonly other: string }
  | { readonly code: "category_inside_itself"; readonly name: string }
  | { readonly code: "rubric_in_use"; readonly papers: number; readonly canConfirm: true }
  /** A level that somebody was given. */
  | { readonly code: "level_in_use"; readonly name: string }
  | { readonly code: "record_in_use"; readonly what: string; readonly by: string }
  | { readonly code: "cells_refused"; readonly count: number; readonly title: string; readonly first: ChangeIssue }
  | { readonly code: "no_figure_to_adjust"; readonly title: string }
  | { readonly code: "already_undone" }
  | { readonly code: "not_undoable" }
  | { readonly code: "something_rests_on_it"; readonly what: string }
  | { readonly code: "no_such_attempt"; readonly attempt: number }
  /** A due time of a student's own comes after the assignment's. */
  | { readonly code: "more_time_not_later"; readonly until: Instant; readonly dueAt: Instant }
  /** A zone that would lie partly beside its page. */
  | { readonly code: "zone_beyond_page"; readonly page: number }
  /** A file that is part of a hand-in already. */
  | { readonly code: "file_taken_in"; readonly name: string }
  /** Second marking: nothing was chosen, a paper that was not, one that is not judged twice, another figure without a word. */
  | { readonly code: "sample_empty" }
  | { readonly code: "not_in_sample" }
  | { readonly code: "judgement_lacking" }
  | { readonly code: "reason_lacking" }
  | { readonly code: "student_in_two_groups"; readonly studentId: StudentId }
  | { readonly code: "nothing_to_undo" }
  | { readonly code: "nothing_to_redo" }
  /** The course could be read only in part; nothing is written over what is left of it. */
  | { readonly code: "course_damaged"; readonly seq: number };

/** How a change came out: what was done, or why it was refused. */
export type ChangeResult = Result<Change, ChangeIssue>;

/** A change that was made before, undoings and redoings with them. */
export interface Past {
  readonly change: Pick<Change, "at" | "patches">;
}

/** What the core is handed from outside: time, author and fresh ids are never fetched inside. */
export interface Context {
  readonly at: Instant;
  readonly by: MarkerId;
  /** All that led to the state, the oldest first: what was given out and taken back again stands nowhere else. */
  readonly journal: readonly Past[];
  /** A text that was never given out before. */
  readonly fresh: () => string;
}

/** What a command would do: its patches, and its line in the journal. */
export interface Prepared {
  readonly patches: readonly Patch[];
  readonly line: string;
  readonly reason?: string | undefined;
  /** Who made it, where that is not the person who is taking it over. */
  readonly by?: MarkerId;
}

/** One student and one assignment. */
export interface PaperPlace {
  readonly assignmentId: AssignmentId;
  readonly studentId: StudentId;
}

/** A kind of change: its input's schema and the pure function that answers what it would do, or why not. */
export interface CommandKind<I, Sent = I> {
  readonly input: z.ZodMiniType<I, Sent>;
  readonly prepare: (state: CourseState, input: I, context: Context) => Result<Prepared, ChangeIssue>;
}

/** A kind of change that has to look at every student: it is worked out in steps. */
export interface SteppedKind<I, Sent = I> {
  readonly input: z.ZodMiniType<I, Sent>;
  readonly prepareInSteps: (state: CourseState, input: I, context: Context) => Steps<Result<Prepared, ChangeIssue>>;
}
