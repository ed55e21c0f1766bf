import { drawablePages } from "../../drawable-pages";
import { grayOf, type Gray } from "./gray";

/**
 * The pages of a PDF in grey, one after the other, as it says that they lie; each is let go before the next.
 * @throws what pdf.js throws for what it cannot read
 */
export async function* pagesOfPdf(blob: Blob): AsyncGenerator<{ readonly page: Gray; readonly all: number }> {
  for await (const { all, draw } of drawablePages(blob)) {
    const { canvas } = await draw();
    const context = canvas.getContext("2d", { willReadFrequently: true });
    if (!context) throw new Error("no drawing in this worker");
    yield { page: grayOf(context.getImageData(0, 0, canvas.width, canvas.height)), all };
  }
}
