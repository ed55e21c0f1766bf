import { PDFDocument } from "@cantoo/pdf-lib";
import { create } from "qrcode";
import { codeInClear, type Cover } from "#core/collect";

/** A page of a notebook that nobody wrote: lines of a hand, and points of a sketch in shares of the page. */
export interface MadeUpPage {
  readonly lines: readonly string[];
  readonly sketch: readonly (readonly [x: number, y: number])[];
}

/** A paper of a made-up pile, with the cover on top of it. */
export interface MadeUpPaper {
  readonly cover: Cover;
  readonly pages: readonly MadeUpPage[];
  /** It lay in the scanner upside down. */
  readonly isUpsideDown: boolean;
}

/** A4 at 120 dots an inch, as office scanners are often set. */
const WIDTH = 992;
const HEIGHT = 1_403;
const MM = 120 / 25.4;
const POINTS = [595, 842] as const;

const PAPER = "#efece2";
const RULE = "#b9c4cf";
const PENCIL = "#3a3d46";

type Drawing = OffscreenCanvasRenderingContext2D;

/**
 * Draws a scan of a pile: each page as a picture, tilted a little, lit from one side, with grain, packed as JPEG. The
 * same papers give the same pages but for the letters of the machine's own fonts.
 */
export async function madeUpScan(papers: readonly MadeUpPaper[]): Promise<Blob> {
  const scan = await PDFDocument.create({ updateMetadata: false });
  const canvas = new OffscreenCanvas(WIDTH, HEIGHT);
  const drawing = canvas.getContext("2d", { willReadFrequently: true });
  if (!drawing) throw new Error("no drawing in this worker");
  let sheet = 0;
  for (const { cover, pages, isUpsideDown } of papers) {
    for (const page of [null, ...pages]) {
      sheet += 1;
      layPaper(drawing, { tilt: Math.sin(sheet * 2.3) * 1.6, isUpsideDown });
      if (page) writePage(drawing, page, sheet);
      else drawCover(drawing, cover);
      addGrain(drawing, sheet);
      const picture = await canvas.convertToBlob({ type: "image/jpeg", quality: 0.55 });
      const image = await scan.embedJpg(await picture.arrayBuffer());
      scan.addPage([...POINTS]).drawImage(image, { x: 0, y: 0, width: POINTS[0], height: POINTS[1] });
    }
  }
  return new Blob([await scan.save()], { type: "application/pdf" });
}

function layPaper(drawing: Drawing, { tilt, isUpsideDown }: { readonly tilt: number; readonly isUpsideDown: boolean }) {
  drawing.resetTransform();
  drawing.fillStyle = "#8d8a84";
  drawing.fillRect(0, 0, WIDTH, HEIGHT);
  drawing.translate(WIDTH / 2, HEIGHT / 2);
  drawing.rotate(((isUpsideDown ? 180 : 0) + tilt) * (Math.PI / 180));
  drawing.translate(-WIDTH / 2, -HEIGHT / 2);
  drawing.fillStyle = PAPER;
  drawing.fillRect(-8, -8, WIDTH + 16, HEIGHT + 16);
}

function drawCover(drawing: Drawing, { code, name, number, section, assignment, course }: Cover): void {
  const { modules } = create(code, { errorCorrectionLevel: "H" });
  const side = 40 * MM;
  const module = side / modules.size;
  const [left, top] = [WIDTH - side - 26 * MM, 30 * MM];
  drawing.fillStyle = "#1a1a1e";
  for (let row = 0; row < modules.size; row += 1) {
    for (let column = 0; column < modules.size; column += 1)
      if (modules.get(row, column) === 1)
        drawing.fillRect(left + column * module, top + row * module, module + 0.4, module + 0.4);
  }
  const lines: readonly (readonly [text: string, size: number, y: number])[] = [
    [course, 20, 40 * MM],
    [assignment, 32, 50 * MM],
    [codeInClear(code), 17, 76 * MM],
    [name, 74, 125 * MM],
    [[number, section].filter(Boolean).join("  ·  "), 36, 140 * MM],
  ];
  for (const [text, size, y] of lines) {
    drawing.font = `${size > 30 ? "600 " : ""}${String(size)}px serif`;
    drawing.fillText(text, 22 * MM, y, WIDTH - 48 * MM);
  }
}

function writePage(drawing: Drawing, { lines, sketch }: MadeUpPage, sheet: number): void {
  const [left, top, apart] = [20 * MM, 28 * MM, 8.4 * MM];
  drawing.strokeStyle = RULE;
  drawing.lineWidth = 1;
  for (let y = top; y < HEIGHT - 18 * MM; y += apart) {
    drawing.beginPath();
    drawing.moveTo(12 * MM, y + 5);
    drawing.lineTo(WIDTH - 12 * MM, y + 5);
    drawing.stroke();
  }
  drawing.fillStyle = PENCIL;
  drawing.font = "italic 27px serif";
  for (const [index, line] of lines.entries()) {
    // No hand keeps to the line.
    const slip = Math.sin(sheet * 3.1 + index * 1.7) * 3;
    drawing.fillText(line, left + slip * 2, top + index * apart + slip, WIDTH - 2 * left);
  }
  if (sketch.length === 0) return;
  drawing.strokeStyle = PENCIL;
  drawing.lineWidth = 3;
  drawing.beginPath();
  for (const [x, y] of sketch) drawing.lineTo(x * WIDTH, y * HEIGHT);
  drawing.stroke();
}

/** Light from one side and the grain of a sensor, the same for the same sheet (a linear congruential generator). */
function addGrain(drawing: Drawing, sheet: number): void {
  const picture = drawing.getImageData(0, 0, WIDTH, HEIGHT);
  const { data } = picture;
  const light = Float64Array.from({ length: WIDTH }, (_, x) => 0.9 + (0.1 * x) / WIDTH);
  let state = (sheet * 7_919) | 0;
  for (let at = 0, x = 0; at < data.length; at += 4, x = x + 1 < WIDTH ? x + 1 : 0) {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) | 0;
    const lit = light[x] ?? 1;
    const grain = (((state >>> 16) & 0xff) + (state >>> 24) - 255) / 14;
    // One channel after the other: a list of them would be made for each pixel.
    data[at] = (data[at] ?? 0) * lit + grain;
    data[at + 1] = (data[at + 1] ?? 0) * lit + grain;
    data[at + 2] = (data[at + 2] ?? 0) * lit + grain;
  }
  drawing.putImageData(picture, 0, 0);
}
