import { z } from "zod/mini";
import { noteSchema, type Note } from "#core/model";

const ownSchema = z.pick(noteSchema, { mark: true, target: true, criterionId: true, colour: true });

/** What a note is, as it is written into a marked PDF beside its words. */
export const ownText = ({ mark, target, criterionId, colour }: z.infer<typeof ownSchema>): string =>
  JSON.stringify({ mark, target, criterionId, colour });

/** Reads it back; null where it is not as this application writes it. */
export function readOwn(text: string | null): Pick<Note, "mark" | "target" | "criterionId" | "colour"> | null {
  if (text === null) return null;
  try {
    const parsed = ownSchema.safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}
