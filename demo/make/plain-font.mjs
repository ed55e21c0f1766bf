import { Buffer } from "node:buffer";
import { inflateSync } from "node:zlib";

const WOFF_HEAD = 44;
const WOFF_ENTRY = 20;
const PLAIN_HEAD = 12;
const PLAIN_ENTRY = 16;
const toFour = (length) => (length + 3) & ~3;

/**
 * A WOFF 1.0 font as the plain OpenType font it was packed from (W3C, WOFF File Format 1.0, sections 4 and 5): the same
 * tables, unpacked once. Whoever writes many documents with it would otherwise unpack them anew for each.
 */
export function plainFont(woff) {
  if (woff.toString("latin1", 0, 4) !== "wOFF") throw new TypeError("not a WOFF font");
  const count = woff.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, at) => {
    const entry = WOFF_HEAD + at * WOFF_ENTRY;
    const [offset, packed, length] = [4, 8, 12].map((field) => woff.readUInt32BE(entry + field));
    const bytes = woff.subarray(offset, offset + packed);
    return {
      tag: woff.subarray(entry, entry + 4),
      sum: woff.readUInt32BE(entry + 16),
      bytes: packed < length ? inflateSync(bytes) : bytes,
    };
  });
  const size = tables.reduce((sum, { bytes }) => sum + toFour(bytes.length), PLAIN_HEAD + count * PLAIN_ENTRY);
  const plain = Buffer.alloc(size);
  woff.copy(plain, 0, 4, 8);
  plain.writeUInt16BE(count, 4);
  const power = Math.floor(Math.log2(count));
  plain.writeUInt16BE(2 ** power * PLAIN_ENTRY, 6);
  plain.writeUInt16BE(power, 8);
  plain.writeUInt16BE((count - 2 ** power) * PLAIN_ENTRY, 10);
  let place = PLAIN_HEAD + count * PLAIN_ENTRY;
  tables.forEach(({ tag, sum, bytes }, at) => {
    const entry = PLAIN_HEAD + at * PLAIN_ENTRY;
    tag.copy(plain, entry);
    plain.writeUInt32BE(sum, entry + 4);
    plain.writeUInt32BE(place, entry + 8);
    plain.writeUInt32BE(bytes.length, entry + 12);
    bytes.copy(plain, place);
    place += toFour(bytes.length);
  });
  return plain;
}
