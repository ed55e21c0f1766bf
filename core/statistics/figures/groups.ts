// oxlint-disable-next-line typescript/triple-slash-reference -- the package ships no types; these are found from every project that reads this file
/// <reference path="./jstat.d.ts" />
import { jStat } from "jstat";
import { checkNumbers, computed, notComputable, type Statistic } from "./computable";
import { isConstant, mean, sumOf, variance } from "./describe";

/** What the means of groups tell. */
export interface GroupDifference {
  /** Highest mean less lowest, in the unit of the values. */
  readonly apart: number;
  /** How often groups of papers of one kind would lie at least as far apart by chance: 0 to 1. */
  readonly chance: number;
  readonly f: number;
  /** Degrees of freedom between and within groups. */
  readonly between: number;
  readonly within: number;
}

/** Fewest values that tell anything of a group's spread. */
const LEAST = 2;

/**
 * Whether groups differ by more than chance, without taking their spreads for equal: Welch's test of means (Welch, B. L.,
 * 1951, On the comparison of several mean values: an alternative approach, Biometrika 38, 330-336); with two groups it is
 * the square of Welch's t. The distribution function is jStat's. Groups of fewer than two values are left aside.
 */
export function groupDifference(groups: readonly (readonly number[])[]): Statistic<GroupDifference> {
  const told = groups.filter((values) => values.length >= LEAST);
  if (told.length < 2) return notComputable({ code: "too_few", least: 2, given: told.length });
  const known = checkNumbers(told.flat(), LEAST);
  if (!known.ok) return known;
  if (told.some((values) => isConstant(values))) return notComputable({ code: "no_variance" });
  const means = told.map((values) => valueOf(mean(values)));
  const weights = told.map((values) => values.length / valueOf(variance(values, "sample")));
  const weight = sumOf(weights);
  const centre = sumOf(means.map((one, at) => one * (weights[at] ?? 0))) / weight;
  const spread = sumOf(told.map(({ length }, at) => (1 - (weights[at] ?? 0) / weight) ** 2 / (length - 1)));
  const count = told.length;
  const squares = sumOf(means.map((one, at) => (weights[at] ?? 0) * (one - centre) ** 2));
  const f = squares / (count - 1) / (1 + (2 * (count - 2) * spread) / (count ** 2 - 1));
  const within = (count ** 2 - 1) / (3 * spread);
  const between = count - 1;
  const apart = Math.max(...means) - Math.min(...means);
  return computed({ apart, f, between, within, chance: 1 - jStat.centralF.cdf(f, between, within) });
}

const valueOf = (found: Statistic): number => (found.ok ? found.value : Number.NaN);
