/** Width and height of a picture in pixels. */
export interface PictureSize {
  readonly width: number;
  readonly height: number;
}

/** Most pixels of a picture that is shown: above, unpacking it would fill the memory. */
export const MOST_PIXELS = 120_000_000;

const view = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
const PNG = [137, 80, 78, 71, 13, 10, 26, 10];
const starts = (bytes: Uint8Array, with_: readonly number[], at = 0): boolean =>
  with_.every((byte, index) => bytes[at + index] === byte);
const letters = (text: string): number[] => Array.from(text, (letter) => letter.charCodeAt(0));

/**
 * The size that a picture's own head tells, before anything of it is unpacked: PNG (W3C PNG, IHDR), JPEG (ITU-T T.81,
 * frame header), GIF (89a, screen descriptor), WebP (RFC 9649, VP8X). Null for others, and where the head does not read.
 */
export function pictureSize(bytes: Uint8Array): PictureSize | null {
  const data = view(bytes);
  if (starts(bytes, PNG) && bytes.length >= 24) return { width: data.getUint32(16), height: data.getUint32(20) };
  if (starts(bytes, letters("GIF8")) && bytes.length >= 10) {
    return { width: data.getUint16(6, true), height: data.getUint16(8, true) };
  }
  if (starts(bytes, letters("RIFF")) && starts(bytes, letters("WEBPVP8X"), 8) && bytes.length >= 30) {
    const three = (at: number) => data.getUint16(at, true) + 65_536 * data.getUint8(at + 2) + 1;
    return { width: three(24), height: three(27) };
  }
  for (const { marker, start, end } of segmentsOf(bytes)) {
    // Frame headers are C0 to CF, but for the tables C4, C8 and CC.
    const isFrame = marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
    if (isFrame && end - start >= 9) return { width: data.getUint16(start + 7), height: data.getUint16(start + 5) };
  }
  return null;
}

interface Segment {
  readonly marker: number;
  /** Where its marker begins, and the first byte after it. */
  readonly start: number;
  readonly end: number;
}

const START_OF_SCAN = 0xda;

/** The segments of a JPEG up to its picture data; none where it is no JPEG. */
function segmentsOf(bytes: Uint8Array): Segment[] {
  const segments: Segment[] = [];
  if (!starts(bytes, [0xff, 0xd8])) return segments;
  const data = view(bytes);
  for (let at = 2; at + 4 <= bytes.length && bytes[at] === 0xff;) {
    const marker = bytes[at + 1] ?? 0;
    const end = at + 2 + data.getUint16(at + 2);
    segments.push({ marker, start: at, end });
    if (marker === START_OF_SCAN || end > bytes.length) break;
    at = end;
  }
  return segments;
}

const EXIF = letters("Exif\0\0");
/** JFIF, colour profile and Adobe's colour transform say how the picture looks; every other application segment goes. */
const LOOKS = new Set([0xe0, 0xe2, 0xee]);
const COMMENT = 0xfe;
/** Chunks of a PNG that tell of anything but how it looks (W3C PNG third edition, ancillary chunks). */
const TOLD = new Set(["tEXt", "zTXt", "iTXt", "eXIf", "tIME"]);

/**
 * A JPEG or PNG without where, when, with what and by whom it was made; which way up it is stays. Other bytes come back
 * as they are.
 */
export function withoutMetadata(bytes: Uint8Array): Uint8Array {
  if (starts(bytes, PNG)) return pngWithout(bytes);
  const segments = segmentsOf(bytes);
  const last = segments.at(-1);
  if (last?.marker !== START_OF_SCAN) return bytes;
  const isApplication = (marker: number) => marker >= 0xe0 && marker <= 0xef;
  const kept = segments.filter(({ marker }) => (isApplication(marker) ? LOOKS.has(marker) : marker !== COMMENT));
  const turn = orientationOf(bytes, segments);
  return joined([
    bytes.subarray(0, 2),
    ...(turn > 1 ? [orientationSegment(turn)] : []),
    ...kept.map(({ start, end }) => bytes.subarray(start, end)),
    bytes.subarray(last.end),
  ]);
}

/** The orientation that the Exif segment tells, 1 to 8 (JEITA CP-3451, tag 0x0112); 1 where it tells none. */
function orientationOf(bytes: Uint8Array, segments: readonly Segment[]): number {
  const exif = segments.find(({ marker, start }) => marker === 0xe1 && starts(bytes, EXIF, start + 4));
  if (!exif) return 1;
  const tiff = view(bytes.subarray(exif.start + 10, exif.end));
  try {
    const little = tiff.getUint16(0) === 0x4949;
    const directory = tiff.getUint32(4, little);
    for (let index = 0; index < tiff.getUint16(directory, little); index += 1) {
      const entry = directory + 2 + 12 * index;
      const value = tiff.getUint16(entry + 8, little);
      if (tiff.getUint16(entry, little) === 0x0112) return value >= 1 && value <= 8 ? value : 1;
    }
  } catch {
    return 1;
  }
  return 1;
}

/** An Exif segment that tells the orientation and nothing else. */
const orientationSegment = (turn: number): Uint8Array =>
  new Uint8Array([
    ...[0xff, 0xe1, 0, 34, ...EXIF],
    ...[0x4d, 0x4d, 0, 42, 0, 0, 0, 8],
    ...[0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, turn, 0, 0, 0, 0, 0, 0],
  ]);

function pngWithout(bytes: Uint8Array): Uint8Array {
  const data = view(bytes);
  const kept = [bytes.subarray(0, PNG.length)];
  for (let at = PNG.length; at + 12 <= bytes.length;) {
    const end = at + 12 + data.getUint32(at);
    const kind = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    if (end > bytes.length) return bytes;
    if (!TOLD.has(kind)) kept.push(bytes.subarray(at, end));
    at = end;
  }
  return joined(kept);
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}
