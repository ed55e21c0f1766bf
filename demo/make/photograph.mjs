// A photograph of a gravel bar as a telephone takes one: sky and trees, water with ripples, stones, grain, darker corners.
// Nothing in it was ever photographed; the same seed gives the same bytes.
import { Buffer } from "node:buffer";
import jpeg from "jpeg-js";
import { chance } from "./chance.mjs";

const WIDTH = 1000;
const HEIGHT = 750;
const QUALITY = 62;

const between = (from, to, share) => from + (to - from) * share;
const mix = (from, to, share) => [
  between(from[0], to[0], share),
  between(from[1], to[1], share),
  between(from[2], to[2], share),
];
const SKY = [[206, 214, 220], [232, 233, 228]]; // oxfmt-ignore
const TREES = [[47, 62, 44], [86, 99, 60]]; // oxfmt-ignore
const WATER = [[84, 104, 106], [139, 151, 145]]; // oxfmt-ignore
const GRAVEL = [[150, 140, 122], [196, 186, 166]]; // oxfmt-ignore

/** The photograph as a JPEG of 1,000 x 750. */
export function takePhotograph(seed) {
  const next = chance(seed);
  const [horizon, edge] = [190 + next() * 40, 400 + next() * 60];
  const waves = Array.from({ length: 5 }, () => [0.01 + next() * 0.05, 0.05 + next() * 0.2, next() * 6]);
  const stones = Array.from({ length: 260 }, () => {
    const far = next();
    return { x: next() * WIDTH, y: edge + 20 + far * (HEIGHT - edge), r: 4 + far * 26 * next(), tone: next() };
  });
  const data = Buffer.alloc(WIDTH * HEIGHT * 4);
  const treetop = Array.from(
    { length: WIDTH },
    (_, x) => horizon - 60 - 26 * Math.sin(x / 61 + seed) - 18 * Math.sin(x / 17),
  );
  const shore = Array.from({ length: WIDTH }, (_, x) => edge + 60 * Math.sin(x / 210 + seed) + (x - WIDTH / 2) * 0.12);
  const rippleAt = (x, y) => {
    let sum = 0;
    for (const [a, b, c] of waves) sum += Math.sin(x * a + y * b + c);
    return sum / 10 + 0.5;
  };
  for (let y = 0; y < HEIGHT; y += 1) {
    for (let x = 0; x < WIDTH; x += 1) {
      if (y < treetop[x]) paint(data, x, y, mix(...SKY, y / HEIGHT));
      else if (y < horizon)
        paint(data, x, y, mix(...TREES, y < shore[x] ? rippleAt(x, y) : 0.4 + 0.2 * rippleAt(x, y)));
      else if (y < shore[x]) paint(data, x, y, mix(...WATER, rippleAt(x, y)));
      else paint(data, x, y, mix(...GRAVEL, 0.4 + 0.2 * rippleAt(x, y)));
    }
  }
  for (const stone of stones.sort((a, b) => a.y - b.y)) lay(data, stone);
  // Grain, and corners that are darker than the middle.
  for (let at = 0, place = 0; at < data.length; at += 4, place += 1) {
    const [x, y] = [(place % WIDTH) / WIDTH - 0.5, Math.floor(place / WIDTH) / HEIGHT - 0.5];
    const shade = 1 - 0.5 * (x * x + y * y);
    const grain = (next() - 0.5) * 16;
    for (let colour = 0; colour < 3; colour += 1)
      data[at + colour] = Math.max(0, Math.min(255, data[at + colour] * shade + grain));
  }
  return jpeg.encode({ data, width: WIDTH, height: HEIGHT }, QUALITY).data;
}

function paint(data, x, y, [red, green, blue]) {
  const at = (y * WIDTH + x) * 4;
  data[at] = red;
  data[at + 1] = green;
  data[at + 2] = blue;
  data[at + 3] = 255;
}

function lay(data, { x, y, r, tone }) {
  const [dark, light] = [mix([92, 88, 80], [140, 131, 116], tone), mix([170, 164, 150], [214, 205, 188], tone)];
  for (let row = Math.max(0, Math.floor(y - r * 0.7)); row < Math.min(HEIGHT, y + r * 0.7); row += 1) {
    for (let column = Math.max(0, Math.floor(x - r)); column < Math.min(WIDTH, x + r); column += 1) {
      const [across, down] = [(column - x) / r, (row - y) / (r * 0.7)];
      if (across * across + down * down > 1) continue;
      paint(data, column, row, mix(light, dark, Math.max(0, Math.min(1, 0.5 + 0.6 * down))));
    }
  }
}
