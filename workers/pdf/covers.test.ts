import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { coversOf, readPaperCode, type Cover } from "#core/collect";
import { assignmentsOf, studentsOf } from "#core/model";
import { smallCourse } from "../../core/testing/builders";
import { makePdf } from "../../e2e/make-pdf";
import { findCode, prepareReader } from "../collect/scan/find-code";
import type { Gray } from "../collect/scan/gray";
import { writeCovers } from "./covers";
import type { CoverWish, FontFile } from "./messages";

const require = createRequire(import.meta.url);
const fonts = ([400, 600] as const).map((weight): FontFile => ({
  address: String(weight),
  weight: weight === 400 ? "text" : "strong",
  bytes: new Uint8Array(readFileSync(require.resolve(`@fontsource/literata/files/literata-latin-${String(weight)}-normal.woff`))),
})); // oxfmt-ignore

const folder = mkdtempSync(join(tmpdir(), "quill-covers-"));
beforeAll(() => {
  const program = readFileSync(require.resolve("zxing-wasm/reader/zxing_reader.wasm"));
  prepareReader({ bytes: program.buffer.slice(program.byteOffset, program.byteOffset + program.byteLength) });
});
afterAll(() => {
  rmSync(folder, { recursive: true });
});

/** The pages of a PDF at 150 dots an inch and their texts, by poppler. */
async function printed(covers: readonly Cover[], wish: CoverWish) {
  const path = join(folder, `${wish.kind}.pdf`);
  writeFileSync(path, await writeCovers(covers, wish, fonts));
  execFileSync("pdftoppm", ["-gray", "-r", "150", path, join(folder, wish.kind)]);
  const pages = readdirSync(folder)
    .filter((name) => name.startsWith(`${wish.kind}-`))
    .sort()
    .map((name) => pgm(readFileSync(join(folder, name))));
  const texts = execFileSync("pdftotext", ["-layout", path, "-"], { encoding: "utf8" }).split("\f").slice(0, -1);
  return { pages, texts };
}

/** A portable greymap (netpbm, PGM of 8 bits). */
function pgm(bytes: Buffer): Gray {
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 60).toString("latin1"));
  const [width, height] = [Number(head?.[1]), Number(head?.[2])];
  return { width, height, pixels: new Uint8ClampedArray(bytes.subarray(head?.[0].length ?? 0)) };
}

/** A part of a page: its place and size in millimetres. */
function cut({ width, pixels }: Gray, [x, y, w, h]: readonly [number, number, number, number]): Gray {
  const dots = (mm: number) => Math.round((mm / 25.4) * 150);
  const out = new Uint8ClampedArray(dots(w) * dots(h));
  for (let row = 0; row < dots(h); row += 1)
    out.set(pixels.subarray((dots(y) + row) * width + dots(x)).subarray(0, dots(w)), row * dots(w));
  return { width: dots(w), height: dots(h), pixels: out };
}

const state = smallCourse();
const assignment = assignmentsOf(state)[0];
if (!assignment) throw new Error("no assignment");
const students = studentsOf(state).slice(0, 3);
const covers = (kind: "cover" | "page", guests = 0) =>
  coversOf(state, assignment, { kind, studentIds: students.map(({ id }) => id), guests });

describe("what is printed for the pile, read back from a drawing by poppler", () => {
  it("is a sheet a student with the code, the name, the number and the assignment in clear, and blank ones", async () => {
    const own = covers("cover", 1);
    const { pages, texts } = await printed(own, { kind: "sheets", paper: "a4" });
    expect(pages).toHaveLength(4);
    for (const [index, page] of pages.entries()) {
      expect(await findCode(page)).toEqual({ text: own[index]?.code, turn: 0 });
      for (const part of ["name", "number", "assignment", "course"] as const)
        expect(texts[index]).toContain(own[index]?.[part]);
    }
    expect(texts[3]).toMatch(/Name\s+Number/);
    expect(own.map(({ code }) => readPaperCode(code)?.kind)).toEqual(Array(4).fill("cover"));
  });

  it("is labels, each with the code of the student whose name stands beside it", async () => {
    const own = covers("page");
    const { pages, texts } = await printed(own, { kind: "labels", sheet: "a4-24" });
    expect(pages).toHaveLength(1);
    const [sheet] = pages;
    for (const [index, cover] of own.entries()) {
      const label = sheet && cut(sheet, [index * 70, 0.5, 70, 37]);
      expect(label && (await findCode(label))?.text).toBe(cover.code);
      expect(texts[0]).toContain(cover.name);
    }
  });

  it("is small labels on letter paper", async () => {
    const own = covers("page");
    const { pages } = await printed(own, { kind: "labels", sheet: "letter-30" });
    const label = pages[0] && cut(pages[0], [4.8 + 69.85, 12.7, 66.7, 25.4]);
    expect(label && (await findCode(label))?.text).toBe(own[1]?.code);
  });

  it("is the printed task itself, a copy a student, with the code on its first page alone", async () => {
    const own = covers("page");
    const task = await makePdf({ pages: 2 });
    const { pages, texts } = await printed(own, { kind: "tasks", task: new Uint8Array(task).buffer });
    expect(pages).toHaveLength(6);
    expect(await Promise.all(pages.map(async (page) => (await findCode(page))?.text ?? null))).toEqual(
      own.flatMap(({ code }) => [code, null]),
    );
    expect(texts[2]).toContain(own[1]?.name);
    expect(texts[2]).toContain("page 1 of a long report");
  });
});
