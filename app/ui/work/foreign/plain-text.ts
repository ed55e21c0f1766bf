import { MOST_CHARACTERS, type PageContent } from "#core/formats";

/** Plain text as it is shown, or that it is too large to be. */
export type ReadText = PageContent | "too_large";

const kept = new WeakMap<Blob, Promise<ReadText>>();

async function read(blob: Blob): Promise<ReadText> {
  // A letter takes at least a byte.
  if (blob.size > 4 * MOST_CHARACTERS) return "too_large";
  const text = await blob.text();
  return text.length > MOST_CHARACTERS ? "too_large" : { nodes: [text], css: "" };
}

/** Handed-in plain text, read once for its bytes. */
export function keptText(blob: Blob): Promise<ReadText> {
  const known = kept.get(blob) ?? read(blob);
  kept.set(blob, known);
  return known;
}
