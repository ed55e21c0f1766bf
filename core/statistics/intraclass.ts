import { notComputable, finite, type Statistic } from "./computable";
import { sumOf } from "./describe";

/** Mean squares of papers, markers and what is left, from a table without gaps. */
interface MeanSquares {
  readonly papers: number;
  readonly markers: number;
  readonly rest: number;
  readonly paperCount: number;
  readonly markerCount: number;
}

/** Rows are papers, columns markers, in points; no gaps. */
type Scores = readonly (readonly number[])[];

function meanSquares(scores: Scores): Statistic<MeanSquares> {
  const paperCount = scores.length;
  const markerCount = scores[0]?.length ?? 0;
  const least = Math.min(paperCount, markerCount);
  if (least < 2) return notComputable({ code: "too_few", least: 2, given: least });
  if (scores.some((row) => row.length !== markerCount)) return notComputable({ code: "lengths_differ" });
  const all = paperCount * markerCount;
  const grand = sumOf(scores.flat()) / all;
  const squared = (values: readonly number[]) => sumOf(values.map((value) => value * value));
  const total = squared(scores.flat().map((value) => value - grand));
  const papers = markerCount * squared(scores.map((row) => sumOf(row) / markerCount - grand));
  const columns = Array.from({ length: markerCount }, (_, index) => scores.map((row) => row[index] ?? 0));
  const markers = paperCount * squared(columns.map((column) => sumOf(column) / paperCount - grand));
  const value = {
    papers: papers / (paperCount - 1),
    markers: markers / (markerCount - 1),
    rest: (total - papers - markers) / ((paperCount - 1) * (markerCount - 1)),
    paperCount,
    markerCount,
  };
  return { ok: true, value };
}

/**
 * Intraclass correlations of single scores: "agreement" is ICC(2,1), markers being a sample of markers; "consistency" is
 * ICC(3,1), these very markers, their means left aside (Shrout, P. E. & Fleiss, J. L., 1979, Psychological Bulletin 86,
 * 420-428).
 */
export function intraclassCorrelation(scores: Scores, kind: "agreement" | "consistency"): Statistic {
  const squares = meanSquares(scores);
  if (!squares.ok) return squares;
  const { papers, markers, rest, paperCount, markerCount } = squares.value;
  const between = papers - rest;
  const spread = papers + (markerCount - 1) * rest;
  const shift = kind === "agreement" ? (markerCount * (markers - rest)) / paperCount : 0;
  return spread + shift === 0
    ? notComputable({ code: "no_variance" })
    : finite(between / (spread + shift), { code: "no_variance" });
}
