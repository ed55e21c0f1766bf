import { createWriteStream, readFileSync } from "node:fs";
import { createRequire } from "node:module";
import MarkdownIt from "markdown-it";
import PDFDocument from "pdfkit";
import { plainFont } from "./plain-font.mjs";

const require = createRequire(import.meta.url);
const font = (weight, style) =>
  plainFont(readFileSync(require.resolve(`@fontsource/literata/files/literata-latin-${weight}-${style}.woff`)));
const FONTS = { text: font(400, "normal"), italic: font(400, "italic"), bold: font(600, "normal") };
const markdown = new MarkdownIt({ html: false });

/** Draws headings, paragraphs and lists; emphasis is set in italics, tables as lines of columns. */
export async function writePdf(path, { title, author, handedInAt }, body) {
  const document = new PDFDocument({
    size: "A4",
    margins: { top: 76, bottom: 76, left: 84, right: 84 },
    info: { Title: title, Author: author, CreationDate: new Date(handedInAt) },
    lang: "en",
  });
  const written = document.pipe(createWriteStream(path));
  for (const [name, bytes] of Object.entries(FONTS)) document.registerFont(name, bytes);
  const tokens = markdown.parse(body, {});
  let bullet = "";
  let number = 0;
  for (let index = 0; index < tokens.length; index += 1) {
    const token = tokens[index];
    if (token.type === "bullet_list_open") bullet = "•  ";
    if (token.type === "ordered_list_open") number = 1;
    if (token.type === "list_item_open" && number > 0) bullet = `${number++}.  `;
    if (token.type.endsWith("list_close")) {
      bullet = "";
      number = 0;
      document.moveDown(0.4);
    }
    if (token.type !== "inline") continue;
    const before = tokens[index - 1];
    if (before.type === "heading_open") {
      const size = before.tag === "h1" ? 18 : 13;
      if (before.tag !== "h1") document.moveDown(0.4);
      document.font("bold").fontSize(size).text(token.content, { lineGap: 2 }).moveDown(0.4);
      continue;
    }
    const indent = bullet ? 14 : 0;
    const left = document.page.margins.left + indent;
    const width = document.page.width - left - document.page.margins.right;
    document.fontSize(11.5);
    const runs = inlineRuns(token.children, bullet);
    runs.forEach(({ text, face }, place) => {
      const options = { width, lineGap: 4, continued: place < runs.length - 1 };
      document.font(face);
      if (place === 0) document.text(text, left, document.y, options);
      else document.text(text, options);
    });
    document.x = document.page.margins.left;
    document.moveDown(bullet ? 0.15 : 0.7);
  }
  document.end();
  await new Promise((resolve) => written.on("finish", resolve));
}

function inlineRuns(children, lead) {
  const runs = [];
  let face = "text";
  const push = (text) => {
    const last = runs.at(-1);
    if (last?.face === face) last.text += text;
    else runs.push({ text, face });
  };
  if (lead) push(lead);
  for (const child of children) {
    if (child.type === "em_open") face = "italic";
    else if (child.type === "strong_open") face = "bold";
    else if (child.type.endsWith("_close")) face = "text";
    else if (child.type === "softbreak") push(" ");
    else if (child.content) push(child.content);
  }
  return runs;
}
