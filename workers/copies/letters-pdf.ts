import { PDFDocument, rgb } from "@cantoo/pdf-lib";
import type { StudentCopyContent } from "#core/formats";
import type { FeedbackSheet, FontFile } from "../pdf/messages";
import { toldWords, withMark } from "#core/words";
import { writeSheet } from "../pdf/feedback-page";
import { Flow } from "../pdf/flow";
import { Typeface } from "../pdf/typeface";

const SOFT = rgb(0.337, 0.357, 0.439);

/** A student's copy as one PDF: where they stand, a page for each letter, then the works with their remarks. */
export async function writeLetters(
  content: StudentCopyContent,
  sheets: readonly FeedbackSheet[],
  works: readonly { readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> }[],
  fonts: readonly FontFile[],
): Promise<Uint8Array<ArrayBuffer>> {
  const document = await PDFDocument.create();
  const face = new Typeface(document, fonts);
  const at = new Date(content.madeAt);
  if (content.totals.length > 0) await writeTotals(new Flow(document, face), content);
  for (const sheet of sheets) await writeSheet(new Flow(document, face), sheet);
  for (const { bytes } of works) {
    const work = await PDFDocument.load(bytes, { updateMetadata: false });
    for (const page of await document.copyPages(work, work.getPageIndices())) document.addPage(page);
  }
  if (document.getPageCount() === 0) {
    await new Flow(document, face).write("Nothing has been released to you yet.", { size: 11.5 });
  }
  document.setTitle(`${content.course}, for ${content.name}`);
  document.setCreationDate(at);
  document.setModificationDate(at);
  return await document.save();
}

async function writeTotals(flow: Flow, { course, name, totals, decimalMark }: StudentCopyContent): Promise<void> {
  const figure = (text: string) => withMark(text, decimalMark);
  await flow.write("Where you stand", { size: 18, weight: "strong", after: 2 });
  await flow.write(`${course} · for ${name}`, { size: 10.5, colour: SOFT, after: 8 });
  for (const total of totals) {
    flow.rule();
    const text = total.shows === "percent" ? `${total.text} %` : total.text;
    await flow.writeEnds(total.name, figure(text), { size: 12.5, weight: "strong", before: 4 });
    const rests = total.restsOnSealed ? "It takes in work that is not released yet." : "It rests on what you see here.";
    await flow.write(rests, { size: 10.5, colour: SOFT });
    for (const part of total.parts) {
      const weight = part.weight === null ? "" : `, weight ${figure(part.weight)} %`;
      await flow.writeEnds(`${part.name}${weight}`, figure(toldWords(part.told) ?? "not shown"), {
        size: 11,
        before: 3,
      });
      for (const item of part.items) {
        await flow.writeEnds(item.name, figure(toldWords(item.told) ?? "not released"), {
          size: 10.5,
          colour: SOFT,
          indent: 12,
        });
      }
    }
  }
}
