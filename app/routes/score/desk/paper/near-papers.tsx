import { useMemo, useState } from "react";
import type { FileId, StudentId } from "#core/kernel";
import { levelAt } from "#core/scoring";
import { ComparePane } from "../../../../ui/beside/compare-pane";
import { nearLevel, type SweepRows } from "../../../../ui/beside/sweep-rows";
import type { CriterionRow } from "../rows";

interface NearPapersProps {
  readonly row: CriterionRow;
  readonly own: StudentId;
  readonly rowsOf: (criterionId: string) => SweepRows | null;
  readonly read: (fileId: FileId) => Promise<Blob | null>;
  readonly onClose: () => void;
}

/** While a level is chosen: two papers already at it or next to it, beside the one in hand. */
export function NearPapers({ row, own, rowsOf, read, onClose }: NearPapersProps) {
  const { criterion, points } = row;
  const given = points === null ? null : levelAt(criterion, points);
  const [wanted, setWanted] = useState<string | null>(null);
  const levelId = wanted ?? given?.id ?? criterion.levels.at(-1)?.id ?? "";
  const rows = useMemo(() => rowsOf(criterion.id), [rowsOf, criterion.id]);
  const near = useMemo(() => (rows ? nearLevel(rows, levelId, own) : []), [rows, levelId, own]);
  if (!rows) return null;
  return <ComparePane rows={rows} levelId={levelId} near={near} read={read} onLevel={setWanted} onClose={onClose} />;
}
