import { checkNumbers, finite, notComputable, type Statistic } from "../figures/computable";
import { isNothingBeside, sumOf } from "../figures/describe";

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
  const known = checkNumbers(scores.flat(), 1);
  if (!known.ok) return known;
  const size = Math.max(...scores.flat().map(Math.abs));
  // What doubles leave over of nothing is nothing: a quotient of two such remainders would be any figure at all.
  const squared = (values: readonly number[]) =>
    sumOf(values.map((value) => (isNothingBeside(value, size) ? 0 : value * value)));
  const grand = sumOf(scores.flat()) / all;
  const paperShifts = scores.map((row) => sumOf(row) / markerCount - grand);
  const columns = Array.from({ length: markerCount }, (_, index) => scores.map((row) => row[index] ?? 0));
  const markerShifts = columns.map((column) => sumOf(column) / paperCount - grand);
  const left = scores.flatMap((row, paper) =>
    row.map((score, marker) => score - grand - (paperShifts[paper] ?? 0) - (markerShifts[marker] ?? 0)),
  );
  const value = {
    papers: (markerCount * squared(paperShifts)) / (paperCount - 1),
    markers: (paperCount * squared(markerShifts)) / (markerCount - 1),
    rest: squared(left) / ((paperCount - 1) * (markerCount - 1)),
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
