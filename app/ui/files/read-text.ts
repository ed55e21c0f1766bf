/** Share of zero bytes in one half of the places from which a text is taken for UTF-16 without a mark. */
const MANY_ZEROS = 0.3;

function encodingOf(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return "utf-16le";
  if (first === 0xfe && second === 0xff) return "utf-16be";
  const start = bytes.subarray(0, 2_000);
  const zeros = [0, 1].map((odd) => start.filter((byte, index) => byte === 0 && index % 2 === odd).length);
  if ((zeros[1] ?? 0) > start.length * MANY_ZEROS) return "utf-16le";
  return (zeros[0] ?? 0) > start.length * MANY_ZEROS ? "utf-16be" : "utf-8";
}

/**
 * The text of a file that a person chose, whichever of the usual encodings it has: UTF-8, UTF-16 as spreadsheets save
 * "Unicode text", or, where it is no UTF-8 at all, Windows-1252 (WHATWG Encoding Standard, decode).
 */
export async function readText(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const encoding = encodingOf(bytes);
  if (encoding !== "utf-8") return new TextDecoder(encoding).decode(bytes);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}
