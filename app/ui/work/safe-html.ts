import DOMPurify from "dompurify";

/** Elements that handed-in text and stored pages may have; nothing that loads, runs or asks. */
const TAGS =
  "h1 h2 h3 h4 h5 h6 p em strong b i u s sub sup del ins code pre blockquote ul ol li dl dt dd table caption thead tbody tfoot tr th td hr br a div span section article header footer main figure figcaption img".split(
    " ",
  );

/**
 * Handed-in HTML without anything that runs, frames, submits or fetches: scripts, styles, forms, handlers and remote
 * pictures are left out; pictures that are part of the page stay.
 */
export function safeHtml(html: string): string {
  const safe = DOMPurify.sanitize(html, {
    ALLOWED_TAGS: TAGS,
    ALLOWED_ATTR: ["href", "start", "src", "alt", "colspan", "rowspan"],
    ALLOWED_URI_REGEXP: /^(?:https?:|mailto:|#|data:image\/(?:png|jpeg|gif|webp);)/i,
  });
  return withOwnPictures(safe);
}

/** HTML that was made safe, without pictures that would have to be fetched. */
export const withOwnPictures = (html: string): string =>
  html.replace(/<img\b[^>]*>/gi, (image) => (/\bsrc="data:image\//i.test(image) ? image : ""));

/** Style rules of a document without addresses and imports, so that none of them can fetch anything. */
export const safeStyles = (css: string): string =>
  css
    .replace(/@import[^;]*;?/gi, "")
    .replace(/(?:url|image-set|image|src)\s*\([^)]*\)/gi, "none")
    .replace(/<\/?style/gi, "");
