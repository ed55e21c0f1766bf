import { z } from "zod";
import { countField, idField, nameField } from "./fields";

/** A file that goes with a task or was handed in; its size in bytes. */
export const fileSchema = z.object({
  id: idField("file"),
  name: nameField,
  mediaType: z.enum(["application/pdf", "text/markdown", "text/plain"]),
  /** Bytes. */
  size: countField,
});
/** A file that goes with a task or was handed in. */
export type WorkFile = z.infer<typeof fileSchema>;
