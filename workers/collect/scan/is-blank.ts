import { halved, smoothed, type Gray } from "./gray";

/** Share of each side that is passed over: the shadow that a scanner draws along an edge, holes, staples. */
const EDGE = 0.05;
/** How much darker than the paper around it a dot of ink is, in 255ths: a soft pencil is some 40. */
const INK = 22;
/** Reach of what counts as the paper around a dot, in pixels of the reduced page. */
const AROUND = 14;
/** Most dots of a blank page, in millionths: about the dots of a word of eight letters. */
const MOST_DOTS = 250;
/** Widest page that is looked at; larger ones are halved first, which also takes the noise away. */
const WIDEST = 420;

/** Whether a page holds nothing: no dots that are darker than the paper around them, beside some specks of dust. */
export function isBlank(page: Gray): boolean {
  let small = page;
  while (small.width > WIDEST) small = halved(small);
  const paper = smoothed(small, AROUND);
  const marginX = Math.round(small.width * EDGE);
  const marginY = Math.round(small.height * EDGE);
  let dots = 0;
  for (let y = marginY; y < small.height - marginY; y += 1) {
    for (let x = marginX, at = y * small.width + marginX; x < small.width - marginX; x += 1, at += 1)
      if ((paper.pixels[at] ?? 0) - (small.pixels[at] ?? 0) > INK) dots += 1;
  }
  return dots * 1_000_000 <= MOST_DOTS * small.width * small.height;
}
