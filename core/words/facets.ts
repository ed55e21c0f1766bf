import type { Facet } from "#core/model";

/** The names of the facets of release, as they stand over columns and beside ticks. */
export const FACET_WORDS: Readonly<Record<Facet, string>> = {
  score: "Score",
  rubric: "Rubric detail",
  comments: "Notes, comments",
  outcomes: "Outcomes",
  classFigures: "Class figures",
};

/** The same inside a sentence, as a line of the journal has it: `rubric detail released`. */
export const FACET_NAMES: Readonly<Record<Facet, string>> = {
  score: "score",
  rubric: "rubric detail",
  comments: "notes and comments",
  outcomes: "outcomes",
  classFigures: "class figures",
};
