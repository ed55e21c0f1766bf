import looks from "./foreign.css?inline";

let own: CSSStyleSheet | null = null;
const made = new WeakMap<object, CSSStyleSheet>();

/** The looks of works that bring none of their own, and of the box they stand in. */
export function ownSheet(): CSSStyleSheet {
  if (own) return own;
  own = new CSSStyleSheet();
  own.replaceSync(looks);
  return own;
}

/** The style rules of one document as a sheet, made once for it. Such sheets load nothing, imports among it. */
export function sheetOf(content: { readonly css: string }): CSSStyleSheet {
  const known = made.get(content);
  if (known) return known;
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(content.css);
  made.set(content, sheet);
  return sheet;
}
