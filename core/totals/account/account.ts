import type { Decimal, Exact, Instant } from "#core/kernel";
import type { Category, Course, LateRule, Scaling } from "#core/model";
import type { LeftOutReason, Outlook } from "../rules/category-total";
import type { ShareLeftOut } from "../rules/course-total";
import type { GivenSource } from "../rules/given";

/** Who entered a figure, and when. */
export interface Provenance {
  readonly at: Instant;
  readonly by: string;
}

/** The rule that made a figure out of its parts, with the settings it was applied with. */
export type AppliedRule =
  /** A figure that was entered or judged: nothing lies below it. */
  | {
      readonly name: "entered";
      readonly source: GivenSource | "judged" | "setByHand" | "key";
      readonly by: Provenance | null;
    }
  /** Open work under an outlook: 0, full, or nothing yet. */
  | { readonly name: "open"; readonly outlook: Outlook }
  /** Criteria added, or their percentages weighed; brought to `scaledTo` points, or taken as they are. */
  | { readonly name: "rubric"; readonly weighted: boolean; readonly scaledTo: Exact | null }
  /** Answers added, each by its key or by hand. */
  | { readonly name: "answers" }
  | { readonly name: "group"; readonly adjustment: Exact }
  | { readonly name: "scaled"; readonly scaling: Scaling; readonly maximum: Exact }
  /** `until`: the due time of the student's own that lateness counts from; null where it is the assignment's, or was said. */
  | {
      readonly name: "late";
      readonly rule: LateRule;
      readonly units: number;
      readonly until: Instant | null;
      readonly maximum: Exact;
    }
  | { readonly name: "attempts"; readonly which: "last" | "first" | "best" | "mean" }
  | { readonly name: "missing"; readonly percent: Decimal | null; readonly maximum: Exact }
  | { readonly name: "excused" }
  | { readonly name: "setByHand" }
  | { readonly name: "category"; readonly method: Category["method"]; readonly keep: Category["keep"] }
  /** A category inside another one: its percentage of its points or weight. */
  | { readonly name: "asItem"; readonly points: Exact }
  | { readonly name: "weighted"; readonly emptyCategories: Course["emptyCategories"] }
  | { readonly name: "straightPoints" }
  | { readonly name: "terms" }
  | { readonly name: "cap" };

/** Why something did not enter a figure. */
export type WhyLeftOut =
  | LeftOutReason
  | ShareLeftOut
  | "replaced"
  | "otherAttempt"
  | "notApplicable"
  | "undated"
  | "outsideEveryTerm"
  | "sealed";

/**
 * How a figure came about: the figure exact and as displayed, the rule that made it, the parts it was made of with their
 * own accounts, and what was left out and why (handbook, section 7).
 */
export interface Account {
  readonly kind: "score" | "criterion" | "question" | "result" | "category" | "term" | "course";
  /** The id of the record the figure is of. */
  readonly id: string;
  readonly unit: "points" | "percent";
  readonly exact: Exact | null;
  readonly shown: string | null;
  readonly rule: AppliedRule;
  readonly parts: readonly AccountPart[];
  readonly leftOut: readonly { readonly account: Account; readonly why: WhyLeftOut }[];
}

/** A part with what it weighs. */
export interface AccountPart {
  readonly account: Account;
  /** Its maximum in points, or its weight in a term or course. */
  readonly size: Exact;
  /** The weight of a criterion where criteria are weighted. */
  readonly weight: Exact | null;
  /** Enters the numerator only. */
  readonly bonus: boolean;
}
