import { questionsOf, rubricOf, type Assignment, type CourseState, type Zone, type ZoneTarget } from "#core/model";
import type { DrawnZone } from "../../../ui/work/zones/zone-layer";

/** A criterion or a question whose place on the paper can be drawn. */
export interface ZoneAsked {
  readonly id: ZoneTarget;
  readonly name: string;
}

/** What is answered on the papers of an assignment: its criteria, then its questions. */
export const askedOf = (state: CourseState, assignment: Assignment): readonly ZoneAsked[] => [
  ...(rubricOf(state, assignment)?.criteria ?? []).map(({ id, name }) => ({ id, name })),
  ...questionsOf(state, assignment.id).map(({ id, prompt }, place) => ({
    id,
    name: `Question ${String(place + 1)}: ${prompt}`,
  })),
];

interface Drawing {
  readonly assignment: Assignment;
  /** Zones of this paper alone. */
  readonly own: readonly Zone[];
  readonly asked: readonly ZoneAsked[];
  /** Those of this paper alone can be moved, else those of all papers. */
  readonly alone: boolean;
  readonly page: number;
  readonly colourOf: (place: number) => string;
}

const keyOf = (of: ZoneTarget, place: number): string => `${of} ${String(place)}`;

/** What a drawn zone is of, and which of its zones it is. */
export function placeOfKey(key: string): { readonly of: ZoneTarget; readonly place: number } {
  const [of = "", place = "0"] = key.split(" ");
  return { of: of as ZoneTarget, place: Number(place) };
}

/** The zones of a page: for one paper alone, those of all papers stand behind its own where it has none. */
export function drawnZones({ assignment, own, asked, alone, page, colourOf }: Drawing): readonly DrawnZone[] {
  return asked.flatMap(({ id, name }, place) => {
    const ofPaper = own.filter((zone) => zone.of === id);
    const ofAll = assignment.zones.filter((zone) => zone.of === id);
    const isOwn = !alone || ofPaper.length > 0;
    const shown = alone && ofPaper.length > 0 ? ofPaper : ofAll;
    return shown.flatMap((zone, index) =>
      zone.page === page ? [{ ...zone, key: keyOf(id, index), name, colour: colourOf(place), isOwn }] : [],
    );
  });
}
