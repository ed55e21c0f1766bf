/** Bytes turned into letters at once: a multiple of 3, so that stretches join without padding between them. */
const STRETCH = 3 * 8_192;

/** Bytes as base64 (RFC 4648, section 4). */
export function base64(bytes: Uint8Array): string {
  const parts: string[] = [];
  for (let at = 0; at < bytes.length; at += STRETCH) {
    parts.push(btoa(String.fromCharCode(...bytes.subarray(at, at + STRETCH))));
  }
  return parts.join("");
}

/** A text as base64 of its UTF-8 bytes. */
export const base64Text = (text: string): string => base64(new TextEncoder().encode(text));
