import { assignmentsOf, rosterName, studentsOf, type CourseState } from "#core/model";
import { inAddress } from "../../../ui/address";
import { JOURNAL_KINDS } from "./rows";
import { Choice } from "../../../ui/fields/choice";

/** What the journal is filtered by, chosen from lists. */
export function Filters({
  state,
  student,
  assignment,
  kind,
  who,
  set,
}: Readonly<Record<"student" | "assignment" | "kind" | "who", string>> & {
  readonly state: CourseState;
  readonly set: (name: string, value: string) => void;
}) {
  return (
    <>
      <FilterChoice
        label="Student"
        all="All students"
        value={student}
        options={studentsOf(state).map((one) => [inAddress(one.id), rosterName(state, one)])}
        onChoose={(value) => {
          set("student", value);
        }}
      />
      <FilterChoice
        label="Assignment"
        all="All assignments"
        value={assignment}
        options={assignmentsOf(state).map(({ id, name }) => [inAddress(id), name])}
        onChoose={(value) => {
          set("assignment", value);
        }}
      />
      <FilterChoice
        label="Kind of change"
        all="All kinds"
        value={kind}
        options={JOURNAL_KINDS.map(([id, words]) => [id, words])}
        onChoose={(value) => {
          set("kind", value);
        }}
      />
      <FilterChoice
        label="Who made the change"
        all="Everybody"
        value={who}
        options={Object.values(state.markers).map(({ id, name }) => [inAddress(id), name])}
        onChoose={(value) => {
          set("who", value);
        }}
      />
    </>
  );
}

/** One filter of the journal; its first choice lets everything through. */
function FilterChoice({
  label,
  all,
  value,
  options,
  onChoose,
}: {
  readonly label: string;
  readonly all: string;
  readonly value: string;
  readonly options: readonly (readonly [value: string, words: string])[];
  readonly onChoose: (value: string) => void;
}) {
  return (
    <Choice
      label={label}
      className="!w-auto max-w-40 text-[14px]"
      value={value}
      onChoose={onChoose}
      options={[["", all], ...options]}
    />
  );
}
