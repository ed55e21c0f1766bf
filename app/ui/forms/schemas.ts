import { z } from "zod/mini";
import { parseDecimal, type Decimal } from "#core/kernel";
import { issueWords } from "../words/words";

/** What fields of forms hold, with what is said where they do not. */

/** A name of somebody or something; spaces at its ends do not count. */
export const nameText = (most = 200) =>
  z.string().check(z.trim(), z.minLength(1, "It needs a name."), z.maxLength(most, `At most ${String(most)} letters.`));

function readFigureText(text: string, context: z.core.ParsePayload): Decimal {
  const read = parseDecimal(text.trim());
  if (read.ok) return read.value;
  context.issues.push({ code: "custom", message: issueWords(read.issue), input: text });
  return z.NEVER;
}

/** A plain figure, with a point or a comma. */
export const figureText = z.pipe(z.string(), z.transform(readFigureText));

/** A plain figure, or nothing. */
export const optionalFigureText = z.pipe(
  z.string(),
  z.transform((text, context) => (text.trim() === "" ? null : readFigureText(text, context))),
);
