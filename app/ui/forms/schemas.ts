import { z } from "zod";
import { parseDecimal, type Decimal } from "#core/kernel";
import { issueWords } from "../words/words";

/** What fields of forms hold, with what is said where they do not. */

/** A name of somebody or something; spaces at its ends do not count. */
export const nameText = (most = 200) =>
  z
    .string()
    .trim()
    .min(1, "It needs a name.")
    .max(most, `At most ${String(most)} letters.`);

function readFigureText(text: string, context: z.RefinementCtx): Decimal {
  const read = parseDecimal(text.trim());
  if (read.ok) return read.value;
  context.addIssue({ code: "custom", message: issueWords(read.issue) });
  return z.NEVER;
}

/** A plain figure, with a point or a comma. */
export const figureText = z.string().transform(readFigureText);

/** A plain figure, or nothing. */
export const optionalFigureText = z
  .string()
  .transform((text, context) => (text.trim() === "" ? null : readFigureText(text, context)));
