import { computed, finite, notComputable, type Statistic } from "../figures/computable";
import { sumOf } from "../figures/describe";

/** Ratings of papers (rows) by markers (columns); null where a marker did not rate a paper. */
export type Ratings = readonly (readonly (number | null)[])[];

/** The ratings that each paper has. */
const givenOf = (ratings: Ratings): number[][] =>
  ratings.map((paper) => paper.filter((value): value is number => value !== null));

/**
 * Fleiss' kappa over counts of markers by paper (rows) and level (columns), the same number of markers each (Fleiss,
 * J. L., 1971, Psychological Bulletin 76, 378-382).
 */
export function fleissKappa(counts: readonly (readonly number[])[]): Statistic {
  const markers = sumOf(counts[0] ?? []);
  if (counts.length === 0 || markers < 2) return notComputable({ code: "too_few", least: 2, given: markers });
  if (counts.some((row) => sumOf(row) !== markers)) return notComputable({ code: "lengths_differ" });
  const all = counts.length * markers;
  const agreements = counts.map(
    (row) => (sumOf(row.map((count) => count * count)) - markers) / (markers * (markers - 1)),
  );
  const observed = sumOf(agreements) / counts.length;
  const shares = (counts[0] ?? []).map((_, level) => sumOf(counts.map((row) => row[level] ?? 0)) / all);
  const chance = sumOf(shares.map((share) => share * share));
  return chance === 1 ? notComputable({ code: "one_category_only" }) : computed((observed - chance) / (1 - chance));
}

/** What a difference of two ratings counts. */
export type Metric = "nominal" | "ordinal" | "interval";

/**
 * Krippendorff's alpha with gaps: 1 - observed / expected disagreement over the coincidences of values within papers
 * that have at least two ratings (Krippendorff, K., 2011, Computing Krippendorff's alpha-reliability).
 */
export function krippendorffAlpha(ratings: Ratings, metric: Metric): Statistic {
  const papers = givenOf(ratings).filter((values) => values.length > 1);
  const values = [...new Set(papers.flat())].sort((a, b) => a - b);
  if (papers.length === 0) return notComputable({ code: "too_few", least: 1, given: 0 });
  const coincidences = values.map(() => values.map(() => 0));
  for (const paper of papers) {
    paper.forEach((first, place) => {
      paper.forEach((second, other) => {
        const row = coincidences[values.indexOf(first)];
        const column = values.indexOf(second);
        if (row && place !== other) row[column] = (row[column] ?? 0) + 1 / (paper.length - 1);
      });
    });
  }
  const totals = coincidences.map((row) => sumOf(row));
  const all = sumOf(totals);
  const distance = distanceOf(metric, values, totals);
  let observed = 0;
  let expected = 0;
  values.forEach((_, row) => {
    values.forEach((__, column) => {
      const apart = distance(row, column);
      observed += (coincidences[row]?.[column] ?? 0) * apart;
      expected += ((totals[row] ?? 0) * (totals[column] ?? 0) * apart) / (all - 1);
    });
  });
  return expected === 0 ? notComputable({ code: "one_category_only" }) : computed(1 - observed / expected);
}

/** Squared distance of two values by the metric; ordinal: by how many ratings lie between and half of both ends. */
function distanceOf(metric: Metric, values: readonly number[], totals: readonly number[]) {
  return (row: number, column: number): number => {
    if (metric === "nominal") return row === column ? 0 : 1;
    if (metric === "interval") return ((values[row] ?? 0) - (values[column] ?? 0)) ** 2;
    const [low, high] = [Math.min(row, column), Math.max(row, column)];
    const between = sumOf(totals.slice(low, high + 1));
    return (between - ((totals[low] ?? 0) + (totals[high] ?? 0)) / 2) ** 2;
  };
}

/**
 * Gwet's AC1 over ratings with gaps (Gwet, K. L., 2008, British Journal of Mathematical and Statistical Psychology 61,
 * 29-48). Level shares use every paper with a rating, agreement only those with two or more.
 */
export function gwetAc1(ratings: Ratings, levels: readonly number[]): Statistic {
  const papers = givenOf(ratings);
  const rated = papers.filter((values) => values.length > 0);
  const paired = papers.filter((values) => values.length > 1);
  if (paired.length === 0 || levels.length < 2) {
    return notComputable({ code: "too_few", least: 2, given: paired.length === 0 ? 0 : levels.length });
  }
  const count = (values: readonly number[], level: number) => values.filter((value) => value === level).length;
  const observed =
    sumOf(
      paired.map((values) => {
        const pairs = sumOf(levels.map((level) => count(values, level) * (count(values, level) - 1)));
        return pairs / (values.length * (values.length - 1));
      }),
    ) / paired.length;
  const shares = levels.map(
    (level) => sumOf(rated.map((values) => count(values, level) / values.length)) / rated.length,
  );
  const chance = sumOf(shares.map((share) => share * (1 - share))) / (levels.length - 1);
  return finite((observed - chance) / (1 - chance), { code: "one_category_only" });
}
