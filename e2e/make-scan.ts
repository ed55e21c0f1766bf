import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { degrees, PDFDocument } from "@cantoo/pdf-lib";

/** The pages of a PDF as JPEG pictures of 150 dots an inch, as a scanner gives them; drawn by poppler. */
export function asPictures(pdf: Uint8Array): readonly Buffer[] {
  const folder = mkdtempSync(join(tmpdir(), "quill-scan-"));
  try {
    writeFileSync(join(folder, "paper.pdf"), pdf);
    const how = ["-jpeg", "-jpegopt", "quality=50", "-gray", "-r", "150"];
    execFileSync("pdftoppm", [...how, join(folder, "paper.pdf"), join(folder, "page")]);
    return readdirSync(folder)
      .filter((name) => name.startsWith("page"))
      .sort()
      .map((name) => readFileSync(join(folder, name)));
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** A page that went through the scanner: its picture, or nothing, and whether it lay upside down. */
export interface Scanned {
  readonly picture: Buffer | null;
  readonly isUpsideDown?: boolean;
}

/** What a scanner makes of these pages: one PDF of pictures on A4, without a word of text in it. */
export async function asScan(pages: readonly Scanned[]): Promise<Buffer> {
  const scan = await PDFDocument.create();
  const [width, height] = [595, 842];
  for (const { picture, isUpsideDown = false } of pages) {
    const page = scan.addPage([width, height]);
    if (!picture) continue;
    const place = isUpsideDown ? { x: width, y: height, rotate: degrees(180) } : { x: 0, y: 0 };
    page.drawImage(await scan.embedJpg(picture), { ...place, width, height });
  }
  return Buffer.from(await scan.save());
}
