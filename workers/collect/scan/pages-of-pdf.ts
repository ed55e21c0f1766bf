import { drawablePages } from "../../drawable-pages";
import { grayOf, type Gray } from "./gray";

interface GrayPage {
  readonly page: Gray;
  readonly all: number;
}

/**
 * The pages of a PDF in grey, one after the other, as it says that they lie; each is let go before the next. While one is
 * looked at, the next is read by the helper: a scan takes as long as the slower of the two.
 * @throws what pdf.js throws for what it cannot read
 */
export async function* pagesOfPdf(blob: Blob): AsyncGenerator<GrayPage> {
  const pages = drawablePages(blob);
  const drawn = async (): Promise<GrayPage | null> => {
    const step = await pages.next();
    if (step.done) return null;
    const { canvas } = await step.value.draw();
    const context = canvas.getContext("2d", { willReadFrequently: true });
    if (!context) throw new Error("no drawing in this worker");
    return { page: grayOf(context.getImageData(0, 0, canvas.width, canvas.height)), all: step.value.all };
  };
  let coming = drawn();
  try {
    for (let page = await coming; page; page = await coming) {
      coming = drawn();
      // Whoever awaits it hears what went wrong; one who leaves off before does not.
      coming.catch(() => null);
      yield page;
    }
  } finally {
    await coming.catch(() => null);
    await pages.return(undefined);
  }
}
