import PDFDocument from "pdfkit";

/** A PDF made for a test: pages with a line of words each, locked when a password is given. */
export function makePdf({ pages, password }: { readonly pages: number; readonly password?: string }): Promise<Buffer> {
  const document = new PDFDocument({ size: "A4", ...(password ? { userPassword: password } : {}) });
  const chunks: Buffer[] = [];
  document.on("data", (chunk: Buffer) => chunks.push(chunk));
  for (let page = 1; page <= pages; page += 1) {
    if (page > 1) document.addPage();
    document.fontSize(14).text(`This is page ${String(page)} of a long report about the river.`);
  }
  document.end();
  return new Promise((resolve) => {
    document.on("end", () => {
      resolve(Buffer.concat(chunks));
    });
  });
}
