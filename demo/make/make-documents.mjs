// Makes the handed-in documents of the demo course from the readable sources in demo/hand-ins: PDF by pdfkit, Word by
// docx, stored pages, drawings, or the Markdown as it is. The same sources give the same bytes.
import { createWriteStream, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import MarkdownIt from "markdown-it";
import PDFDocument from "pdfkit";
import { drawSketch } from "./sketch.mjs";
import { makeWord } from "./word.mjs";

const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const require = createRequire(import.meta.url);
const font = (weight, style) => require.resolve(`@fontsource/literata/files/literata-latin-${weight}-${style}.woff`);
const markdown = new MarkdownIt({ html: false });

const FORMATS = {
  pdf: { ending: ".pdf", mediaType: "application/pdf" },
  md: { ending: ".md", mediaType: "text/markdown" },
  docx: { ending: ".docx", mediaType: "application/vnd.openxmlformats-officedocument.wordprocessingml.document" },
  html: { ending: ".html", mediaType: "text/html" },
  sketch: { ending: ".svg", mediaType: "image/svg+xml" },
};

/** A page as it was stored from its address, with the looks and the script it had there. */
const storedPage = (title, body) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>${title}</title>
<style>body{font-family:sans-serif;max-width:44rem;margin:auto}h1{color:#2b5f7a}</style>
<script>document.title = "Story map";</script></head>
<body><header>Larkmere story maps</header>
${markdown.render(body)}</body></html>
`;

const sketchOf = ({ seed, lacks }, body) => ({
  seed: Number(seed),
  lacks: lacks.split(","),
  words: body.trim().split("\n"),
});

/** Reads `key: value` lines between two rules at the head of a source. */
function readSource(path) {
  const [, head, body] = /^---\n([\s\S]*?)\n---\n([\s\S]*)$/.exec(readFileSync(path, "utf8"));
  const fields = Object.fromEntries(head.split("\n").map((line) => line.split(/:\s+(.*)/s).slice(0, 2)));
  return { fields, body: `${body.trim()}\n` };
}

/** Draws headings, paragraphs and lists; emphasis is set in italics, tables as lines of columns. */
async function writePdf(path, title, author, handedInAt, body) {
  const document = new PDFDocument({
    size: "A4",
    margins: { top: 76, bottom: 76, left: 84, right: 84 },
    info: { Title: title, Author: author, CreationDate: new Date(handedInAt) },
    lang: "en",
  });
  const written = document.pipe(createWriteStream(path));
  document.registerFont("text", font(400, "normal")).registerFont("italic", font(400, "italic"));
  document.registerFont("bold", font(600, "normal"));
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

/** The words of a document in reading order, with single spaces, as its page shows them. */
function plainText(body) {
  const inline = markdown.parse(body, {}).filter((token) => token.type === "inline");
  return inline
    .map((token) => token.children.map((child) => (child.type === "softbreak" ? " " : child.content)).join(""))
    .join(" ")
    .replace(/\s+/g, " ");
}

export async function makeDocuments(target = join(root, "public", "demo")) {
  const sources = join(root, "demo", "hand-ins");
  rmSync(target, { recursive: true, force: true });
  mkdirSync(target, { recursive: true });
  const documents = [];
  for (const assignment of readdirSync(sources).sort()) {
    for (const source of readdirSync(join(sources, assignment)).sort()) {
      const { fields, body } = readSource(join(sources, assignment, source));
      const student = source.replace(/(-attempt-\d+)?\.md$/, "");
      const { ending, mediaType } = FORMATS[fields.format];
      const name = source.replace(/\.md$/, ending);
      const path = join(target, `${assignment}-${name}`);
      const title = /^#\s+(.*)$/m.exec(body)?.[1] ?? fields.assignment;
      const author = student.replace(/(^|-)\w/g, (letters) => letters.replace("-", " ").toUpperCase());
      if (fields.format === "pdf") await writePdf(path, title, author, fields.at, body);
      else if (fields.format === "docx")
        writeFileSync(path, await makeWord(markdown.parse(body, {}), new Date(fields.at)));
      else if (fields.format === "html") writeFileSync(path, storedPage(title, body));
      else if (fields.format === "sketch") writeFileSync(path, drawSketch(sketchOf(fields, body)));
      else writeFileSync(path, body);
      documents.push({
        assignment,
        student,
        at: fields.at,
        name,
        url: `/demo/${assignment}-${name}`,
        mediaType,
        size: statSync(path).size,
        text: plainText(body),
      });
    }
  }
  writeFileSync(join(target, "documents.json"), `${JSON.stringify(documents, null, 1)}\n`);
  return documents;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const documents = await makeDocuments();
  console.log(`${documents.length} demo documents made`);
}
