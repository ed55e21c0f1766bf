import { PDFDocument, rgb, type PDFPage } from "@cantoo/pdf-lib";
import { create } from "qrcode";
import { codeInClear, type Cover } from "#core/collect";
import { LABEL_SHEETS, PAPERS } from "./label-sheets";
import type { CoverWish, FontFile } from "./messages";
import { Typeface } from "./typeface";
import { INK, MM, SOFT, write } from "./write-line";

const WHITE = rgb(1, 1, 1);

/** Side of the pattern on a cover, on a label, on a printed task, in millimetres. */
const SIDE = { cover: 46, label: 25, task: 24 } as const;
/** White around a pattern, in modules (ISO/IEC 18004 asks for four). */
const QUIET = 4;

/**
 * Covers as a PDF to be printed: one to a sheet, as labels, or on the first page of a printed task, a copy of which each
 * student gets. Codes are drawn as lines, sharp at any size. @throws what the PDF library throws for a task that is no PDF
 */
export async function writeCovers(
  covers: readonly Cover[],
  wish: CoverWish,
  fonts: readonly FontFile[],
): Promise<Uint8Array<ArrayBuffer>> {
  const document = await PDFDocument.create();
  const type = new Typeface(document, fonts);
  if (wish.kind === "sheets") for (const cover of covers) await writeSheet(document, type, cover, wish.paper);
  else if (wish.kind === "labels") await writeLabels(document, type, covers, wish.sheet);
  else await writeTasks(document, type, covers, wish.task);
  document.setTitle(covers[0]?.assignment ?? "");
  return await document.save();
}

async function writeSheet(document: PDFDocument, type: Typeface, cover: Cover, paper: keyof typeof PAPERS) {
  const [width, height] = [PAPERS[paper][0] * MM, PAPERS[paper][1] * MM];
  const writing = { page: document.addPage([width, height]), type };
  const left = 22 * MM;
  const most = width - 2 * left;
  const top = height - 30 * MM;
  drawCode(writing.page, cover.code, { x: width - left - SIDE.cover * MM, y: top - SIDE.cover * MM, side: SIDE.cover });
  const beside = most - (SIDE.cover + 8) * MM;
  await write(writing, { text: cover.course, x: left, y: top - 12, size: 12, soft: true, most: beside });
  await write(writing, { text: cover.assignment, x: left, y: top - 34, size: 18, weight: "strong", most: beside });
  const clear = codeInClear(cover.code);
  await write(writing, { text: clear, x: left, y: top - SIDE.cover * MM + 4, size: 11, soft: true, most: beside });
  const middle = height - 125 * MM;
  if (cover.name === "") {
    for (const [place, word] of ["Name", "Number"].entries()) {
      const y = middle - place * 24 * MM;
      await write(writing, { text: word, x: left, y: y + 4, size: 13, soft: true, most });
      writing.page.drawLine({
        start: { x: left + 24 * MM, y },
        end: { x: left + most, y },
        color: SOFT,
        thickness: 0.8,
      });
    }
  } else {
    await write(writing, { text: cover.name, x: left, y: middle, size: 44, weight: "strong", most });
    const detail = [cover.number, cover.section].filter(Boolean).join("  ·  ");
    await write(writing, { text: detail, x: left, y: middle - 34, size: 22, most });
  }
  const foot = "Lay this sheet on top of the paper. The pile is scanned in any order.";
  await write(writing, { text: foot, x: left, y: 20 * MM, size: 11, soft: true, most });
}

async function writeLabels(
  document: PDFDocument,
  type: Typeface,
  covers: readonly Cover[],
  name: keyof typeof LABEL_SHEETS,
) {
  const sheet = LABEL_SHEETS[name];
  const [, height] = PAPERS[sheet.paper];
  const onSheet = sheet.columns * sheet.rows;
  const side = Math.min(SIDE.label, sheet.height - 5);
  let page: PDFPage | null = null;
  for (const [index, cover] of covers.entries()) {
    if (!page || index % onSheet === 0) page = document.addPage([PAPERS[sheet.paper][0] * MM, height * MM]);
    const column = index % sheet.columns;
    const row = Math.floor((index % onSheet) / sheet.columns);
    const x = (sheet.left + column * sheet.across + 3) * MM;
    const bottom = (height - sheet.top - (row + 1) * sheet.height) * MM;
    drawCode(page, cover.code, { x, y: bottom + ((sheet.height - side) / 2) * MM, side });
    const left = x + (side + 3) * MM;
    const most = (sheet.width - side - 8) * MM;
    const middle = bottom + (sheet.height / 2) * MM;
    const lines = [
      { text: cover.name || "Name:", size: 12, weight: "strong" as const },
      { text: cover.number || "Number:", size: 10.5 },
      { text: cover.assignment, size: 8.5, soft: true },
      { text: codeInClear(cover.code), size: 6.5, soft: true },
    ];
    for (const [place, line] of lines.entries())
      await write({ page, type }, { ...line, x: left, y: middle + 18 - place * 13, most });
  }
}

async function writeTasks(document: PDFDocument, type: Typeface, covers: readonly Cover[], task: ArrayBuffer) {
  const source = await PDFDocument.load(task, { updateMetadata: false });
  for (const cover of covers) {
    const pages = await document.copyPages(source, source.getPageIndices());
    for (const [index, page] of pages.entries()) {
      document.addPage(page);
      if (index > 0) continue;
      const { x, y, width, height } = page.getCropBox();
      const side = SIDE.task * MM;
      const at = { x: x + width - side - 12 * MM, y: y + height - side - 10 * MM };
      page.drawRectangle({ ...at, width: side, height: side + 4, color: WHITE });
      drawCode(page, cover.code, { ...at, side: SIDE.task });
      const text = [cover.name, cover.number].filter(Boolean).join("  ·  ") || "Name and number:";
      const most = width - side - 30 * MM;
      await write({ page, type }, { text, x: x + 14 * MM, y: y + height - 14 * MM, size: 12, weight: "strong", most });
    }
  }
}

/** Draws a pattern with its quiet zone inside a square of `side` millimetres. */
function drawCode(page: PDFPage, code: string, { x, y, side }: { x: number; y: number; side: number }): void {
  const { modules } = create(code, { errorCorrectionLevel: "H" });
  const module = (side * MM) / (modules.size + 2 * QUIET);
  for (let row = 0; row < modules.size; row += 1) {
    let from = -1;
    for (let column = 0; column <= modules.size; column += 1) {
      const isDark = column < modules.size && modules.get(row, column) === 1;
      if (isDark && from < 0) from = column;
      if (isDark || from < 0) continue;
      // Runs of dark modules are one bar: seams between them would show in print.
      page.drawRectangle({
        x: x + (QUIET + from) * module,
        y: y + (QUIET + modules.size - 1 - row) * module,
        width: (column - from) * module,
        height: module * 1.01,
        color: INK,
      });
      from = -1;
    }
  }
}
