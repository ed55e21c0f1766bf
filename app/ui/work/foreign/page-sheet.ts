import { keptBy } from "#core/kernel";
import looks from "./foreign.css?inline";

function sheetWith(rules: string): CSSStyleSheet {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(rules);
  return sheet;
}

/** The looks of works that bring none of their own, and of the box they stand in. */
export const ownSheet = keptBy({ make: () => sheetWith(looks) });

/** The style rules of one document as a sheet, made once for it. Such sheets load nothing, imports among it. */
export const sheetOf = keptBy({
  owner: (content: { readonly css: string }) => content,
  make: (_, { css }) => sheetWith(css),
});
