import UTIF, { type IFD } from "utif2";
import { MOST_PIXELS } from "#core/formats";
import { isWithinFile } from "./tiff-directories";

/** A page of a TIFF: four bytes a pixel, row after row. */
export interface TiffPage {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray<ArrayBuffer>;
}

/** Tags of TIFF 6.0 that tell how large a picture is, before it is unpacked. */
const WIDTH = "t256";
const HEIGHT = "t257";

/**
 * Most dots for each byte of the file, beside a few millions: a blank page of fax (ITU-T T.6) has one bit for a line of some
 * 2,500. A file that says it is larger is damaged, or made to fill the memory.
 */
const DOTS_A_BYTE = 20_000;
const SOME_DOTS = 4_000_000;

const numberOf = (ifd: IFD, tag: string): number => {
  const value = ifd[tag];
  return Array.isArray(value) ? Number(value[0] ?? 0) : 0;
};

/** The pictures of a TIFF, each unpacked when it is asked for, after the one before was let go. @throws for what is none */
export function* tiffPages(bytes: Uint8Array<ArrayBuffer>): Generator<TiffPage> {
  if (!isWithinFile(bytes)) throw new RangeError("a directory that is not in the file");
  const most = Math.min(MOST_PIXELS, SOME_DOTS + DOTS_A_BYTE * bytes.length);
  const buffer = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength);
  const pages = UTIF.decode(buffer).filter((ifd) => numberOf(ifd, WIDTH) > 0 && numberOf(ifd, HEIGHT) > 0);
  if (pages.length === 0) throw new RangeError("no picture in it");
  for (const page of pages) {
    if (numberOf(page, WIDTH) * numberOf(page, HEIGHT) > most) throw new RangeError("too large a picture");
    UTIF.decodeImage(buffer, page);
    const { width, height } = page;
    yield { width, height, data: new Uint8ClampedArray(UTIF.toRGBA8(page)) };
    page.data = new Uint8Array(0);
  }
}
