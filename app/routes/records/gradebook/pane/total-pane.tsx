import { useMemo } from "react";
import { Link } from "react-router";
import { provenancesFrom, type Entry } from "#core/changes";
import type { StudentId } from "#core/kernel";
import { rosterName, termsOf, type CourseState } from "#core/model";
import { explainTotal } from "#core/totals";
import { AccountTree } from "../../../../ui/parts/account-tree";
import { studentAddress } from "../../../../ui/address";
import { nameOfState } from "../../../../ui/words/name-of";
import { Pane } from "./pane";

/** How a student's total came about, beside the grid. */
export function TotalPane({
  slot,
  state,
  entries,
  studentId,
  onClose,
  onBack,
}: {
  readonly slot: string;
  readonly state: CourseState;
  readonly entries: readonly Entry[];
  readonly studentId: StudentId;
  readonly onClose: () => void;
  readonly onBack: () => void;
}) {
  const student = state.students[studentId];
  const provenances = useMemo(() => provenancesFrom(entries, state), [entries, state]);
  const account = useMemo(
    () => student && explainTotal(state, studentId, "now", provenances),
    [state, student, studentId, provenances],
  );
  if (!student || !account) return null;
  return (
    <Pane
      label="This total"
      title={rosterName(state, student)}
      subtitle="Course total, as it stands now"
      onClose={onClose}
      onBack={onBack}
    >
      <p className="mt-1 text-[13.5px]">
        <Link className="link" to={studentAddress(slot, studentId)}>
          Whole record, with the lowest and the highest
        </Link>
      </p>
      <h3 className="mt-4 border-t-2 border-ink pt-1.5 text-sm font-semibold">How the total came about</h3>
      <div className="mt-1">
        <AccountTree account={account} nameOf={nameOfState(state)} open={termsOf(state).length > 0 ? 3 : 2} />
      </div>
    </Pane>
  );
}
