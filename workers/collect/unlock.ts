import { PDFDocument } from "@cantoo/pdf-lib";

/** A PDF without its password; null where the password is another one. @throws what the PDF library throws for a damaged one */
export async function unlockPdf(pdf: Blob, password: string): Promise<Blob | null> {
  const bytes = await pdf.arrayBuffer();
  let document: PDFDocument;
  try {
    document = await PDFDocument.load(bytes, { password, updateMetadata: false });
  } catch (error) {
    if (error instanceof Error && /password/i.test(error.message)) return null;
    throw error;
  }
  return new Blob([await document.save()], { type: "application/pdf" });
}
