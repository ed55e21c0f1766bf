import type { DecimalMark } from "#core/model";

/**
 * Figures as a course writes them: `17.5` is `17,5` where it says comma. For figures, and for words of our own around
 * them; never for words that a person wrote, in which `1.2` may be a name.
 */
export const withMark = (text: string, mark: DecimalMark): string =>
  mark === "point" ? text : text.replace(/(?<=\d)\.(?=\d)/g, ",");
