import DOMPurify from "dompurify";
import { renderAsync } from "docx-preview";
import { safeStyles, withOwnPictures } from "./safe-html";

/** A Word file as safe HTML with its styles; `damaged` where it cannot be read. */
export type OpenedWord = { readonly html: string; readonly css: string } | "damaged";

/** Draws a Word file. Macros, embedded pages and anything remote are left out. */
export async function openWord(blob: Blob): Promise<OpenedWord> {
  // Drawn into elements that are not part of the page: nothing of the file is alive before it has been made safe.
  const inert = document.implementation.createHTMLDocument("");
  const host = inert.createElement("div");
  const styles = inert.createElement("div");
  try {
    await renderAsync(blob, host, styles, {
      className: "word",
      inWrapper: false,
      ignoreWidth: true,
      ignoreHeight: true,
      ignoreFonts: true,
      renderAltChunks: false,
      useBase64URL: true,
    });
  } catch {
    return "damaged";
  }
  const safe = DOMPurify.sanitize(host.innerHTML, {
    FORBID_TAGS: ["style", "iframe", "object", "embed", "form", "input", "svg", "math"],
    ALLOWED_URI_REGEXP: /^(?:https?:|mailto:|#|data:image\/(?:png|jpeg|gif|webp);)/i,
  });
  const html = withOwnPictures(safe);
  const css = [...styles.querySelectorAll("style")].map((style) => style.textContent).join("\n");
  return {
    html: html.replace(/style="([^"]*)"/g, (_, style: string) => `style="${safeStyles(style)}"`),
    css: safeStyles(css),
  };
}
