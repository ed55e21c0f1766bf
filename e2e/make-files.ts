import { Document, ExternalHyperlink, HeadingLevel, Packer, Paragraph, TextRun } from "docx";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { deflateSync } from "node:zlib";

/** A Word file of a heading and paragraphs. */
export async function makeWord(title: string, paragraphs: readonly string[]): Promise<Buffer> {
  const document = new Document({
    sections: [
      {
        children: [
          new Paragraph({ text: title, heading: HeadingLevel.HEADING_1 }),
          ...paragraphs.map((text) => new Paragraph({ children: [new TextRun(text)] })),
          new Paragraph({
            children: [new ExternalHyperlink({ link: "javascript:alert(1)", children: [new TextRun("a link")] })],
          }),
        ],
      },
    ],
  });
  return Packer.toBuffer(document);
}

/** A Word file with a macro and a picture that would have to be fetched from elsewhere. */
export async function makeHostileWord(): Promise<Buffer> {
  const parts = unzipSync(new Uint8Array(await makeWord("Harmless", ["A paragraph that can be read."])));
  const relations = "word/_rels/document.xml.rels";
  const remote =
    '<Relationship Id="rIdRemote" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/image" Target="https://remote.example/pixel.png" TargetMode="External"/>';
  const picture =
    '<w:p><w:r><w:drawing><wp:inline xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing"><wp:extent cx="900000" cy="900000"/><a:graphic xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main"><a:graphicData uri="http://schemas.openxmlformats.org/drawingml/2006/picture"><pic:pic xmlns:pic="http://schemas.openxmlformats.org/drawingml/2006/picture"><pic:blipFill><a:blip xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships" r:link="rIdRemote"/></pic:blipFill><pic:spPr/></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing></w:r></w:p>';
  const change = (name: string, from: RegExp, to: string) => {
    parts[name] = strToU8(strFromU8(parts[name] ?? new Uint8Array()).replace(from, to));
  };
  change(relations, /<\/Relationships>/, `${remote}</Relationships>`);
  change("word/document.xml", /<w:sectPr/, `${picture}<w:sectPr`);
  parts["word/vbaProject.bin"] = strToU8("Attribute VB_Name = AutoOpen");
  return Buffer.from(zipSync(parts));
}

/** A PNG of one colour with a darker bar on its left, so that a turn can be seen. */
export function makePng(width: number, height: number): Buffer {
  const row = (y: number) => {
    const pixels = Buffer.alloc(1 + width * 3);
    for (let x = 0; x < width; x += 1) pixels.set(x < width / 5 ? [40, 60, 90] : [200, 215, 220 - (y % 3)], 1 + x * 3);
    return pixels;
  };
  const data = deflateSync(Buffer.concat(Array.from({ length: height }, (_, y) => row(y))));
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2, 0, 0, 0], 8);
  const chunk = (kind: string, body: Buffer) => {
    const named = Buffer.concat([Buffer.from(kind, "latin1"), body]);
    const size = Buffer.alloc(4);
    size.writeUInt32BE(body.length, 0);
    const sum = Buffer.alloc(4);
    sum.writeUInt32BE(crc(named), 0);
    return Buffer.concat([size, named, sum]);
  };
  const signature = Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]);
  return Buffer.concat([signature, chunk("IHDR", head), chunk("IDAT", data), chunk("IEND", Buffer.alloc(0))]);
}

/** CRC-32 as in the PNG specification (W3C Recommendation, 10 November 2003, annex D). */
function crc(bytes: Buffer): number {
  let value = 0xffffffff;
  for (const byte of bytes) {
    value ^= byte;
    for (let bit = 0; bit < 8; bit += 1) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  }
  return (value ^ 0xffffffff) >>> 0;
}

/** A second of a quiet tone, 8 kHz, 8 bit, one channel (WAVE PCM). */
export function makeWave(): Buffer {
  const samples = Buffer.alloc(8_000, 0).map(
    (_, at) => 128 + Math.round(40 * Math.sin((at * 2 * Math.PI * 440) / 8_000)),
  );
  const head = Buffer.alloc(44);
  head.write("RIFF", 0, "latin1");
  head.writeUInt32LE(36 + samples.length, 4);
  head.write("WAVEfmt ", 8, "latin1");
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(8_000, 24);
  head.writeUInt32LE(8_000, 28);
  head.writeUInt16LE(1, 32);
  head.writeUInt16LE(8, 34);
  head.write("data", 36, "latin1");
  head.writeUInt32LE(samples.length, 40);
  return Buffer.concat([head, samples]);
}

/** A PDF that would run a script when opened and links to another address. */
export const HOSTILE_PDF = Buffer.from(
  `%PDF-1.4
1 0 obj<</Type/Catalog/Pages 2 0 R/OpenAction<</S/JavaScript/JS(app.alert\\('ran'\\);)>>>>endobj
2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj
3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 300 400]/Contents 4 0 R/Resources<</Font<</F 5 0 R>>>>/Annots[<</Type/Annot/Subtype/Link/Rect[20 300 200 340]/A<</S/URI/URI(https://remote.example/)>>>>]>>endobj
4 0 obj<</Length 58>>stream
BT /F 14 Tf 20 350 Td (A page that can be read all the same) Tj ET
endstream endobj
5 0 obj<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>endobj
trailer<</Root 1 0 R>>
%%EOF
`,
  "latin1",
);
