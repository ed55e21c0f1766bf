import { encode } from "fast-png";
import { base64, type PageContent, type PageIssue, type PageNode } from "#core/formats";
import { tiffPages } from "./tiff-pages";

/** Most bytes of all pages together once they are packed for the screen. */
const MOST_PACKED = 80_000_000;

/** A TIFF as its pages, one under another: browsers do not know the format by themselves. */
export function openTiff(bytes: Uint8Array<ArrayBuffer>): PageContent | PageIssue {
  const nodes: PageNode[] = [];
  let size = 0;
  try {
    for (const { width, height, data } of tiffPages(bytes)) {
      const picture = encode({ width, height, data, channels: 4 });
      size += picture.length;
      if (size > MOST_PACKED) return "too_large";
      const alt = `Page ${String(nodes.length + 1)}`;
      nodes.push({ tag: "img", attributes: { src: `data:image/png;base64,${base64(picture)}`, alt } });
    }
  } catch {
    return "damaged";
  }
  return { nodes, css: "" };
}
