import { expect, it } from "vitest";
import type { Gray } from "./gray";
import { isBlank } from "./is-blank";
import { chances, wornPage, type Wear } from "./worn-page";

const PAGE = { width: 900, height: 1_270, code: null };
const WEAR: Wear = { tilt: 1.5, isUpsideDown: false, blur: 0.8, noise: 10, quality: 50 };

/** A page with strokes of so many pixels in a grey. */
function withStroke(page: Gray, { length, grey }: { readonly length: number; readonly grey: number }): Gray {
  const pixels = page.pixels.slice();
  for (let x = 0; x < length; x += 1) {
    for (const y of [500, 501, 502]) pixels[(y + Math.round(Math.sin(x / 9) * 8)) * page.width + 300 + x] = grey;
  }
  return { ...page, pixels };
}

it("sees that a back is blank through grain, light from one side and the shadow of its edge", () => {
  for (const [seed, noise] of [6, 14, 26].entries()) {
    const blank = wornPage({ ...PAGE, writing: false }, { ...WEAR, noise }, chances(seed + 1));
    const shadowed = { ...blank, pixels: blank.pixels.map((value, at) => (at % blank.width < 14 ? 30 : value)) };
    expect(isBlank(blank)).toBe(true);
    expect(isBlank(shadowed)).toBe(true);
  }
});

it("never takes a page for blank on which a line is written, also in soft pencil", () => {
  const blank = wornPage({ ...PAGE, writing: false }, WEAR, chances(3));
  expect(isBlank(withStroke(blank, { length: 120, grey: 150 }))).toBe(false);
  expect(isBlank(wornPage({ ...PAGE, writing: true }, WEAR, chances(4)))).toBe(false);
});
