import { z } from "zod";
import { instantField } from "#core/model";

/** The list that the document maker leaves beside the demo's documents. */
export const demoDocumentsSchema = z.array(
  z.object({
    assignment: z.string(),
    student: z.string(),
    at: instantField,
    name: z.string(),
    url: z.string(),
    mediaType: z.string(),
    size: z.number().int(),
    /** The words in reading order, single-spaced. */
    text: z.string(),
  }),
);
export type DemoDocument = z.infer<typeof demoDocumentsSchema>[number];
