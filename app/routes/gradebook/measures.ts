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
/** What stands still while the columns are scrolled. */
export const FIXED_WIDTH = NAME_WIDTH + TOTAL_WIDTH + LETTER_WIDTH;
