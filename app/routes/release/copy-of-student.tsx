import { inAddress } from "../../ui/address";
import { CopyAside } from "./seals/copy-aside";
import type { ReleaseRows } from "./rows";
import type { useAddress } from "./use-address";

/** What one student sees, beside what would be released. */
export function Copy({ slot, rows, set }: CopyProps) {
  const { chosen, chosenTotal, reader } = rows;
  return (
    <aside aria-label="Student copy" className="border-s border-rule bg-table px-5 py-4">
      {reader && chosen && (
        <CopyAside
          key={`${chosenTotal?.id ?? chosen.assignment.id}/${reader.id}`}
          slot={slot}
          title={chosen.assignment.name}
          rows={rows}
          reader={reader}
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
