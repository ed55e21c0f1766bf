import type { ScoreCopy } from "#core/model";

/** A score as a student reads it. */
export function scoreWords(score: ScoreCopy): string {
  if (score.standing === "excused") return "excused";
  if (score.standing === "missing") {
    return `missing${score.points === null ? "" : ` · ${score.points} / ${score.maximum}`}`;
  }
  return score.maximum === "0" ? `${score.points ?? "–"} points, bonus` : `${score.points ?? "–"} / ${score.maximum}`;
}
