/** Bytes of one value of each type (TIFF 6.0, section 2); IFD is the type 13 of the supplement. */
const SIZES: Readonly<Record<number, number>> = {
  1: 1,
  2: 1,
  3: 2,
  4: 4,
  5: 8,
  6: 1,
  7: 1,
  8: 2,
  9: 4,
  10: 8,
  11: 4,
  12: 8,
  13: 4,
};
/** Tags whose values are places of further directories: sub-pictures, Exif, positions, private ones. */
const FURTHER: ReadonlySet<number> = new Set([330, 34_665, 34_853, 50_740, 61_440]);
const ENTRY = 12;
/** Most directories of a file: a page each, with some beside it. */
const MOST_DIRECTORIES = 5_000;

/**
 * Whether every directory of a TIFF, and every list of values it says it has, lies within the file. A reader believes the
 * counts it finds: one that is damaged would have it read for ever.
 */
export function isWithinFile(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 8) return false;
  const little = bytes[0] === 0x49;
  const seen = new Set<number>();
  const places = [view.getUint32(4, little)];
  for (let place = places.pop(); place !== undefined; place = places.pop()) {
    // A directory that leads back to one before would be read again and again.
    if (seen.has(place) || seen.size >= MOST_DIRECTORIES || place + 2 > bytes.length) return false;
    seen.add(place);
    const count = view.getUint16(place, little);
    const end = place + 2 + count * ENTRY;
    if (end > bytes.length) return false;
    for (let at = place + 2; at < end; at += ENTRY) {
      const further = valuesWithin(view, at, little);
      if (!further) return false;
      places.push(...further);
    }
    const next = end + 4 <= bytes.length ? view.getUint32(end, little) : 0;
    if (next !== 0) places.push(next);
  }
  return true;
}

/** The places of further directories that an entry names; null where its values do not lie within the file. */
function valuesWithin(view: DataView, at: number, little: boolean): readonly number[] | null {
  const [tag, type, count] = [
    view.getUint16(at, little),
    view.getUint16(at + 2, little),
    view.getUint32(at + 4, little),
  ];
  const size = SIZES[type];
  if (size === undefined) return [];
  const isBeside = count * size > 4;
  const from = isBeside ? view.getUint32(at + 8, little) : at + 8;
  if (from + count * size > view.byteLength) return null;
  if (!FURTHER.has(tag) || size !== 4) return [];
  return Array.from({ length: count }, (_, place) => view.getUint32(from + 4 * place, little));
}
