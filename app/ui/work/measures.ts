/** Width of a page at zoom 1, in pixels. */
export const PAGE_WIDTH = 622;
