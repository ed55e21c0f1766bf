import { grayOf, type Gray } from "./gray";

/** Longest side at which a picture is looked at, in dots: a page of A4 at 150 an inch. */
const LONGEST = 1_754;

/** A picture of a page in grey, the way up that its camera says. @throws what the browser throws for what is no picture */
export async function pageOfImage(blob: Blob): Promise<Gray> {
  const picture = await createImageBitmap(blob);
  try {
    const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
    const canvas = new OffscreenCanvas(
      Math.max(1, Math.round(picture.width * scale)),
      Math.max(1, Math.round(picture.height * scale)),
    );
    const context = canvas.getContext("2d", { willReadFrequently: true });
    if (!context) throw new Error("no drawing in this worker");
    context.fillStyle = "white";
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(picture, 0, 0, canvas.width, canvas.height);
    return grayOf(context.getImageData(0, 0, canvas.width, canvas.height));
  } finally {
    picture.close();
  }
}
