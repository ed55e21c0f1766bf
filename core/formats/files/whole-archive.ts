/** Length of a ZIP's end record without its comment, and its signature (PKWARE APPNOTE 6.3.10, section 4.3.16). */
const END_LENGTH = 22;
const END_SIGNATURE = [0x50, 0x4b, 0x05, 0x06];
/** Longest comment behind the end record. */
const LONGEST_COMMENT = 65_535;
/** Bytes at the end of an archive that tell whether it is whole. */
export const LONGEST_END = END_LENGTH + LONGEST_COMMENT;

/**
 * Whether an archive, or its last bytes, ends where its end record says. One that was cut short may hold whole archives, such as Word files,
 * and the end record of one of these would pass for its own.
 */
export function isWholeArchive(bytes: Uint8Array): boolean {
  const last = bytes.length - END_LENGTH;
  for (let at = last; at >= Math.max(0, last - LONGEST_COMMENT); at -= 1) {
    if (END_SIGNATURE.every((byte, index) => bytes[at + index] === byte)) {
      return at + END_LENGTH + (bytes[at + 20] ?? 0) + 256 * (bytes[at + 21] ?? 0) === bytes.length;
    }
  }
  return false;
}
