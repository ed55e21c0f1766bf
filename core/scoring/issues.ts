import type { Decimal, DecimalIssue } from "#core/kernel";

/** Why a figure cannot be entered; the screen makes the sentence. */
export type ScoreIssue =
  | DecimalIssue
  | { readonly code: "entry_not_understood"; readonly text: string }
  | { readonly code: "late_units_not_whole"; readonly text: string }
  | { readonly code: "score_below_zero"; readonly text: string }
  | {
      readonly code: "score_above_maximum";
      readonly text: string;
      readonly maximum: Decimal;
      readonly canConfirm: true;
    }
  | {
      readonly code: "points_outside_ruler";
      readonly text: string;
      readonly minimum: Decimal;
      readonly maximum: Decimal;
    }
  | {
      readonly code: "points_between_levels";
      readonly text: string;
      readonly below: Decimal;
      readonly above: Decimal;
      readonly canConfirm: true;
    };
