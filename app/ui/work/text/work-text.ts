import { workKindOf, type WorkFile } from "#core/model";
import { isPageKind, type PageContent } from "#core/formats";
import { buildTree } from "../foreign/build-tree";
import { keptPage } from "../foreign/kept-pages";
import { keptText } from "../foreign/plain-text";
import { mapText, type TextMap } from "./text-map";

/** The words of a work that is text of its own form, counted as on its page; null for every other kind, or one that cannot be shown. */
export async function workText(file: WorkFile, blob: Blob): Promise<TextMap | null> {
  const content = await contentOf(file, blob);
  if (content === null) return null;
  const page = document.implementation.createHTMLDocument("");
  page.body.append(buildTree(content.nodes, page));
  return mapText(page.body, workKindOf(file) === "text");
}

async function contentOf(file: WorkFile, blob: Blob): Promise<PageContent | null> {
  const kind = workKindOf(file);
  if (kind !== "text" && !isPageKind(kind)) return null;
  const opened = await (kind === "text" ? keptText(blob) : keptPage(kind, blob));
  return typeof opened === "string" ? null : opened;
}
