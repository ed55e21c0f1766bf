import { useState } from "react";
import type { Piece } from "#core/collect";
import type { AssignmentId } from "#core/kernel";
import type { Assignment, CourseState } from "#core/model";
import { DialogFrame, LeaveAsItIs } from "../../../ui/dialogs/dialog-frame";
import { Choice } from "../../../ui/fields/choice";
import { collectable } from "../likely-assignment";

/** Asks which other work a piece is for. */
export function PutToOther({
  state,
  piece,
  assignment,
  onPut,
  onClose,
}: {
  readonly state: CourseState;
  readonly piece: Piece;
  /** What it is put to now. */
  readonly assignment: Assignment;
  readonly onPut: (assignmentId: AssignmentId) => void;
  readonly onClose: () => void;
}) {
  const others = collectable(state).filter(({ id }) => id !== assignment.id);
  const [to, setTo] = useState<AssignmentId | "">(others[0]?.id ?? "");
  return (
    <DialogFrame
      title="Put to other work"
      detail={`${piece.file.name} is looked at there, and taken in with the rest of it.`}
      onClose={onClose}
    >
      <form
        className="mt-3 grid gap-4 text-[14.5px]"
        onSubmit={(event) => {
          event.preventDefault();
          if (to !== "") onPut(to);
        }}
      >
        <Choice
          label="Work it is for"
          value={to}
          options={others.map(({ id, name }) => [id, name] as const)}
          onChoose={setTo}
        />
        <p className="flex justify-end gap-3">
          <LeaveAsItIs />
          <button type="submit" className="act act-first" disabled={to === ""}>
            Put it there
          </button>
        </p>
      </form>
    </DialogFrame>
  );
}
