import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { PDFDict, PDFDocument, PDFName, PDFString } from "@cantoo/pdf-lib";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { expect, it } from "vitest";
import { nameless } from "./nameless";

const DOCX = "application/vnd.openxmlformats-officedocument.wordprocessingml.document";
const ODT = "application/vnd.oasis.opendocument.text";

const NAMES = ["Ilse Tarnowe", "Ilse"];
const read = (blob: Blob) =>
  blob.arrayBuffer().then((bytes) => {
    const text = execFileSync("pdftotext", [kept("read.pdf", new Uint8Array(bytes)), "-"]).toString();
    return { text, author: "", pages: 1 };
  });
/** Pages are drawn in a browser alone: e2e/packets.spec covers them there. */
const pdfText = { read, cover: () => Promise.resolve(null) };

const folder = mkdtempSync(join(tmpdir(), "nameless-"));
function kept(name: string, bytes: Uint8Array): string {
  const path = join(folder, name);
  writeFileSync(path, bytes);
  return path;
}

it("takes author, title and metadata out of a PDF, so that another program finds neither, and leaves its pages", async () => {
  const pdf = await PDFDocument.create();
  pdf.addPage([300, 200]).drawText("The river rose", { x: 20, y: 100 });
  pdf.setAuthor("Ilse Tarnowe");
  pdf.setTitle("Memo of Ilse Tarnowe");
  const remark = {
    Type: "Annot",
    Subtype: "Text",
    Rect: [0, 0, 9, 9],
    T: PDFString.of("Tarnowe"),
    Contents: PDFString.of("hm"),
  };
  pdf.getPage(0).node.addAnnot(pdf.context.register(pdf.context.obj(remark)));
  const field = pdf.getForm().createTextField("who");
  field.setText("Ilse Tarnowe");
  field.addToPage(pdf.getPage(0), { x: 20, y: 20 });
  const xmp = pdf.context.stream("<x:xmpmeta><dc:creator>Ilse Tarnowe</dc:creator></x:xmpmeta>", { Type: "Metadata" });
  pdf.catalog.set(PDFName.of("Metadata"), pdf.context.register(xmp));
  const before = await pdf.save({ useObjectStreams: false });
  expect(execFileSync("pdfinfo", [kept("before.pdf", before)]).toString()).toContain("Ilse Tarnowe");
  const { bytes, left } = await nameless({ bytes: before, mediaType: "application/pdf", names: NAMES }, pdfText);
  const path = kept("after.pdf", bytes);
  // Poppler and ExifTool read it independently.
  expect(execFileSync("pdfinfo", [path]).toString()).not.toContain("Tarnowe");
  expect(execFileSync("exiftool", [path]).toString()).not.toContain("Tarnowe");
  expect(execFileSync("pdftotext", [path, "-"]).toString()).toContain("The river rose");
  const remarks = (await PDFDocument.load(bytes)).getPage(0).node.Annots();
  expect(remarks?.size()).toBe(1);
  expect(remarks?.lookup(0, PDFDict).get(PDFName.of("T"))).toBeUndefined();
  // A name that was filled in is part of the page by now, and seen there.
  expect(left).toBe("named");
  const other = await PDFDocument.create();
  other.addPage([300, 200]).drawText("A memo by Ilse Tarnowe", { x: 20, y: 100 });
  const signed = await other.save();
  expect((await nameless({ bytes: signed, mediaType: "application/pdf", names: NAMES }, pdfText)).left).toBe("named");
});

it("takes who wrote, commented and changed out of Word and OpenDocument files, and leaves their words", async () => {
  const word = zipSync({
    "[Content_Types].xml": strToU8("<Types/>"),
    "docProps/core.xml": strToU8(
      '<?xml version="1.0"?><cp:coreProperties xmlns:cp="x" xmlns:dc="y"><dc:creator>Ilse Tarnowe</dc:creator><cp:lastModifiedBy>Ilse</cp:lastModifiedBy></cp:coreProperties>',
    ),
    "docProps/app.xml": strToU8("<Properties><Manager>Ilse Tarnowe</Manager></Properties>"),
    "word/document.xml": strToU8(
      '<w:document><w:ins w:id="1" w:author="Ilse Tarnowe"><w:t>The river, by Ilse Tarnowe</w:t></w:ins></w:document>',
    ),
    "word/comments.xml": strToU8('<w:comments><w:comment w:author="Ilse Tarnowe" w:initials="IT"/></w:comments>'),
  });
  const open = zipSync({
    mimetype: strToU8(ODT),
    "meta.xml": strToU8(
      "<office:document-meta><meta:initial-creator>Ilse Tarnowe</meta:initial-creator></office:document-meta>",
    ),
    "content.xml": strToU8(
      "<office:text><dc:creator>Ilse Tarnowe</dc:creator><text:p>The river</text:p></office:text>",
    ),
  });
  for (const [bytes, mediaType] of [
    [word, DOCX],
    [open, ODT],
  ] as const) {
    const done = await nameless({ bytes, mediaType, names: NAMES }, pdfText);
    const text = Object.values(unzipSync(done.bytes))
      .map((part) => strFromU8(part))
      .join("\n");
    expect(text).not.toMatch(/Ilse|Tarnowe|"IT"/);
    expect(text).toContain("The river");
    expect(done.left).toBe("nothing");
  }
});

it("covers names in texts and web pages, letter for letter, and keeps the bytes of a text that names nobody", async () => {
  const page = strToU8("<p>A map by Ilse Tarnowe</p>");
  const done = await nameless({ bytes: page, mediaType: "text/html", names: NAMES }, pdfText);
  expect(strFromU8(done.bytes)).toBe("<p>A map by ████ ███████</p>");
  const spelled = strToU8("<p>by Ilse <b>Tarn&#111;we</b></p>");
  const split = await nameless({ bytes: spelled, mediaType: "text/html", names: ["Ilse Tarnowe"] }, pdfText);
  expect(split.left).toBe("named");
  const plain = strToU8("Grüße");
  expect((await nameless({ bytes: plain, mediaType: "text/markdown", names: NAMES }, pdfText)).bytes).toBe(plain);
});

it("says of what it cannot look into that it may name somebody: damaged files, pictures, sound", async () => {
  const bytes = strToU8("%PDF-1.7 cut short");
  for (const mediaType of ["application/pdf", DOCX, "image/png", "audio/mpeg"]) {
    expect(await nameless({ bytes, mediaType, names: NAMES }, pdfText)).toEqual({ bytes, left: "unread" });
  }
});
