import { prepareZXingModule, readBarcodes, type ReaderOptions } from "zxing-wasm/reader";
import { readPaperCode, type Turn } from "#core/collect";
import { asImageData, halved, smoothed, type Gray } from "./gray";

/** A code of ours on a page. */
export interface FoundCode {
  readonly text: string;
  readonly turn: Turn;
}

const OPTIONS: ReaderOptions = {
  formats: ["QRCode"],
  tryHarder: true,
  tryRotate: true,
  tryInvert: false,
  tryDownscale: true,
  // A student's work may hold codes of its own.
  maxNumberOfSymbols: 8,
};

/** Where the reader's program lies. The package would fetch it from outside, of whatever version is there by then. */
export function prepareReader(program: { readonly url: string } | { readonly bytes: ArrayBuffer }): void {
  prepareZXingModule({
    overrides: "url" in program ? { locateFile: () => program.url } : { wasmBinary: program.bytes },
  });
}

/** Means over five by five pixels, for pages that are read only without their noise. */
const REACH = 2;

/**
 * Looks for a code of ours on a page of about 150 dots an inch: on the halved page, which takes a tenth of the time and
 * reads all but very bad ones, then on the smoothed one. Null where there is none; other people's codes are passed over.
 */
export async function findCode(page: Gray): Promise<FoundCode | null> {
  return (await read(halved(page))) ?? (await read(smoothed(page, REACH)));
}

async function read(page: Gray): Promise<FoundCode | null> {
  for (const { text, rotation } of await readBarcodes(asImageData(page), OPTIONS)) {
    if (readPaperCode(text)) return { text, turn: ((((4 - Math.round(rotation / 90)) % 4) + 4) % 4) as Turn };
  }
  return null;
}
