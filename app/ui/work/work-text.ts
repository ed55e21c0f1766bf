import MarkdownIt from "markdown-it";
import { workKindOf, type WorkFile } from "#core/model";
import { safeHtml } from "./safe-html";
import { mapText, type TextMap } from "./text-map";
import { openWord } from "./word-file";

const markdown = new MarkdownIt({ html: false, linkify: false });

/** Handed-in Markdown as safe HTML. */
export const markdownHtml = (text: string): string => safeHtml(markdown.render(text));
/** Plain text as HTML. */
export const plainHtml = (text: string): string => markdown.utils.escapeHtml(text);

/** The words of a work that is text of its own form, counted as on its page; null for every other kind, or a damaged one. */
export async function workText(file: WorkFile, blob: Blob): Promise<TextMap | null> {
  const html = await htmlOf(file, blob);
  if (html === null) return null;
  const page = document.implementation.createHTMLDocument("");
  page.body.innerHTML = html;
  return mapText(page.body, workKindOf(file) === "text");
}

async function htmlOf(file: WorkFile, blob: Blob): Promise<string | null> {
  switch (workKindOf(file)) {
    case "markdown":
      return markdownHtml(await blob.text());
    case "text":
      return plainHtml(await blob.text());
    case "webPage":
      return safeHtml(await blob.text());
    case "word": {
      const opened = await openWord(blob);
      return opened === "damaged" ? null : opened.html;
    }
    default:
      return null;
  }
}
