import { decode, encode } from "jpeg-js";
import { create } from "qrcode";
import type { Gray } from "./gray";

/** How a page came out of the scanner; made up for tests. Lengths are in pixels of 150 an inch. */
export interface Wear {
  /** Degrees clockwise. */
  readonly tilt: number;
  readonly isUpsideDown: boolean;
  /** Standard deviations of blur in pixels and of noise in 255ths. */
  readonly blur: number;
  readonly noise: number;
  /** From 1 to 100, as JPEG counts it. */
  readonly quality: number;
}

interface Drawn {
  readonly width: number;
  readonly height: number;
  /** A pattern of 25 mm, or none. */
  readonly code: string | null;
  readonly writing: boolean;
}

const PAPER = 235;
const INK = 45;
/** Grains of noise that are worked out; a page takes each many times. */
const GRAINS = 50_021;
const MODULE_AREA = (25 / 25.4) * 150;

/** A random number from 0 to 1, the same ones for a seed (a linear congruential generator). */
export function chances(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

/** A page as a scanner would give it: drawn, tilted, lit from one side, blurred, noisy, packed as JPEG. */
export function wornPage(drawn: Drawn, wear: Wear, chance: () => number): Gray {
  const tilted = draw(drawn, wear);
  const blurred = wear.blur > 0 ? blur(tilted, drawn, wear.blur) : tilted;
  const data = new Uint8ClampedArray(drawn.width * drawn.height * 4);
  const grains = Float32Array.from({ length: GRAINS }, () => normal(chance));
  let grain = 0;
  for (let at = 0, to = 0; at < blurred.length; at += 1, to += 4) {
    // From somewhere else in the same grains at every line, so that no pattern shows.
    grain = at % drawn.width === 0 ? Math.floor(chance() * GRAINS) : (grain + 1) % GRAINS;
    const noisy = (blurred[at] ?? 0) + wear.noise * (grains[grain] ?? 0);
    data[to] = data[to + 1] = data[to + 2] = noisy;
    data[to + 3] = 255;
  }
  const packed = encode({ ...drawn, data }, wear.quality);
  const read = decode(packed.data, { useTArray: true, formatAsRGBA: true });
  const pixels = new Uint8ClampedArray(drawn.width * drawn.height);
  for (let at = 0; at < pixels.length; at += 1) pixels[at] = read.data[at * 4] ?? 0;
  return { width: drawn.width, height: drawn.height, pixels };
}

/** Standard normal (Box and Muller 1958). */
const normal = (chance: () => number): number =>
  Math.sqrt(-2 * Math.log(chance() + 1e-12)) * Math.cos(2 * Math.PI * chance());

function draw({ width, height, code, writing }: Drawn, { tilt, isUpsideDown }: Wear): Float32Array {
  const modules = code === null ? null : create(code, { errorCorrectionLevel: "H" }).modules;
  const [cos, sin] = [Math.cos((tilt * Math.PI) / 180), Math.sin((tilt * Math.PI) / 180)];
  const [left, top] = [width - MODULE_AREA - 130, 130];
  const inkAt = (x: number, y: number): boolean => {
    if (modules) {
      const column = Math.floor(((x - left) / MODULE_AREA) * modules.size);
      const row = Math.floor(((y - top) / MODULE_AREA) * modules.size);
      if (column >= 0 && row >= 0 && column < modules.size && row < modules.size) return modules.get(row, column) === 1;
    }
    return writing && isWriting(x, y, width, height);
  };
  const out = new Float32Array(width * height);
  const [middle, centre, way] = [width / 2, height / 2, isUpsideDown ? -1 : 1];
  for (let y = 0, at = 0; y < height; y += 1) {
    const dy = way * (y - centre);
    for (let x = 0; x < width; x += 1, at += 1) {
      const dx = way * (x - middle);
      const isInk = inkAt(cos * dx + sin * dy + middle, cos * dy - sin * dx + centre);
      out[at] = (isInk ? INK : PAPER) * (0.82 + (0.18 * x) / width);
    }
  }
  return out;
}

/** Half of the breadth of a line. */
const THICKNESS = 1.4;

/** Lines of a hand that says nothing. */
function isWriting(x: number, y: number, width: number, height: number): boolean {
  const line = Math.floor((y - 330) / 34);
  if (line < 0 || y > height - 90 || x < 110 || x > width - 110) return false;
  const from = y - 330 - line * 34;
  // Between the lines, where no wave comes to, nothing has to be worked out.
  if (from < 5 - THICKNESS || from > 23 + THICKNESS) return false;
  const wave = 14 + 9 * Math.sin(x * 0.21 + line * 1.7) * Math.cos(x * 0.07 + line);
  return Math.abs(from - wave) < THICKNESS && Math.sin(x * 0.03 + line * 5) > -0.6;
}

function blur(pixels: Float32Array, { width, height }: Drawn, sigma: number): Float32Array {
  const reach = Math.ceil(sigma * 3);
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, at) =>
    Math.exp(-((at - reach) ** 2) / (2 * sigma ** 2)),
  );
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  /** Means along a line of pixels so far from each other; edges stay as they are. */
  const along = (from: Float32Array, step: number, [left, top]: readonly [number, number]) => {
    const out = from.slice();
    for (let y = top; y < height - top; y += 1) {
      for (let at = y * width + left, end = (y + 1) * width - left; at < end; at += 1) {
        let sum = 0;
        for (let by = 0, place = at - reach * step; by < weights.length; by += 1, place += step) {
          sum += (weights[by] as number) * (from[place] as number);
        }
        out[at] = sum / all;
      }
    }
    return out;
  };
  return along(along(pixels, 1, [reach, 0]), width, [0, reach]);
}
