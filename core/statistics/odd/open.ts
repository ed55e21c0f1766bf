import type { Assignment, CourseState } from "#core/model";
import type { JudgingOrder } from "../class/criteria";
import type { Scorings } from "../class/marked";
import { oddOf } from "./odd";
import { asideKey, oddBasis, type Oddity } from "./oddity";

/** What looks odd of an assignment, and what of it somebody has set aside with these very figures. */
export interface OddFound {
  readonly open: readonly Oddity[];
  readonly aside: readonly { readonly odd: Oddity; readonly word: string }[];
}

/** What looks odd, parted by what was set aside. */
export function oddFound(
  state: CourseState,
  assignment: Assignment,
  scorings: Scorings,
  order: JudgingOrder,
): OddFound {
  const found = oddOf(state, assignment, scorings, order).map((odd) => ({
    odd,
    kept: state.asides[asideKey(assignment.id, odd)],
  }));
  return {
    open: found.filter(({ odd, kept }) => kept?.basis !== oddBasis(odd)).map(({ odd }) => odd),
    aside: found.flatMap(({ odd, kept }) => (kept?.basis === oddBasis(odd) ? [{ odd, word: kept.word }] : [])),
  };
}
