import { finite, notComputable, type Statistic } from "./computable";
import { correlation, mean, standardDeviation, sumOf, variance } from "./describe";

/** Share of a class in each extreme group (Kelley, T. L., 1939, Journal of Educational Psychology 30, 17-24). */
export const EXTREME_SHARE = 0.27;

/** What one criterion or question tells about a class. */
export interface ItemStatistics {
  /** Mean over the maximum: 0 nobody, 1 everybody. */
  readonly difficulty: Statistic;
  /** Sample standard deviation, in points. */
  readonly spread: Statistic;
  /** Correlation with the total of the other items. */
  readonly itemRest: Statistic;
  /** Difference of difficulty between the upper and the lower 27 %. */
  readonly discrimination: Statistic;
}

const column = (rows: readonly (readonly number[])[], index: number) => rows.map((row) => row[index] ?? 0);
const totalsOf = (rows: readonly (readonly number[])[]) => rows.map(sumOf);

/** Statistics of one item. Rows are examinees, columns items, in points. */
export function itemStatistics(rows: readonly (readonly number[])[], index: number, maximum: number): ItemStatistics {
  const values = column(rows, index);
  const rest = rows.map((row) => sumOf(row.filter((_, place) => place !== index)));
  const centre = mean(values);
  return {
    difficulty: centre.ok ? finite(centre.value / maximum, { code: "no_variance" }) : centre,
    spread: standardDeviation(values, "sample"),
    itemRest: correlation(values, rest),
    discrimination: upperLower(values, totalsOf(rows), maximum),
  };
}

/**
 * Difficulty in the upper 27 % less that in the lower, by total. Examinees tied at a cut enter with the share that fills
 * the group, so that the figure does not depend on their order.
 */
function upperLower(values: readonly number[], totals: readonly number[], maximum: number): Statistic {
  const size = Math.round(EXTREME_SHARE * values.length);
  if (size < 1) return notComputable({ code: "too_few", least: 2, given: values.length });
  const upper = extremeMean(values, totals, size, 1);
  const lower = extremeMean(values, totals, size, -1);
  return finite((upper - lower) / maximum, { code: "no_variance" });
}

function extremeMean(values: readonly number[], totals: readonly number[], size: number, direction: 1 | -1): number {
  const sorted = [...totals].sort((a, b) => (b - a) * direction);
  const cut = sorted[size - 1] ?? 0;
  const sure = values.filter((_, index) => ((totals[index] ?? 0) - cut) * direction > 0);
  const tied = values.filter((_, index) => totals[index] === cut);
  const share = (size - sure.length) / tied.length;
  return (sumOf(sure) + share * sumOf(tied)) / size;
}

/**
 * Cronbach's alpha (Cronbach, L. J., 1951, Psychometrika 16, 297-334): k/(k-1) (1 - sum of item variances / variance of
 * totals). It may be below 0 and is then kept so.
 */
export function cronbachAlpha(rows: readonly (readonly number[])[]): Statistic {
  const items = rows[0]?.length ?? 0;
  if (items < 2) return notComputable({ code: "too_few", least: 2, given: items });
  const total = variance(totalsOf(rows), "sample");
  if (!total.ok) return total;
  if (total.value === 0) return notComputable({ code: "no_variance" });
  const parts = Array.from({ length: items }, (_, index) => variance(column(rows, index), "sample"));
  const sum = sumOf(parts.map((part) => (part.ok ? part.value : Number.NaN)));
  return finite((items / (items - 1)) * (1 - sum / total.value), { code: "not_a_number" });
}

/** Alpha without one item. */
export const alphaIfDeleted = (rows: readonly (readonly number[])[], index: number): Statistic =>
  cronbachAlpha(rows.map((row) => row.filter((_, place) => place !== index)));

/** Standard error of measurement, SD x sqrt(1 - reliability), in points (common psychometric definition). */
export const standardErrorOfMeasurement = (deviation: number, reliability: number): Statistic =>
  deviation >= 0 && reliability <= 1
    ? finite(deviation * Math.sqrt(1 - reliability), { code: "not_a_number" })
    : notComputable({ code: "not_a_number" });
