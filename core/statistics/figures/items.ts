import { computed, finite, notComputable, type Statistic } from "./computable";
import {
  correlation,
  correlationOf,
  mean,
  momentsOf,
  standardDeviation,
  sumOf,
  sumWithout,
  type Moments,
} from "./describe";

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

/** How an item goes with the others of its test. */
export interface ItemBesideRest {
  /** By examinee, the sum of the other items, in points. */
  readonly rests: readonly number[];
  /** Correlation with that sum. */
  readonly itemRest: Statistic;
  /** Cronbach's alpha of the other items alone. */
  readonly alphaWithout: Statistic;
}

/** What a test of several items tells as a whole. */
export interface ItemsTogether {
  readonly alpha: Statistic;
  /** Sample standard deviation of the totals, in points. */
  readonly deviation: Statistic;
  readonly items: readonly ItemBesideRest[];
}

const column = (rows: readonly (readonly number[])[], index: number) => rows.map((row) => row[index] ?? 0);
const totalsOf = (rows: readonly (readonly number[])[]) => rows.map(sumOf);
const restsOf = (rows: readonly (readonly number[])[], index: number) => rows.map((row) => sumWithout(row, index));

/** Statistics of one item. Rows are examinees, columns items, in points. */
export function itemStatistics(rows: readonly (readonly number[])[], index: number, maximum: number): ItemStatistics {
  const values = column(rows, index);
  const centre = mean(values);
  return {
    difficulty: centre.ok ? finite(centre.value / maximum, { code: "no_variance" }) : centre,
    spread: standardDeviation(values, "sample"),
    itemRest: correlation(values, restsOf(rows, index)),
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
export const cronbachAlpha = (rows: readonly (readonly number[])[]): Statistic =>
  alphaOf(itemMoments(rows), momentsOf(totalsOf(rows), 2));

const itemMoments = (rows: readonly (readonly number[])[]): Statistic<Moments>[] =>
  (rows[0] ?? []).map((_, index) => momentsOf(column(rows, index), 2));

/** Both variances have the same divisor, which falls out. */
function alphaOf(parts: readonly Statistic<Moments>[], total: Statistic<Moments>): Statistic {
  const items = parts.length;
  if (items < 2) return notComputable({ code: "too_few", least: 2, given: items });
  if (!total.ok) return total;
  if (total.value.squares === 0) return notComputable({ code: "no_variance" });
  const sum = sumOf(parts.map((part) => (part.ok ? part.value.squares : Number.NaN)));
  return finite((items / (items - 1)) * (1 - sum / total.value.squares), { code: "not_a_number" });
}

/**
 * A whole test: its totals, its alpha and every item beside the others. Rows are examinees, columns items, in points. What
 * these figures share is worked out once.
 */
export function itemsTogether(rows: readonly (readonly number[])[]): ItemsTogether {
  const parts = itemMoments(rows);
  const totals = momentsOf(totalsOf(rows), 2);
  return {
    alpha: alphaOf(parts, totals),
    deviation: totals.ok ? computed(Math.sqrt(totals.value.squares / (rows.length - 1))) : totals,
    items: parts.map((part, index) => {
      const rests = restsOf(rows, index);
      const rest = momentsOf(rests, 2);
      return {
        rests,
        itemRest: !part.ok ? part : !rest.ok ? rest : correlationOf(part.value, rest.value),
        alphaWithout: alphaOf(parts.toSpliced(index, 1), rest),
      };
    }),
  };
}

/** Standard error of measurement, SD x sqrt(1 - reliability), in points (common psychometric definition). */
export const standardErrorOfMeasurement = (deviation: number, reliability: number): Statistic =>
  deviation >= 0 && reliability <= 1
    ? finite(deviation * Math.sqrt(1 - reliability), { code: "not_a_number" })
    : notComputable({ code: "not_a_number" });
