import fc from "fast-check";
import { expect, it } from "vitest";
import { grayOf, halved, smoothed } from "./gray";

const picture = fc
  .tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }))
  .chain(([width, height]) =>
    fc
      .array(fc.nat(255), { minLength: width * height, maxLength: width * height })
      .map((list) => ({ width, height, pixels: new Uint8ClampedArray(list) })),
  );

it("smooths to the mean of what lies within reach, at the edges too, whatever the picture", () => {
  fc.assert(
    fc.property(picture, fc.integer({ min: 0, max: 12 }), (one, reach) => {
      const { width, height, pixels } = one;
      const means = Array.from(pixels, (_, at) => {
        const [x, y] = [at % width, Math.floor(at / width)];
        const around = Array.from(pixels).filter(
          (_value, other) => Math.abs((other % width) - x) <= reach && Math.abs(Math.floor(other / width) - y) <= reach,
        );
        return around.reduce((sum, value) => sum + value, 0) / around.length;
      });
      const smooth = smoothed(one, reach);
      expect([smooth.width, smooth.height]).toEqual([width, height]);
      expect(smooth.pixels).toEqual(new Uint8ClampedArray(means));
    }),
  );
});

it("is half as wide and high, each pixel the mean of four; the brightness of a colour is that of Rec. 601", () => {
  const one = { width: 4, height: 2, pixels: new Uint8ClampedArray([0, 10, 20, 30, 40, 50, 60, 70]) };
  expect(halved(one)).toEqual({ width: 2, height: 1, pixels: new Uint8ClampedArray([25, 45]) });
  // 0.299, 0.587 and 0.114 of 255 (ITU-R BT.601): 76, 150 and 29, each to within one.
  const colours = new Uint8ClampedArray([255, 0, 0, 255, 0, 255, 0, 255, 0, 0, 255, 255]);
  const { pixels } = grayOf({ width: 3, height: 1, data: colours });
  [76, 150, 29].forEach((value, at) => {
    expect(Math.abs((pixels[at] ?? 0) - value)).toBeLessThanOrEqual(1);
  });
});
