import { PDFDocument } from "@cantoo/pdf-lib";
import { encode } from "fast-png";
import { tiffPages } from "../../pages/tiff-pages";

/** Longest side of a page in points: A4. Pictures of any size become pages that a desk shows alike. */
const LONGEST = 842;
/** How well a picture that a camera turned is packed again, from 0 to 1. */
const QUALITY = 0.92;
/** Side of the small copy by which a picture is seen to be turned. */
const SMALL = 64;

/**
 * Pictures of pages as one PDF, in their order. JPEG and PNG go in as they are; what a PDF cannot hold, or what a
 * camera says is turned, is packed anew. @throws what the browser throws for what is no picture
 */
export async function pileOfImages(pictures: readonly Blob[]): Promise<Blob> {
  const pile = await PDFDocument.create({ updateMetadata: false });
  for (const picture of pictures) {
    for await (const { packed, width, height } of pagesOf(picture)) {
      const bytes = await packed.arrayBuffer();
      const image = packed.type === "image/png" ? await pile.embedPng(bytes) : await pile.embedJpg(bytes);
      const scale = LONGEST / Math.max(width, height);
      const page = pile.addPage([width * scale, height * scale]);
      page.drawImage(image, { x: 0, y: 0, width: width * scale, height: height * scale });
    }
  }
  return new Blob([await pile.save()], { type: "application/pdf" });
}

interface PackedPage {
  readonly packed: Blob;
  readonly width: number;
  readonly height: number;
}

/** A picture as a page; of a TIFF, which no PDF can hold, each of its pages without loss. */
async function* pagesOf(picture: Blob): AsyncGenerator<PackedPage> {
  if (picture.type !== "image/tiff") {
    yield await packedFor(picture);
    return;
  }
  for (const { width, height, data } of tiffPages(new Uint8Array(await picture.arrayBuffer())))
    yield {
      packed: new Blob([encode({ width, height, data, channels: 4 }) as BlobPart], { type: "image/png" }),
      width,
      height,
    };
}

async function packedFor(picture: Blob): Promise<PackedPage> {
  const upright = await createImageBitmap(picture);
  const lying = await createImageBitmap(picture, { imageOrientation: "none" });
  try {
    const { width, height } = upright;
    const isAsItLies = picture.type === "image/png" || (picture.type === "image/jpeg" && isSame(upright, lying));
    if (isAsItLies) return { packed: picture, width, height };
    const packed = await drawn(upright, width, height).convertToBlob({ type: "image/jpeg", quality: QUALITY });
    return { packed, width, height };
  } finally {
    upright.close();
    lying.close();
  }
}

function drawn(picture: ImageBitmap, width: number, height: number): OffscreenCanvas {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext("2d");
  if (!context) throw new Error("no drawing in this worker");
  context.fillStyle = "white";
  context.fillRect(0, 0, width, height);
  context.drawImage(picture, 0, 0, width, height);
  return canvas;
}

function isSame(one: ImageBitmap, other: ImageBitmap): boolean {
  const [a, b] = [one, other].map(
    (picture) => drawn(picture, SMALL, SMALL).getContext("2d")?.getImageData(0, 0, SMALL, SMALL).data,
  );
  return a !== undefined && b !== undefined && a.every((value, at) => value === b[at]);
}
