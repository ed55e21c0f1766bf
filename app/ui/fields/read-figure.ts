import { parseDecimal, type Decimal } from "#core/kernel";

/** A typed figure that is 0 or more; undefined where it is none. */
export function readFigure(text: string): Decimal | undefined {
  const read = parseDecimal(text);
  return read.ok && !read.value.startsWith("-") ? read.value : undefined;
}

/** The same, where nothing typed is a choice: null. */
export const readOptionalFigure = (text: string): Decimal | null | undefined =>
  text.trim() === "" ? null : readFigure(text);
