import { findPassage, workKindOf, type Note, type WorkFile } from "#core/model";
import { withoutMetadata } from "#core/formats";
import type { MarkPlace, PaperSource, TextBlock } from "../../workers/protocol";
import { withPageLayer } from "../ui/work/pages/pdf-layer";
import { closePdf, openPdf } from "../ui/work/pages/pdf-document";
import type { TextMap } from "../ui/work/text/text-map";
import type { ShownNote } from "../ui/work/types";
import { workText } from "../ui/work/text/work-text";

/** A work ready to be written into a PDF, with the places of its notes. */
export interface PreparedPaper {
  readonly source: PaperSource;
  readonly placeOf: (note: ShownNote) => MarkPlace;
}

type Bytes = Uint8Array<ArrayBuffer>;

/** Reads a work for a PDF. What cannot be shown on pages, as sound, comes as a work without any. */
export async function preparePaper(
  file: WorkFile | null,
  blob: Blob | null,
  notes: readonly ShownNote[],
): Promise<PreparedPaper> {
  const kind = file && workKindOf(file);
  if (!file || !blob) return { source: { kind: "none" }, placeOf: () => ({ kind: "lost" }) };
  if (kind === "pdf") return preparePdf(blob, notes);
  if (kind === "image") {
    const picture = await pictureOf(file, blob);
    return { source: picture ?? { kind: "none" }, placeOf: ({ target }) => freePlace(target) };
  }
  const map = await workText(file, blob);
  if (!map) return { source: { kind: "none" }, placeOf: () => ({ kind: "lost" }) };
  return {
    source: { kind: "text", blocks: blocksOf(map) },
    placeOf: ({ target }) => {
      if (target.kind !== "passage") return freePlace(target);
      const found = findPassage(map.text, target);
      return found ? { kind: "range", ...found } : { kind: "lost" };
    },
  };
}

const freePlace = (target: Note["target"]): MarkPlace => (target.kind === "passage" ? { kind: "lost" } : target);

async function preparePdf(blob: Blob, notes: readonly ShownNote[]): Promise<PreparedPaper> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  const opened = await openPdf(blob);
  const places = new Map<string, MarkPlace>();
  if ("document" in opened) {
    const pages = new Set(notes.flatMap(({ target }) => (target.kind === "passage" ? [target.page] : [])));
    for (const page of pages) {
      if (page > opened.document.numPages) continue;
      await withPageLayer(opened.document, page, ({ map, quadsOf }) => {
        for (const { id, target } of notes) {
          if (target.kind !== "passage" || target.page !== page) continue;
          const found = findPassage(map.text, target);
          const quads = found ? quadsOf(found.start, found.end) : [];
          if (quads.length > 0) places.set(id, { kind: "quads", page, quads });
        }
      });
    }
    await closePdf(opened.document);
  }
  return {
    source: "document" in opened ? { kind: "pdf", bytes } : { kind: "none" },
    placeOf: ({ id, target }) => places.get(id) ?? freePlace(target),
  };
}

/** The paragraphs of a text as it is counted. */
export function blocksOf(map: TextMap): TextBlock[] {
  const letters = [...map.text];
  const starts = map.starts[0]?.at === 0 ? map.starts : [{ at: 0, heading: false }, ...map.starts];
  return starts.map(({ at, heading }, index) => {
    const next = starts[index + 1]?.at;
    // The space before the next paragraph belongs to neither.
    return { text: letters.slice(at, next === undefined ? undefined : next - 1).join(""), heading };
  });
}

/** A picture as a PDF can hold it; drawings and newer formats are drawn anew. Null where it cannot be read. */
async function pictureOf(file: WorkFile, blob: Blob): Promise<PaperSource | null> {
  const { mediaType } = file;
  if (mediaType === "image/png" || mediaType === "image/jpeg") {
    const bytes = withoutMetadata(new Uint8Array(await blob.arrayBuffer())) as Bytes;
    return { kind: "picture", mediaType, bytes };
  }
  const address = URL.createObjectURL(blob);
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    const canvas = document.createElement("canvas");
    canvas.width = Math.max(DRAWN_WIDTH, image.naturalWidth);
    canvas.height = Math.round((canvas.width * (image.naturalHeight || 1)) / (image.naturalWidth || 1));
    canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
    const drawn = await new Promise<Blob | null>((resolve) => {
      canvas.toBlob(resolve, "image/png");
    });
    const bytes: Bytes | null = drawn && new Uint8Array(await drawn.arrayBuffer());
    return bytes && { kind: "picture", mediaType: "image/png", bytes };
  } catch {
    return null;
  } finally {
    URL.revokeObjectURL(address);
  }
}

/** Width at which a drawing without pixels of its own is drawn. */
const DRAWN_WIDTH = 1600;
