import type { Facet } from "#core/model";

/** The names of the facets of release. */
export const FACET_WORDS: Readonly<Record<Facet, string>> = {
  score: "Score",
  rubric: "Rubric detail",
  comments: "Notes, comments",
  outcomes: "Outcomes",
  classFigures: "Class figures",
};
