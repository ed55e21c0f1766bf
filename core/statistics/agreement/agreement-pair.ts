import { checkNumbers, computed, finite, notComputable, type Statistic } from "../figures/computable";
import { mean, standardDeviation, sumOf } from "../figures/describe";

/** Counts of papers by the first marker's level (row) and the second's (column), over all declared levels. */
export type CrossTable = readonly (readonly number[])[];

/** Weight of a disagreement between two levels; 0 is agreement. */
export type Disagreement = (row: number, column: number) => number;

/** Any disagreement counts alike. */
export const NOMINAL: Disagreement = (row, column) => (row === column ? 0 : 1);
/** A disagreement counts by the levels it spans. */
export const LINEAR: Disagreement = (row, column) => Math.abs(row - column);
/** A disagreement counts by the square of the levels it spans. */
export const QUADRATIC: Disagreement = (row, column) => (row - column) ** 2;

/** A table from pairs of level numbers from 0. All declared levels take part, not only those that occur. */
export function crossTable(pairs: readonly (readonly [number, number])[], levels: number): CrossTable {
  const table = Array.from({ length: levels }, () => new Array<number>(levels).fill(0));
  for (const [first, second] of pairs) {
    const row = table[first];
    if (row) row[second] = (row[second] ?? 0) + 1;
  }
  return table;
}

const cells = (table: CrossTable) =>
  table.flatMap((row, rowIndex) => row.map((count, columnIndex) => ({ count, rowIndex, columnIndex })));
const totalOf = (table: CrossTable) => sumOf(table.flat());

/** Share of papers whose levels differ by at most `within`: 0 the same level, 1 adjacent agreement. */
export function agreementShare(table: CrossTable, within: number): Statistic {
  const total = totalOf(table);
  const near = cells(table).filter(({ rowIndex, columnIndex }) => Math.abs(rowIndex - columnIndex) <= within);
  return total > 0
    ? computed(sumOf(near.map(({ count }) => count)) / total)
    : notComputable({ code: "too_few", least: 1, given: 0 });
}

/**
 * Cohen's kappa, weighted by disagreement: 1 - observed / expected disagreement. Nominal: Cohen, J. (1960), Educational
 * and Psychological Measurement 20, 37-46; weighted: Cohen, J. (1968), Psychological Bulletin 70, 213-220.
 */
export function kappa(table: CrossTable, disagreement: Disagreement = NOMINAL): Statistic {
  const total = totalOf(table);
  if (total === 0) return notComputable({ code: "too_few", least: 1, given: 0 });
  const rows = table.map((row) => sumOf(row));
  const columns = table.map((_, index) => sumOf(table.map((row) => row[index] ?? 0)));
  const all = cells(table);
  const observed = sumOf(all.map(({ count, rowIndex, columnIndex }) => count * disagreement(rowIndex, columnIndex)));
  const expected = sumOf(
    all.map(
      ({ rowIndex, columnIndex }) =>
        ((rows[rowIndex] ?? 0) * (columns[columnIndex] ?? 0) * disagreement(rowIndex, columnIndex)) / total,
    ),
  );
  // Without any disagreement by chance both markers used one level only.
  return expected === 0 ? notComputable({ code: "one_category_only" }) : computed(1 - observed / expected);
}

/** Mean difference of two markers' scores with its limits of agreement, in points. */
export interface LimitsOfAgreement {
  readonly mean: number;
  readonly deviation: number;
  readonly lower: number;
  readonly upper: number;
}

/** Limits at 1.96 standard deviations (Bland, J. M. & Altman, D. G., 1986, The Lancet 327, 307-310). */
export function limitsOfAgreement(first: readonly number[], second: readonly number[]): Statistic<LimitsOfAgreement> {
  if (first.length !== second.length) return notComputable({ code: "lengths_differ" });
  const differences = first.map((value, index) => value - (second[index] ?? 0));
  const known = checkNumbers(differences, 2);
  if (!known.ok) return known;
  const [centre, deviation] = [mean(differences), standardDeviation(differences, "sample")];
  if (!centre.ok) return centre;
  if (!deviation.ok) return deviation;
  const reach = 1.96 * deviation.value;
  const found = { mean: centre.value, deviation: deviation.value };
  return computed({ ...found, lower: centre.value - reach, upper: centre.value + reach });
}

/** Gwet's AC1 for two markers of a table (Gwet, K. L., 2008). */
export function gwetOfTable(table: CrossTable): Statistic {
  const total = totalOf(table);
  const levels = table.length;
  const observed = agreementShare(table, 0);
  if (!observed.ok || levels < 2) return notComputable({ code: "too_few", least: 2, given: levels });
  const shares = table.map((row, index) => (sumOf(row) + sumOf(table.map((other) => other[index] ?? 0))) / (2 * total));
  const chance = sumOf(shares.map((share) => share * (1 - share))) / (levels - 1);
  return finite((observed.value - chance) / (1 - chance), { code: "one_category_only" });
}
