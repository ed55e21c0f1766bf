import { counted } from "#core/words";
import { LOCKINGS, type Locking } from "../../../locks/copy-locks";
import { ChoiceField } from "../../../ui/fields/choice-field";
import type { deliverRows } from "./rows";

interface WishProps {
  readonly sections: ReturnType<typeof deliverRows>["sections"];
  readonly sectionId: string;
  readonly setSectionId: (id: string) => void;
  readonly locking: Locking;
  readonly setLocking: (locking: Locking) => void;
  /** Students for whom copies would be made. */
  readonly count: number;
  readonly isBusy: boolean;
  readonly onMake: () => void;
}

/** For whom copies are made, and how they are locked. */
export function Wish({ sections, sectionId, setSectionId, locking, setLocking, count, isBusy, onMake }: WishProps) {
  return (
    <div className="mt-4 flex flex-wrap items-end gap-x-6 gap-y-3 text-[14px]">
      {sections.length > 0 && (
        <ChoiceField
          label="For"
          value={sectionId}
          options={[["", "everyone"], ...sections.map(({ id, name }) => [id, name] as const)]}
          onKeep={(value) => {
            setSectionId(value);
            return undefined;
          }}
        />
      )}
      <ChoiceField
        label="Lock"
        value={locking}
        options={LOCKINGS}
        onKeep={(value) => {
          setLocking(value);
          return undefined;
        }}
      />
      <button type="button" className="act act-first" disabled={count === 0 || isBusy} onClick={onMake}>
        {count === 0 ? "Nothing to give out yet" : `Make copies for ${counted(count, "student")}`}
      </button>
    </div>
  );
}
