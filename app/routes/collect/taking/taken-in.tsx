import { Link } from "react-router";
import type { StudentId } from "#core/kernel";
import type { Assignment } from "#core/model";
import { deskAddress } from "../../../ui/address";

/** After something was taken in: the way on to the first paper. */
export function TakenIn({
  slot,
  assignment,
  first,
}: {
  readonly slot: string;
  readonly assignment: Assignment;
  readonly first: { readonly studentId: StudentId; readonly count: number } | null;
}) {
  if (!first) return null;
  return (
    <p className="mt-3 flex items-center gap-4 border-s-2 border-green ps-3 text-[14.5px]">
      {first.count} of {assignment.name} wait to be judged.
      <Link className="act act-first" to={deskAddress(slot, assignment.id, first.studentId)}>
        Judge the first
      </Link>
    </p>
  );
}
