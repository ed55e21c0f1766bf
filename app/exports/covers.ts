import type { Cover } from "#core/collect";
import { runPdfJob } from "../../workers/client";
import type { CoverWish } from "../../workers/protocol";
import { pdfFonts } from "./pdf-fonts";

/** Covers as a PDF to be printed. @throws StoppedError, and Error where the task is no PDF that can be read */
export async function coversPdf(covers: readonly Cover[], wish: CoverWish, signal: AbortSignal): Promise<Blob> {
  const fonts = await pdfFonts();
  const bytes = await runPdfJob((jobs) => jobs.writeCovers(covers, wish, fonts), signal);
  return new Blob([bytes], { type: "application/pdf" });
}
