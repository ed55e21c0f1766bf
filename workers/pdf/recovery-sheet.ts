import { PDFDocument } from "@cantoo/pdf-lib";
import { PAPERS } from "./label-sheets";
import type { FontFile, RecoverySheet } from "./messages";
import { Typeface } from "./typeface";
import { MM, write } from "./write-line";

/** A sheet with the code that opens a course without its passphrase, to be printed and put away. */
export async function writeRecoverySheet(
  { label, code, madeOn }: RecoverySheet,
  fonts: readonly FontFile[],
): Promise<Uint8Array<ArrayBuffer>> {
  const document = await PDFDocument.create();
  const type = new Typeface(document, fonts);
  const [width, height] = [PAPERS.a4[0] * MM, PAPERS.a4[1] * MM];
  const writing = { page: document.addPage([width, height]), type };
  const left = 25 * MM;
  const most = width - 2 * left;
  const groups = code.split("-");
  const lines = [
    { text: "Recovery sheet", size: 26, weight: "strong" as const, room: 40 },
    { text: `${label}, made on ${madeOn}`, size: 13, soft: true, room: 40 },
    { text: groups.slice(0, 4).join("  "), size: 27, weight: "strong" as const, room: 36 },
    { text: groups.slice(4).join("  "), size: 27, weight: "strong" as const, room: 48 },
    {
      text: "This code opens the course in the browser it is kept in when its passphrase is forgotten.",
      size: 12,
      room: 18,
    },
    {
      text: "Whoever has the code and that browser can read the course. Keep it where you keep keys.",
      size: 12,
      room: 18,
    },
    {
      text: "A sheet made later takes its place. Small and large letters are the same, and so are gaps.",
      size: 12,
      room: 18,
    },
  ];
  let y = height - 40 * MM;
  for (const { room, ...line } of lines) {
    await write(writing, { ...line, x: left, y, most });
    y -= room;
  }
  document.setTitle("Recovery sheet");
  return await document.save();
}
