import { assignmentsOf, sectionsOf, type CourseState } from "#core/model";
import { LOCKINGS, type Locking } from "../../../locks/copy-locks";
import { inAddress } from "../../../ui/address";
import { ChoiceField } from "../../../ui/fields/choice-field";

const ATTACHING: readonly (readonly [Locking | "", string])[] = [
  ["", "the letter alone"],
  ...LOCKINGS.map(([locking, words]) => [locking, `the student's copy, ${words.replace("each ", "")}`] as const),
];

interface WhomFieldsProps {
  readonly state: CourseState;
  /** The assignment and the section as they stand in the address; empty for all. */
  readonly about: string;
  readonly section: string;
  readonly set: (name: string, value: string) => void;
  readonly attach: Locking | "";
  readonly onAttach: (attach: Locking | "") => void;
}

/** What is written about, to whom, and what goes with it. */
export function WhomFields({ state, about, section, set, attach, onAttach }: WhomFieldsProps) {
  return (
    <div className="mt-4 flex flex-wrap items-end gap-x-5 gap-y-2 text-[14px]">
      <ChoiceField
        label="About"
        value={about}
        options={[
          ["", "everything released"],
          ...assignmentsOf(state).map(({ id, name }) => [inAddress(id), name] as const),
        ]}
        onKeep={(value) => {
          set("assignment", value);
          return undefined;
        }}
      />
      <ChoiceField
        label="To"
        value={section}
        options={[
          ["", "everyone who can see it"],
          ...sectionsOf(state).map(({ id, name }) => [inAddress(id), name] as const),
        ]}
        onKeep={(value) => {
          set("section", value);
          return undefined;
        }}
      />
      <ChoiceField
        label="In each e-mail draft"
        value={attach}
        options={ATTACHING}
        onKeep={(value) => {
          onAttach(value);
          return undefined;
        }}
      />
    </div>
  );
}
