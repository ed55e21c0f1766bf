import type { previewEntry } from "#core/changes";
import { pointsText } from "#core/kernel";
import type { Course } from "#core/model";
import { latenessWords } from "#core/words";
import { inMark } from "./figures";

type Previewed = Extract<ReturnType<typeof previewEntry>, { ok: true }>["value"];

/** What an entry comes to, in a few words: `84 → 74 after 2 days late`. */
export function entryWords(course: Pick<Course, "lateRule">, { entry, outcomes, figure }: Previewed): string {
  const beside = outcomes === null ? "" : `outcomes ${[...outcomes].join(" ")}`;
  return [entry && figureWords(course, entry, figure), beside].filter(Boolean).join("; ");
}

function figureWords(
  course: Pick<Course, "lateRule">,
  entry: NonNullable<Previewed["entry"]>,
  figure: Previewed["figure"],
): string {
  const counted = figure.counted ? inMark(pointsText(figure.counted)) : "nothing";
  const late = latenessWords(figure.unitsLate, course.lateRule?.unitHours ?? 24);
  switch (entry.kind) {
    case "missing":
      return `missing, counts ${counted}`;
    case "excused":
      return "excused, counts nowhere";
    case "level":
      return figure.counted ? `${entry.level.name}, counts ${counted}` : `${entry.level.name}, counts nowhere`;
    case "clear":
      return figure.counted ? `back to ${counted}` : "cleared";
    case "late":
      return figure.counted ? `${late} late: ${counted}` : `${late} late`;
    case "score":
      if (figure.source === "setByHand") {
        return `set by hand: ${counted} in place of ${figure.computed ? inMark(pointsText(figure.computed)) : "nothing"}`;
      }
      return figure.deduction.n === 0n ? counted : `${inMark(entry.points)} → ${counted} after ${late} late`;
  }
}
