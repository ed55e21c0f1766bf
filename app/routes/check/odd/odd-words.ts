import { rosterName, type CourseState, type Assignment } from "#core/model";
import type { Oddity } from "#core/statistics";
import { deskAddress, inAddress } from "../../../ui/address";
import { short } from "../figure-words";

/** One line of the list of what looks odd. */
export interface OddLine {
  /** `!` where a student would be told something wrong, `≈` where a second look is worth it. */
  readonly sign: "!" | "≈";
  /** Whom or what it is about; stands out in the line. */
  readonly about: string;
  readonly words: string;
  readonly to: string;
  readonly way: string;
}

/** What is odd, in a line, with the way to it. */
export function oddLine(slot: string, state: CourseState, assignment: Assignment, odd: Oddity): OddLine {
  if ("studentId" in odd) return paperLine(slot, state, assignment, odd);
  const criterion = (id: string | null) =>
    Object.values(state.rubrics)
      .flatMap(({ criteria }) => criteria)
      .find((one) => one.id === id)?.name ?? "The score";
  const part = inAddress(assignment.id);
  switch (odd.code) {
    case "drift":
      return {
        sign: "≈",
        about: criterion(odd.criterionId),
        words: `${odd.last < odd.first ? "fell" : "rose"} by ${short(Math.abs(odd.last - odd.first))} points from the first ten papers to the last ten`,
        to:
          odd.criterionId === null
            ? deskAddress(slot, assignment.id, odd.studentIds[0] ?? "")
            : `/courses/${slot}/sweep/${part}?criterion=${inAddress(odd.criterionId)}`,
        way: "Look again",
      };
    case "level_against_rest":
      return {
        sign: "≈",
        about: criterion(odd.criterionId),
        words: `papers at “${odd.higher}” have ${short(odd.higherRest)} in the rest, those at “${odd.lower}” ${short(odd.lowerRest)}`,
        to: `/courses/${slot}/sweep/${part}?criterion=${inAddress(odd.criterionId)}`,
        way: "Look again",
      };
    case "key_suspected": {
      const question = Object.values(state.questions).find(({ id }) => id === odd.questionId);
      return {
        sign: "≈",
        about: `Question ${String((question?.order ?? 0) + 1)}`,
        words: `the best papers answer “${odd.likelier}”, which its key calls wrong`,
        to: `/courses/${slot}/plan/assignments/${part}/questions`,
        way: "See the key",
      };
    }
  }
}

type PaperOdd = Extract<Oddity, { readonly studentId: string }>;

function paperLine(slot: string, state: CourseState, assignment: Assignment, odd: PaperOdd): OddLine {
  const student = state.students[odd.studentId];
  const line = {
    sign: "≈" as OddLine["sign"],
    about: student ? rosterName(state, student) : "",
    to: deskAddress(slot, assignment.id, odd.studentId),
    way: "Open",
  };
  switch (odd.code) {
    case "far_from_own_work": {
      const apart = odd.percent - odd.others;
      return {
        ...line,
        words: `is ${short(Math.abs(apart), 0)} percentage points ${apart < 0 ? "under" : "over"} all other work`,
      };
    }
    case "above_maximum":
      return { ...line, sign: "!", words: `has ${short(odd.points, 2)} of ${short(odd.maximum)}` };
    case "by_hand_no_reason":
      return { ...line, words: `has ${short(odd.points, 2)} set by hand without a reason` };
    case "evidence_lacking":
      return {
        ...line,
        words: `lacks evidence for ${odd.criterionIds.length === 1 ? "a criterion" : `${String(odd.criterionIds.length)} criteria`} that asks for it`,
      };
    case "other_name":
      return { ...line, sign: "!", words: `is told about ${odd.name}: “${odd.excerpt}”` };
    case "group_but_one":
      return {
        ...line,
        words: `has ${short(odd.points, 2)}, all others of ${odd.name} have ${short(odd.group, 2)}`,
      };
    case "judged_in_seconds":
      return { ...line, words: `was judged in ${short(odd.seconds, 0)} seconds` };
    case "scored_after_release":
      return { ...line, sign: "!", words: "was scored after the release and has not been given the score" };
    case "zero_maybe_missing":
      return { ...line, words: "has a score of 0 and handed nothing in: missing?" };
  }
}

/** What several lines of one kind are called together. */
export const ODD_GROUPS: Readonly<Record<Oddity["code"], (count: number) => string>> = {
  key_suspected: (count) => `${String(count)} keys seem wrong`,
  drift: (count) => `${String(count)} criteria drifted over the pile`,
  level_against_rest: (count) => `${String(count)} levels go against the rest`,
  other_name: (count) => `${String(count)} comments name another student`,
  above_maximum: (count) => `${String(count)} scores above the maximum`,
  scored_after_release: (count) => `${String(count)} scored after the release`,
  zero_maybe_missing: (count) => `${String(count)} zeros that may be missing work`,
  group_but_one: (count) => `${String(count)} apart from their group`,
  far_from_own_work: (count) => `${String(count)} papers far from the student’s other work`,
  by_hand_no_reason: (count) => `${String(count)} figures set by hand without a reason`,
  evidence_lacking: (count) => `${String(count)} papers lack evidence that is asked for`,
  judged_in_seconds: (count) => `${String(count)} papers judged in seconds`,
};
