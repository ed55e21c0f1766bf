import { keptBy } from "#core/kernel";
import { MOST_CHARACTERS, type PageContent } from "#core/formats";

/** Plain text as it is shown, or that it is too large to be. */
export type ReadText = PageContent | "too_large";

async function read(blob: Blob): Promise<ReadText> {
  // A letter takes at least a byte.
  if (blob.size > 4 * MOST_CHARACTERS) return "too_large";
  const text = await blob.text();
  return text.length > MOST_CHARACTERS ? "too_large" : { nodes: [text], css: "" };
}

/** Handed-in plain text, read once for its bytes. */
export const keptText = keptBy({ owner: (blob: Blob) => blob, make: (_, blob) => read(blob) });
