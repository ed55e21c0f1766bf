/** A picture in grey: one byte a pixel, row after row, 0 black. */
export interface Gray {
  readonly width: number;
  readonly height: number;
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
}

/** The brightness of a picture of four bytes a pixel (Rec. 601 weights, in 256ths). */
export function grayOf({ width, height, data }: Pick<ImageData, "width" | "height" | "data">): Gray {
  const pixels = new Uint8ClampedArray(width * height);
  // A pixel at a time, red in its lowest byte: a third of the time of byte by byte.
  const aligned = data.byteOffset % 4 === 0 ? data : data.slice();
  const whole = new Uint32Array(aligned.buffer, aligned.byteOffset, pixels.length);
  for (let at = 0; at < pixels.length; at += 1) {
    const pixel = whole[at] ?? 0;
    pixels[at] = (77 * (pixel & 255) + 150 * ((pixel >> 8) & 255) + 29 * ((pixel >> 16) & 255)) >> 8;
  }
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
export function smoothed({ width, height, pixels }: Gray, reach: number): Gray {
  const out = new Uint8ClampedArray(pixels.length);
  // Sums of the pixels within reach above and below, by column: row after row in the order in which they lie in memory.
  const columns = new Int32Array(width);
  const rowAt = (y: number) => pixels.subarray(y * width, (y + 1) * width);
  for (let y = 0; y < Math.min(reach, height); y += 1) addRow(columns, rowAt(y), 1);
  for (let y = 0; y < height; y += 1) {
    const [hasNext, hasGone] = [y + reach < height, y > reach];
    if (hasNext && hasGone) exchangeRows(columns, rowAt(y + reach), rowAt(y - reach - 1));
    else if (hasNext) addRow(columns, rowAt(y + reach), 1);
    else if (hasGone) addRow(columns, rowAt(y - reach - 1), -1);
    const rows = Math.min(height - 1, y + reach) - Math.max(0, y - reach) + 1;
    meansAlong(columns, { reach, rows }, out.subarray(y * width, (y + 1) * width));
  }
  return { width, height, pixels: out };
}

function addRow(columns: Int32Array, row: Uint8ClampedArray, by: 1 | -1): void {
  for (let x = 0; x < columns.length; x += 1) columns[x] = (columns[x] ?? 0) + by * (row[x] ?? 0);
}

/** Both at once: in a large picture nearly every row comes in as another one goes. */
function exchangeRows(columns: Int32Array, coming: Uint8ClampedArray, gone: Uint8ClampedArray): void {
  for (let x = 0; x < columns.length; x += 1) columns[x] = (columns[x] ?? 0) + (coming[x] ?? 0) - (gone[x] ?? 0);
}

interface Window {
  readonly reach: number;
  /** How many rows are in the sum of each column. */
  readonly rows: number;
}

/** The means of one row, from the sums of its columns. */
function meansAlong(columns: Int32Array, { reach, rows }: Window, out: Uint8ClampedArray): void {
  const width = columns.length;
  let sum = 0;
  for (let x = 0; x < Math.min(reach, width); x += 1) sum += columns[x] ?? 0;
  const inside = Math.min(reach + 1, width);
  const outside = Math.max(inside, width - reach);
  const columnsAt = (x: number) => Math.min(width - 1, x + reach) - Math.max(0, x - reach) + 1;
  const whole = rows * (2 * reach + 1);
  for (let x = 0; x < inside; x += 1) {
    sum += columns[x + reach] ?? 0;
    out[x] = sum / (rows * columnsAt(x));
  }
  for (let x = inside; x < outside; x += 1) {
    sum = (sum + (columns[x + reach] ?? 0) - (columns[x - reach - 1] ?? 0)) | 0;
    out[x] = sum / whole;
  }
  for (let x = outside; x < width; x += 1) {
    sum -= columns[x - reach - 1] ?? 0;
    out[x] = sum / (rows * columnsAt(x));
  }
}

/** The picture as readers of codes take it: four bytes a pixel. */
export function asImageData({ width, height, pixels }: Gray): ImageData {
  const data = new Uint8ClampedArray(pixels.length * 4);
  const whole = new Uint32Array(data.buffer);
  for (let at = 0; at < pixels.length; at += 1) whole[at] = 0xff000000 | ((pixels[at] ?? 0) * 0x010101);
  return { width, height, data, colorSpace: "srgb" };
}
