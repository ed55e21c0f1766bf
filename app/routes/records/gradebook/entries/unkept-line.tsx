import { rosterName, type CourseState } from "#core/model";
import { counted } from "#core/words";
import type { CellPlace } from "../grid/selection";
import { unkeptPlaces, type UnkeptEntries } from "./unkept";

interface UnkeptLineProps {
  readonly state: CourseState;
  readonly unkept: UnkeptEntries;
  /** Marks a cell; answers whether it is shown. */
  readonly onGo: (place: CellPlace) => boolean;
  readonly onLetGo: (places: readonly CellPlace[]) => void;
  /** A cell that cannot be gone to, because it is not shown. */
  readonly onHidden: () => void;
}

/** Says which entries are not in the course, and leads to them: their cells may be out of view. */
export function UnkeptLine({ state, unkept, onGo, onLetGo, onHidden }: UnkeptLineProps) {
  const places = unkeptPlaces(unkept);
  const [first] = places;
  if (!first) return null;
  const { assignmentId, studentId } = first;
  const student = state.students[studentId];
  const text = unkept.get(studentId)?.get(assignmentId)?.text ?? "";
  const where = `${text} for ${student ? rosterName(state, student) : ""}, ${state.assignments[assignmentId]?.name ?? ""}`;
  return (
    <p role="status" className="figures mt-1 flex flex-wrap gap-x-4 text-[14px] text-wax">
      <span>
        {places.length === 1
          ? `Not entered: ${where}.`
          : `${counted(places.length, "entry", "entries")} not entered: ${where}, and more.`}
      </span>
      <button
        type="button"
        className="link"
        onClick={() => {
          if (!onGo(first)) onHidden();
        }}
      >
        Go to it
      </button>
      <button
        type="button"
        className="link"
        onClick={() => {
          onLetGo(places);
        }}
      >
        {places.length === 1 ? "Let it go" : "Let them go"}
      </button>
    </p>
  );
}
