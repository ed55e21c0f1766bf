import { PDFDocument, rgb } from "@cantoo/pdf-lib";
import type { ProgressReport } from "#core/formats";
import type { FontFile } from "../pdf/messages";
import { longDayText } from "#core/words";
import { Flow } from "../pdf/flow";
import { Typeface } from "../pdf/typeface";

const SOFT = rgb(0.337, 0.357, 0.439);

/** A progress report as a PDF. */
export async function writeReport(
  report: ProgressReport,
  fonts: readonly FontFile[],
): Promise<Uint8Array<ArrayBuffer>> {
  const document = await PDFDocument.create();
  const flow = new Flow(document, new Typeface(document, fonts));
  const at = new Date(report.at);
  const day = longDayText(report.at, report.timeZone);
  await flow.write("Progress report", { size: 18, weight: "strong", after: 2 });
  await flow.write(`${report.name}, ${report.number}`, { size: 12.5 });
  const where = [report.course, report.institution].filter(Boolean).join(" · ");
  await flow.write(`${where} · as of ${day}`, { size: 10.5, colour: SOFT, after: 8 });
  if (report.audience === "office") {
    await flow.write("For the office: holds figures that were not released to the student.", { size: 10.5, after: 4 });
  }
  for (const { name, text } of report.totals) {
    flow.rule();
    await flow.writeEnds(name, text, { size: 12.5, weight: "strong", before: 3 });
  }
  for (const { name, work } of report.groups) {
    await flow.write(name, { size: 12.5, weight: "strong", before: 12, after: 2 });
    for (const { name: of, text } of work) await flow.writeEnds(of, text, { size: 11 });
  }
  if (report.seal !== "") {
    await flow.write(`Seal of the course's journal when this was made: ${report.seal}`, {
      size: 10.5,
      colour: SOFT,
      before: 12,
    });
  }
  document.setTitle(`Progress report, ${report.name}`);
  document.setCreationDate(at);
  document.setModificationDate(at);
  return await document.save();
}
