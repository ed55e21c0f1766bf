import { z } from "zod/mini";
import { instantField } from "#core/model";

/** The list that the document maker leaves beside the demo's documents, in the order in which they stand in their file. */
export const demoDocumentsSchema = z.array(
  z.object({
    assignment: z.string(),
    student: z.string(),
    at: instantField,
    name: z.string(),
    mediaType: z.string(),
    size: z.int(),
    /** The words in reading order, single-spaced. */
    text: z.string(),
  }),
);
export type DemoDocument = z.infer<typeof demoDocumentsSchema>[number];

/** Each of the demo's documents with its piece of the file in which they stand one after the other. */
export function documentsIn(documents: readonly DemoDocument[], pack: Blob): (readonly [DemoDocument, Blob])[] {
  let from = 0;
  return documents.map((document) => {
    const piece = pack.slice(from, from + document.size, document.mediaType);
    from += document.size;
    return [document, piece];
  });
}
