import type { Category } from "#core/model";

/** How the work of a category is combined. */
export const METHOD_WORDS: Readonly<Record<Category["method"], string>> = {
  pooled: "points pooled",
  mean: "mean of percents",
  median: "median of percents",
  best: "best one counts",
};
