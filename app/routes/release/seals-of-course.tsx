import { inAddress } from "../../ui/address";
import type { ReleaseRows } from "./rows";
import { SealTable } from "./seals/seal-table";

interface SealsProps {
  readonly rows: ReleaseRows;
  readonly chosen: string;
  readonly set: (change: (next: URLSearchParams) => void) => void;
}

/** Every seal of the course; what is chosen in it is kept in the address. */
export function Seals({ rows, chosen, set }: SealsProps) {
  const sections = new Map(rows.sections.map(({ id, name }) => [id, name]));
  return (
    <SealTable
      seals={rows.seals}
      totals={rows.totals}
      chosen={chosen}
      timeZone={rows.timeZone}
      sectionName={(id) => sections.get(id) ?? ""}
      onChoose={(assignmentId, facet) => {
        set((next) => {
          next.set("assignment", inAddress(assignmentId));
          next.delete("total");
          if (facet) next.set("facets", facet);
          else next.delete("facets");
        });
      }}
      onTotal={(id) => {
        set((next) => {
          next.set("total", id);
        });
      }}
    />
  );
}
