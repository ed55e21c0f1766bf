/** The text of bytes that are UTF-8, or where they are none, Windows-1252 (WHATWG Encoding Standard, decode). */
export function decodedText(bytes: ArrayBuffer): string {
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}
