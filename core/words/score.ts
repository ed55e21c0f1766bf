import type { ClassFiguresCopy, ScoreCopy, Told } from "#core/model";
import { counted } from "./counted";

/** `1 point`, `2.5 points`, `– points`. */
export const pointsWords = (points: string | null): string => `${points ?? "–"} ${points === "1" ? "point" : "points"}`;

/** `17.5 / 20`, `– / 20`; where nothing can be reached, as in bonus work, the points alone. */
export const ofMaximum = (points: string | null, maximum: string): string =>
  maximum === "0" ? pointsWords(points) : `${points ?? "–"} / ${maximum}`;

/** `missing, 0 / 20` where a missing paper counts as something, else `missing`. */
export const missingWords = (points: string | null, maximum: string): string =>
  points === null || maximum === "0" ? "missing" : `missing, ${ofMaximum(points, maximum)}`;

/** What is told of a score; `level`: one that says all there is, without points. */
type ScoreTold = Pick<ScoreCopy, "standing" | "points" | "maximum"> & { readonly level?: string | null };

/** A score as it is read everywhere: on screens, in copies, letters and reports. */
export function scoreWords(copy: ScoreTold): string {
  const { standing, points, maximum, level = null } = copy;
  if (standing === "excused") return "excused";
  if (standing === "missing") return missingWords(points, maximum);
  if (level !== null) return level;
  return maximum === "0" ? `${pointsWords(points)}, bonus` : ofMaximum(points, maximum);
}

/** What a score was before it lost something for being late; null where it lost nothing. */
export const deductionWords = ({ points, beforeDeduction }: ScoreCopy): string | null =>
  points === null || beforeDeduction === null ? null : `${beforeDeduction} before the deduction for being late`;

/** The figures of the class, as students read them. */
export const classFiguresWords = ({ students, mean, median, maximum }: ClassFiguresCopy): string =>
  `The class, ${counted(students, "paper")}: mean ${mean}, median ${median} of ${maximum}`;

/** What one line in the account of a total tells; null where it tells nothing. */
export function toldWords(told: Told | null): string | null {
  switch (told?.kind) {
    case undefined:
      return null;
    case "score":
      return `${scoreWords(told)}${told.dropped ? ", dropped" : ""}`;
    case "percent":
      return `${told.percent} %`;
    case "words":
      return told.text;
  }
}
