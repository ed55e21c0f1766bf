import type { ScoreCopy } from "#core/model";

/** `1 point`, `2.5 points`, `– points`. */
export const pointsWords = (points: string | null): string => `${points ?? "–"} ${points === "1" ? "point" : "points"}`;

/** A score as a student reads it. */
export function scoreWords(score: ScoreCopy): string {
  if (score.standing === "excused") return "excused";
  if (score.standing === "missing") {
    return `missing${score.points === null || score.maximum === "0" ? "" : ` · ${score.points} / ${score.maximum}`}`;
  }
  return score.maximum === "0" ? `${pointsWords(score.points)}, bonus` : `${score.points ?? "–"} / ${score.maximum}`;
}
