import { inMark } from "./figures";

/** `12 kB`, `3.4 MB`: how large a file is, in steps of 1,000 (SI). */
export function sizeWords(bytes: number): string {
  const kilobytes = bytes / 1_000;
  return kilobytes < 1_000 ? `${String(Math.ceil(kilobytes))} kB` : `${inMark((kilobytes / 1_000).toFixed(1))} MB`;
}
