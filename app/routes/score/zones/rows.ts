import type { CriterionId } from "#core/kernel";
import type { Assignment, Criterion, Zone } from "#core/model";
import type { DrawnZone } from "../../../ui/work/zones/zone-layer";

interface Drawing {
  readonly assignment: Assignment;
  /** Zones of this paper alone. */
  readonly own: readonly Zone[];
  readonly criteria: readonly Criterion[];
  /** Those of this paper alone can be moved, else those of all papers. */
  readonly alone: boolean;
  readonly page: number;
  readonly colourOf: (place: number) => string;
}

const keyOf = (criterionId: CriterionId, place: number): string => `${criterionId} ${String(place)}`;

/** The criterion of a drawn zone, and which of its zones it is. */
export function placeOfKey(key: string): { readonly criterionId: CriterionId; readonly place: number } {
  const [criterionId = "", place = "0"] = key.split(" ");
  return { criterionId: criterionId as CriterionId, place: Number(place) };
}

/** The zones of a page: for one paper alone, those of all papers stand behind its own where it has none of the criterion. */
export function drawnZones({ assignment, own, criteria, alone, page, colourOf }: Drawing): readonly DrawnZone[] {
  return criteria.flatMap(({ id, name }, place) => {
    const ofPaper = own.filter((zone) => zone.criterionId === id);
    const ofAll = assignment.zones.filter((zone) => zone.criterionId === id);
    const isOwn = !alone || ofPaper.length > 0;
    const shown = alone && ofPaper.length > 0 ? ofPaper : ofAll;
    return shown.flatMap((zone, index) =>
      zone.page === page ? [{ ...zone, key: keyOf(id, index), name, colour: colourOf(place), isOwn }] : [],
    );
  });
}
