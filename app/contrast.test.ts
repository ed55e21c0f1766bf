import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { reference } from "#core/testing";
import { categoryColour, criterionColour, PLAIN_NOTE_COLOUR, STRIKE_COLOUR } from "./ui/colours";

/** Relative luminance by WCAG 2.2. */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const channel = parseInt(hex.slice(at, at + 2), 16) / 255;
    return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(a: string, b: string): number {
  const [dark = 0, light = 0] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (light + 0.05) / (dark + 0.05);
}

/** The colour roles of a theme, read from the style sheet itself. */
function theme(selector: string): Record<string, string> {
  const css = readFileSync("app/app.css", "utf8");
  const block = new RegExp(`${selector.replace(/[[\]]/g, "\\$&")} \\{([^}]*)\\}`).exec(css)?.[1] ?? "";
  return Object.fromEntries(
    [...block.matchAll(/--([\w-]+): (#[0-9a-f]{6})/g)].map(([, name = "", hex = ""]) => [name, hex]),
  );
}

it("contrast is computed as in WCAG 2.2 (reference std.wcag22.contrast)", () => {
  const check = reference<{ pairs: [string, string][] }, { ratio: number[] }>("std.wcag22.contrast");
  check.input.pairs.forEach(([a, b], index) => {
    expect(contrast(a, b)).toBeCloseTo(check.expected.ratio[index] ?? NaN, 8);
  });
});

describe.each([
  ["daylight", ":root"],
  ["lamplight", ':root[data-light="lamp"]'],
])("by %s", (_name, selector) => {
  const colours = theme(selector);
  const colour = (name: string) => colours[name] ?? "#missing";

  it.each(["ink", "soft", "green", "wax", "ochre", "plum"])("%s is readable as text on every ground", (name) => {
    for (const ground of ["paper", "sheet", "table"]) {
      expect(contrast(colour(name), colour(ground)), `${name} on ${ground}`).toBeGreaterThanOrEqual(4.5);
    }
  });

  it.each([
    ["on-green", "green"],
    ["on-tip", "tip"],
    ["ink", "green-wash"],
    ["ink", "ochre-wash"],
    ["ink", "wax-wash"],
    ["wax", "wax-wash"],
    ["green", "green-wash"],
  ])("%s is readable on %s", (text, ground) => {
    expect(contrast(colour(text), colour(ground))).toBeGreaterThanOrEqual(4.5);
  });
});

it("category names are readable on paper by daylight", () => {
  for (let index = 0; index < 6; index += 1) {
    expect(contrast(categoryColour(index), theme(":root").paper ?? "")).toBeGreaterThanOrEqual(4.5);
  }
});

it("criterion colours are those of Okabe and Ito (2008; from memory), each another one", () => {
  const okabeIto = ["#e69f00", "#56b4e9", "#009e73", "#cc79a7", "#0072b2", "#d55e00"];
  expect(okabeIto.map((_, index) => criterionColour(index))).toEqual(okabeIto);
  expect(criterionColour(6)).toBe(criterionColour(0));
  for (const mark of [PLAIN_NOTE_COLOUR, STRIKE_COLOUR]) {
    expect(okabeIto).not.toContain(mark);
    expect(contrast(mark, "#ffffff")).toBeGreaterThanOrEqual(3);
  }
});
