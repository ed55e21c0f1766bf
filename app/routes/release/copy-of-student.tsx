import { useNavigation } from "react-router";
import { inAddress } from "../../ui/address";
import { CopyAside } from "./seals/copy-aside";
import type { ReleaseRows } from "./rows";
import type { useAddress } from "./use-address";

/** What one student sees, beside what would be released. */
export function Copy({ slot, rows, set }: CopyProps) {
  const { chosen, chosenTotal, reader } = rows;
  // Who was chosen stands in the list at once, also while their copy is still on its way.
  const wished = new URLSearchParams(useNavigation().location?.search).get("student");
  return (
    <aside aria-label="Student copy" className="border-s border-rule bg-table px-5 py-4">
      {reader && chosen && (
        <CopyAside
          // Not by the reader: whoever types on in the list of readers would lose it.
          key={chosenTotal?.id ?? chosen.assignment.id}
          slot={slot}
          title={chosen.assignment.name}
          rows={rows}
          reader={reader}
          picked={rows.students.find(({ id }) => inAddress(id) === wished)?.id ?? reader.id}
          wanted={chosen.wanted}
          onReader={(id) => {
            set((next) => {
              next.set("student", inAddress(id));
            });
          }}
        />
      )}
    </aside>
  );
}

interface CopyProps {
  readonly slot: string;
  readonly rows: ReleaseRows;
  readonly set: ReturnType<typeof useAddress>[1];
}
