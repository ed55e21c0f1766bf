import { inMark } from "./figures";

/** `12 kB`, `3.4 MB`, `10.7 GB`: how large something is, in steps of 1,000 (SI). */
export function sizeWords(bytes: number): string {
  const kilobytes = bytes / 1_000;
  if (kilobytes < 1_000) return `${String(Math.ceil(kilobytes))} kB`;
  const megabytes = kilobytes / 1_000;
  return megabytes < 1_000 ? `${inMark(megabytes.toFixed(1))} MB` : `${inMark((megabytes / 1_000).toFixed(1))} GB`;
}
