/** Widths and heights of the grid, in pixels. */
export const NAME_WIDTH = 192;
export const TOTAL_WIDTH = 150;
export const LETTER_WIDTH = 42;
export const COLUMN_WIDTH = 127;
export const ROW_HEIGHT = 31;
/** The head that stands still above the rows: bands of the categories, then names. */
export const BAND_HEIGHT = 24;
export const TITLE_HEIGHT = 46;
export const HEAD_HEIGHT = BAND_HEIGHT + TITLE_HEIGHT;
/** The total of one term, beside the course's. */
export const TERM_WIDTH = 56;
/** Most terms whose totals stand beside the names; more would leave no room for the work. */
export const MOST_TERMS = 3;
/** What stands still while the columns are scrolled, with the totals of so many terms. */
export const fixedWidth = (terms: number): number => NAME_WIDTH + TOTAL_WIDTH + LETTER_WIDTH + terms * TERM_WIDTH;
