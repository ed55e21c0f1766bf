import type { NoteColour } from "#core/model";

/** Criterion colours, from the Okabe-Ito set (Okabe and Ito 2008, Color Universal Design), in order of the criteria. */
const CRITERION_COLOURS = ["#e69f00", "#56b4e9", "#009e73", "#cc79a7", "#0072b2", "#d55e00"] as const;

export const criterionColour = (index: number): string =>
  CRITERION_COLOURS[index % CRITERION_COLOURS.length] ?? CRITERION_COLOURS[0];

/** A note that is evidence for no criterion. */
export const PLAIN_NOTE_COLOUR = "#7b7f90";
/** A strike-out. */
export const STRIKE_COLOUR = "#a33b2a";

/** Category colours for rules and labels: the darker half of the same set, readable as text on paper. */
const CATEGORY_COLOURS = ["#0a6aa8", "#007a59", "#b34e00", "#a04a80", "#6b5a00", "#3d5a8a"] as const;

export const categoryColour = (index: number): string =>
  CATEGORY_COLOURS[index % CATEGORY_COLOURS.length] ?? CATEGORY_COLOURS[0];

/** Colours a remark may be given by hand. */
export const NOTE_COLOUR: Readonly<Record<NoteColour, string>> = {
  ink: "#22263a",
  green: "#1f6f68",
  wax: "#a33b2a",
  ochre: "#8a5f00",
  plum: "#5b4b8a",
};
