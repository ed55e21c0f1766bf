// Draws a plan of the gravel bar as a student might: a picture with a channel, a bar, arrows, a scale, and hand-written
// words. What a plan lacks (scale, north, arrows) is said in its source.

import { chance } from "./chance.mjs";

const figure = (value) => value.toFixed(1);

/** The plan as an SVG of 1200 x 860. `lacks` names parts that are left out; `words` are lines written beside the bar. */
export function drawSketch({ seed, lacks, words }) {
  const next = chance(seed);
  const shake = (by) => (next() - 0.5) * by;
  const bank = (offset, count = 14) =>
    Array.from({ length: count }, (_, index) => {
      const x = 60 + (index * 1080) / (count - 1);
      return [x + shake(10), offset + 90 * Math.sin(index / 2.1 + seed) + shake(14)];
    });
  const line = (points) => `M${points.map(([x, y]) => `${figure(x)} ${figure(y)}`).join("L")}`;
  const left = bank(250);
  const right = bank(560);
  const middle = left.map(([x, y], index) => [x, (y + right[index][1]) / 2]);
  const [barX, barY] = [middle[6][0], middle[6][1] + 40];
  const bar = Array.from({ length: 22 }, (_, index) => {
    const angle = (index / 22) * 2 * Math.PI;
    return [barX + Math.cos(angle) * (190 + shake(26)), barY + Math.sin(angle) * (62 + shake(16))];
  });
  const stones = Array.from({ length: 60 }, () => {
    const [angle, far] = [next() * 2 * Math.PI, Math.sqrt(next()) * 0.9];
    return `<circle cx="${figure(barX + Math.cos(angle) * 180 * far)}" cy="${figure(barY + Math.sin(angle) * 54 * far)}" r="${figure(2 + next() * 5)}"/>`;
  });
  const arrow = ([x, y]) => `<path d="M${figure(x - 34)} ${figure(y)}h60m-14 -9l14 9l-14 9"/>`;
  const sections = [3, 7, 11].map((at, index) => {
    const [x, y] = left[at];
    return `<path d="M${figure(x)} ${figure(y - 30)}L${figure(right[at][0])} ${figure(right[at][1] + 30)}" stroke-dasharray="9 7"/><text x="${figure(x - 6)}" y="${figure(y - 42)}">${String.fromCharCode(65 + index)}</text>`;
  });
  const text = words.map(
    (row, index) =>
      `<text x="${figure(90 + shake(8))}" y="${figure(690 + index * 44 + shake(6))}" transform="rotate(${figure(shake(1.6))} 90 ${690 + index * 44})">${row.replace(/&/g, "&amp;").replace(/</g, "&lt;")}</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="860" viewBox="0 0 1200 860">
<rect width="1200" height="860" fill="#fbf9f2"/>
<g fill="none" stroke="#3c4043" stroke-width="3.2" stroke-linecap="round" stroke-linejoin="round">
<path d="${line(left)}"/><path d="${line(right)}"/>
<path d="${line(bar)}Z" fill="#e9e2cf"/><g stroke-width="1.4">${stones.join("")}</g>
${lacks.includes("arrows") ? "" : `<g stroke="#33658a">${[2, 5, 9, 12].map((at) => arrow([middle[at][0], middle[at][1] - 60])).join("")}</g>`}
<g stroke="#8a4b33">${sections.join("")}</g>
${lacks.includes("north") ? "" : '<path d="M1090 190V90m-14 26l14 -26l14 26"/>'}
${lacks.includes("scale") ? "" : '<path d="M900 780h200m-200 -12v24m100 -24v24m100 -24v24"/>'}
</g>
<g font-family="Segoe Print, Bradley Hand, Comic Neue, cursive" font-size="27" fill="#2b2d31">
${text.join("\n")}
${lacks.includes("north") ? "" : '<text x="1080" y="76">N</text>'}
${lacks.includes("scale") ? "" : '<text x="893" y="758">0</text><text x="1080" y="758">20 m</text>'}
</g>
</svg>
`;
}
