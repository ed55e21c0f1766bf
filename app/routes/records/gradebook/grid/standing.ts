import { entryText, type Command } from "#core/changes";
import type { CourseState } from "#core/model";
import type { CellPlace } from "./selection";

/** The standings that one key gives. */
const STANDINGS: Readonly<Record<string, string>> = { m: "missing", x: "excused" };

/**
 * The command that gives a selection the standing of a letter; null where the letter begins the name of a level there,
 * so that it has to be typed out.
 */
export function standingCommand(state: CourseState, places: readonly CellPlace[], letter: string): Command | null {
  const key = letter.toLowerCase();
  const standing = STANDINGS[key];
  const [first] = places;
  if (!standing || !first) return null;
  const isLevel = places.some(({ assignmentId }) => {
    const scoredIn = state.assignments[assignmentId]?.scoredIn;
    const levels = scoredIn?.kind === "scale" ? (state.scales[scoredIn.scaleId]?.levels ?? []) : [];
    return levels.some(({ name }) => name.toLowerCase().startsWith(key));
  });
  if (isLevel) return null;
  const seen = (place: CellPlace) => entryText(state, place.assignmentId, place.studentId);
  if (places.length === 1) return { type: "setScore", ...first, text: key, seen: seen(first) };
  return {
    type: "enterScores",
    how: "entered",
    cells: places.map((place) => ({ ...place, text: key, seen: seen(place) })),
  };
}
