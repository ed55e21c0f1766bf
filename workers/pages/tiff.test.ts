import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { decode } from "fast-png";
import { afterAll, expect, it } from "vitest";
import { makePdf } from "../../e2e/make-pdf";
import { openTiff } from "./tiff";
import { tiffPages } from "./tiff-pages";

const folder = mkdtempSync(join(tmpdir(), "quill-tiff-"));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

/** A page as poppler writes it in TIFF, and the very same in portable pixmap (netpbm). */
async function byPoppler(compression: string) {
  writeFileSync(join(folder, "paper.pdf"), await makePdf({ pages: 1 }));
  const draw = (name: string, ...how: string[]) => {
    execFileSync("pdftoppm", ["-r", "40", "-singlefile", ...how, join(folder, "paper.pdf"), join(folder, name)]);
  };
  draw(compression, "-tiff", "-tiffcompression", compression);
  draw("plain");
  const plain = readFileSync(join(folder, "plain.ppm"));
  const head = /^P6\s+(\d+)\s+(\d+)\s+255\s/.exec(plain.subarray(0, 40).toString("latin1"));
  return {
    tiff: new Uint8Array(readFileSync(join(folder, `${compression}.tif`))),
    width: Number(head?.[1]),
    height: Number(head?.[2]),
    pixels: plain.subarray(head?.[0].length ?? 0),
  };
}

it.each(["none", "lzw", "packbits", "deflate"])(
  "shows a TIFF packed by %s as poppler draws it, pixel by pixel",
  async (how) => {
    const { tiff, width, height, pixels } = await byPoppler(how);
    const [page, ...more] = tiffPages(tiff);
    expect([page?.width, page?.height, more.length]).toEqual([width, height, 0]);
    const colours = page?.data.filter((_, at) => at % 4 !== 3);
    expect(Buffer.from(colours ?? []).equals(pixels)).toBe(true);
    const opened = openTiff(tiff);
    const [node] = typeof opened === "string" ? [] : opened.nodes;
    const source = typeof node === "object" ? (node.attributes?.["src"] ?? "") : "";
    const shown = decode(Buffer.from(source.split(",")[1] ?? "", "base64"));
    expect([shown.width, shown.height]).toEqual([width, height]);
  },
);

it("refuses what is no TIFF, and a picture that says it is endless", () => {
  expect(openTiff(new TextEncoder().encode("no picture"))).toBe("damaged");
  // Little-endian, one directory of two tags: 200,000 by 200,000 (TIFF 6.0, section 2).
  const bytes = new Uint8Array(8 + 2 + 2 * 12 + 4);
  const view = new DataView(bytes.buffer);
  bytes.set([0x49, 0x49, 42, 0]);
  view.setUint32(4, 8, true);
  view.setUint16(8, 2, true);
  for (const [place, tag] of [256, 257].entries()) {
    view.setUint16(10 + place * 12, tag, true);
    view.setUint16(12 + place * 12, 4, true);
    view.setUint32(14 + place * 12, 1, true);
    view.setUint32(18 + place * 12, 200_000, true);
  }
  expect(openTiff(bytes)).toBe("damaged");
});

/** A picture of two by two grey dots, little-endian: its directory at 8, its dots at 124 (TIFF 6.0, section 2). */
function smallTiff(change: (view: DataView) => void = () => undefined): Uint8Array<ArrayBuffer> {
  const tags = [
    [256, 3, 2],
    [257, 3, 2],
    [258, 3, 8],
    [259, 3, 1],
    [262, 3, 1],
    [273, 4, 124],
    [277, 3, 1],
    [278, 3, 2],
    [279, 4, 4],
  ] as const;
  const bytes = new Uint8Array(128);
  const view = new DataView(bytes.buffer);
  bytes.set([0x49, 0x49, 42, 0, 8, 0, 0, 0, tags.length, 0]);
  for (const [place, [tag, type, value]] of tags.entries()) {
    view.setUint16(10 + place * 12, tag, true);
    view.setUint16(12 + place * 12, type, true);
    view.setUint32(14 + place * 12, 1, true);
    view.setUint32(18 + place * 12, value, true);
  }
  bytes.set([0, 90, 180, 255], 124);
  change(view);
  return bytes;
}

it("refuses at once a file whose directory says more than the file holds, leads round in a circle, or is far too large", () => {
  const [page] = tiffPages(smallTiff());
  expect([...(page?.data ?? [])].filter((_, at) => at % 4 === 0)).toEqual([0, 90, 180, 255]);
  for (const change of [
    // Four thousand million values of one tag: reading them took minutes and gigabytes.
    (view: DataView) => {
      view.setUint32(14 + 2 * 12, 4_000_000_000, true);
    },
    (view: DataView) => {
      view.setUint32(118, 8, true);
    },
    (view: DataView) => {
      view.setUint32(4, 4_000, true);
    },
    // 10,000 by 10,000 dots out of 128 bytes.
    (view: DataView) => {
      view.setUint32(18, 10_000, true);
      view.setUint32(18 + 12, 10_000, true);
    },
  ])
    expect(openTiff(smallTiff(change))).toBe("damaged");
});
