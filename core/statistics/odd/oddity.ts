import type { AssignmentId, CriterionId, QuestionId, StudentId } from "#core/kernel";

/** What looks odd of one paper, with the figures that make it so; words are made at the screen. */
export type PaperOddity = { readonly studentId: StudentId } & (
  | { readonly code: "far_from_own_work"; readonly percent: number; readonly others: number }
  | { readonly code: "above_maximum"; readonly points: number; readonly maximum: number }
  | { readonly code: "by_hand_no_reason"; readonly points: number }
  | { readonly code: "evidence_lacking"; readonly criterionIds: readonly CriterionId[] }
  | { readonly code: "other_name"; readonly name: string; readonly otherId: StudentId; readonly excerpt: string }
  | { readonly code: "group_but_one"; readonly points: number; readonly group: number; readonly name: string }
  | { readonly code: "judged_in_seconds"; readonly seconds: number }
  | { readonly code: "scored_after_release"; readonly points: number }
  | { readonly code: "zero_maybe_missing" }
);

/** What looks odd of a criterion or a question over the class. */
export type ClassOddity =
  | {
      readonly code: "drift";
      /** Null: the score as a whole. */
      readonly criterionId: CriterionId | null;
      readonly first: number;
      readonly last: number;
      /** The papers judged last, to look at again. */
      readonly studentIds: readonly StudentId[];
    }
  | {
      readonly code: "level_against_rest";
      readonly criterionId: CriterionId;
      readonly lower: string;
      readonly higher: string;
      readonly lowerRest: number;
      readonly higherRest: number;
      /** The papers at the higher level. */
      readonly studentIds: readonly StudentId[];
    }
  | {
      readonly code: "key_suspected";
      readonly questionId: QuestionId;
      readonly likelier: string;
      readonly studentIds: readonly StudentId[];
    };

/** Worth a second look, never a verdict. */
export type Oddity = PaperOddity | ClassOddity;

/** Every code, in the order the list shows them: the whole class first, then what would reach a student. */
export const ODD_CODES = [
  "key_suspected",
  "drift",
  "level_against_rest",
  "other_name",
  "above_maximum",
  "scored_after_release",
  "zero_maybe_missing",
  "group_but_one",
  "far_from_own_work",
  "by_hand_no_reason",
  "evidence_lacking",
  "judged_in_seconds",
] as const satisfies readonly Oddity["code"][];

/** Every student an oddity names. */
export function oddStudents(odd: Oddity): StudentId[] {
  if (!("studentId" in odd)) return [...odd.studentIds];
  return odd.code === "other_name" ? [odd.studentId, odd.otherId] : [odd.studentId];
}

/** What an oddity is about, among those of one assignment: `drift/criterion:record`. */
export function oddSubject(odd: Oddity): string {
  switch (odd.code) {
    case "drift":
      return `drift/${odd.criterionId ?? "score"}`;
    case "level_against_rest":
      return `level_against_rest/${odd.criterionId}`;
    case "key_suspected":
      return `key_suspected/${odd.questionId}`;
    default:
      return `${odd.code}/${odd.studentId}`;
  }
}

/** The id under which it is kept that somebody has set an oddity aside. */
export const asideKey = (assignmentId: AssignmentId, odd: Oddity): string => `${assignmentId}/${oddSubject(odd)}`;

/** What it rests on, as text: it stays aside while this is the same. */
export function oddBasis(odd: Oddity): string {
  const figure = (value: number) => String(Math.round(value * 1e4) / 1e4);
  const parts = Object.entries(odd).map(([name, value]) =>
    typeof value === "number" ? `${name} ${figure(value)}` : `${name} ${JSON.stringify(value)}`,
  );
  return parts.sort().join("; ").slice(0, 2_000);
}
