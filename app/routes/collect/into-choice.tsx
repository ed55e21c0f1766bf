import type { Assignment, CourseState } from "#core/model";
import { inAddress } from "../../ui/address";
import { Choice } from "../../ui/fields/choice";
import { collectable } from "./likely-assignment";

/** The assignment that what is in the tray goes into. */
export function IntoChoice({
  state,
  assignment,
  onChoose,
}: {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly onChoose: (part: string) => void;
}) {
  return (
    <label className="flex items-center gap-2 text-soft">
      into
      <Choice
        className="!w-56 !py-1"
        label="Assignment it goes into"
        value={inAddress(assignment.id)}
        options={collectable(state).map(({ id, name }) => [inAddress(id), name] as const)}
        onChoose={onChoose}
      />
    </label>
  );
}
