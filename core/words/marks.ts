import type { NoteMark } from "#core/model";

/** What a mark on the work is called: in the margin, in a list, in a marked PDF. */
export const MARK_WORDS: Readonly<Record<NoteMark, string>> = {
  highlight: "Note",
  strikeout: "Struck out",
  insertion: "To insert",
  pin: "Pinned",
  text: "On the page",
  ink: "By pen",
  tick: "Ticked",
  query: "Queried",
};

/** The same inside a sentence, as a line of the journal has it: `pinned note deleted`. */
export const MARK_NAMES: Readonly<Record<NoteMark, string>> = {
  highlight: "note",
  strikeout: "strike-out",
  insertion: "insertion",
  pin: "pinned note",
  text: "words on the page",
  ink: "pen strokes",
  tick: "tick",
  query: "query",
};
