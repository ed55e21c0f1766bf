import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { create } from "qrcode";
import { beforeAll, expect, it } from "vitest";
import { paperCodeText } from "#core/collect";
import { runs } from "#core/testing";
import { findCode, prepareReader } from "./find-code";
import type { Gray } from "./gray";
import { chances, wornPage } from "./worn-page";

beforeAll(() => {
  const program = readFileSync(createRequire(import.meta.url).resolve("zxing-wasm/reader/zxing_reader.wasm"));
  prepareReader({ bytes: program.buffer.slice(program.byteOffset, program.byteOffset + program.byteLength) });
});

const PAGE = { width: 1_000, height: 700 };
/** Standard deviations of blur in pixels and of noise in 255ths; common practice, no source. */
const GRADES = { mild: [0.5, 6], medium: [1, 14], harsh: [1.5, 26], brutal: [2.1, 34] } as const;
/** Scans of each grade. */
const SCANS = runs(24, 4);
const LETTERS = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";

const scanOf = (place: number, grade: keyof typeof GRADES, code: string | null, seed: number) => {
  const [blur, noise] = GRADES[grade];
  const tilt = -4 + (8 * place) / (SCANS - 1);
  return wornPage(
    { ...PAGE, code, writing: true },
    { tilt, isUpsideDown: place % 2 === 1, blur, noise, quality: 40 },
    chances(seed),
  );
};

it("reads scans in four grades of wear, tilted, half of them upside down, and never takes a wrong code", async () => {
  const chance = chances(5);
  const mark = (letters: number) =>
    Array.from({ length: letters }, () => LETTERS[Math.floor(chance() * LETTERS.length)] ?? "0").join("");
  const read: Record<string, number> = {};
  let wrong = 0;
  for (const grade of Object.keys(GRADES) as (keyof typeof GRADES)[]) {
    read[grade] = 0;
    for (let place = 0; place < SCANS; place += 1) {
      const code = paperCodeText({ kind: "cover", course: mark(4), assignment: mark(4), student: mark(8) });
      const found = await findCode(scanOf(place, grade, code, place + 1));
      if (found?.text === code && found.turn === (place % 2 === 1 ? 2 : 0)) read[grade] += 1;
      else if (found) wrong += 1;
    }
  }
  console.log(`codes read of ${String(SCANS)} each: ${JSON.stringify(read)}, wrong: ${String(wrong)}`);
  expect(wrong).toBe(0);
  // Every page that a person would still call legible is read.
  expect([read["mild"], read["medium"], read["harsh"]]).toEqual([SCANS, SCANS, SCANS]);
  expect(read["brutal"]).toBeGreaterThanOrEqual(Math.floor((SCANS * 5) / 6));
}, 120_000);

it("finds no code on pages of writing, and passes over the codes of others", async () => {
  for (const place of [0, 7, 13]) expect(await findCode(scanOf(place, "medium", null, place + 1))).toBeNull();
  expect(await findCode(scanOf(3, "mild", "HTTPS://EXAMPLE.ORG/", 4))).toBeNull();
  const spoilt = paperCodeText({ kind: "cover", course: "7K3M", assignment: "9PQ2", student: "R8X4T1V6" });
  expect(await findCode(scanOf(3, "mild", `${spoilt.slice(0, -1)}?`, 4))).toBeNull();
});

/** A picture turned by a quarter clockwise. */
function quarterTurned({ width, height, pixels }: Gray): Gray {
  const out = new Uint8ClampedArray(pixels.length);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) out[x * height + (height - 1 - y)] = pixels[y * width + x] ?? 0;
  return { width: height, height: width, pixels: out };
}

it("tells how a page that lay sideways must be turned to stand upright", async () => {
  const code = paperCodeText({ kind: "page", course: "7K3M", assignment: "9PQ2", student: "R8X4T1V6" });
  let page = scanOf(12, "medium", code, 3);
  for (const turn of [0, 3, 2, 1]) {
    expect(await findCode(page)).toEqual({ text: code, turn });
    page = quarterTurned(page);
  }
});

it("packs a code so that it has 25 modules a side with a third of them to spare (ISO/IEC 18004, version 2-H)", () => {
  const text = paperCodeText({ kind: "page", course: "7K3M", assignment: "9PQ2", student: "R8X4T1V6" });
  expect(text).toHaveLength(20);
  expect(create(text, { errorCorrectionLevel: "H" }).modules.size).toBe(25);
});
