/** A picture in grey: one byte a pixel, row after row, 0 black. */
export interface Gray {
  readonly width: number;
  readonly height: number;
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
}

/** The brightness of a picture of four bytes a pixel (Rec. 601 weights, in 256ths). */
export function grayOf({ width, height, data }: Pick<ImageData, "width" | "height" | "data">): Gray {
  const pixels = new Uint8ClampedArray(width * height);
  for (let at = 0, from = 0; at < pixels.length; at += 1, from += 4)
    pixels[at] = (77 * (data[from] ?? 0) + 150 * (data[from + 1] ?? 0) + 29 * (data[from + 2] ?? 0)) >> 8;
  return { width, height, pixels };
}

/** Half as wide and high; each pixel is the mean of four, which takes half of the noise away. */
export function halved({ width, height, pixels }: Gray): Gray {
  const [w, h] = [width >> 1, height >> 1];
  const out = new Uint8ClampedArray(w * h);
  for (let y = 0, to = 0; y < h; y += 1) {
    let from = 2 * y * width;
    for (let x = 0; x < w; x += 1, to += 1, from += 2) {
      const above = (pixels[from] ?? 0) + (pixels[from + 1] ?? 0);
      out[to] = (above + (pixels[from + width] ?? 0) + (pixels[from + width + 1] ?? 0)) >> 2;
    }
  }
  return { width: w, height: h, pixels: out };
}

/** The mean of the square of `2 reach + 1` pixels around each pixel; at the edges of what there is of it. */
export function smoothed(picture: Gray, reach: number): Gray {
  const across = meansAlong(picture.pixels, reach, { lines: picture.height, steps: picture.width, step: 1 });
  const pixels = meansAlong(across, reach, { lines: picture.width, steps: picture.height, step: picture.width });
  return { ...picture, pixels };
}

interface Way {
  readonly lines: number;
  readonly steps: number;
  /** From one pixel of a line to the next. */
  readonly step: number;
}

function meansAlong(pixels: Gray["pixels"], reach: number, { lines, steps, step }: Way): Gray["pixels"] {
  const out = new Uint8ClampedArray(pixels.length);
  const lineStep = step === 1 ? steps : 1;
  for (let line = 0; line < lines; line += 1) {
    const first = line * lineStep;
    let sum = 0;
    let count = 0;
    for (let place = 0; place < steps + reach; place += 1) {
      if (place < steps) {
        sum += pixels[first + place * step] ?? 0;
        count += 1;
      }
      const gone = place - 2 * reach - 1;
      if (gone >= 0) {
        sum -= pixels[first + gone * step] ?? 0;
        count -= 1;
      }
      const middle = place - reach;
      if (middle >= 0) out[first + middle * step] = sum / count;
    }
  }
  return out;
}

/** The picture as readers of codes take it: four bytes a pixel. */
export function asImageData({ width, height, pixels }: Gray): ImageData {
  const data = new Uint8ClampedArray(pixels.length * 4);
  const whole = new Uint32Array(data.buffer);
  for (let at = 0; at < pixels.length; at += 1) whole[at] = 0xff000000 | ((pixels[at] ?? 0) * 0x010101);
  return { width, height, data, colorSpace: "srgb" };
}
