import { z } from "zod/mini";
import { instantField } from "#core/model";

/** The list that the document maker leaves beside the demo's inbox: what each file is called, where it lies, its time. */
export const demoInboxSchema = z.array(z.object({ path: z.string(), url: z.string(), at: instantField }));
