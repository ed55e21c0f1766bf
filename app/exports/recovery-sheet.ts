import { runPdfJob } from "../../workers/client";
import type { RecoverySheet } from "../../workers/protocol";
import { pdfFonts } from "./pdf-fonts";

/** A recovery sheet as a PDF to be printed. @throws StoppedError */
export async function recoverySheetPdf(sheet: RecoverySheet, signal: AbortSignal): Promise<Blob> {
  const fonts = await pdfFonts();
  const bytes = await runPdfJob((jobs) => jobs.writeRecoverySheet(sheet, fonts), signal);
  return new Blob([bytes], { type: "application/pdf" });
}
