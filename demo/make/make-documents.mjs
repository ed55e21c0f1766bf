// Makes the handed-in documents of the demo course from the readable sources in demo/hand-ins: PDF by pdfkit, Word by
// docx, stored pages, drawings, or the Markdown as it is. All of them stand one after the other in one file, so that the
// demo course opens with one request for them. The same sources give the same bytes.
import { Buffer } from "node:buffer";
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import MarkdownIt from "markdown-it";
import { makeInbox } from "./inbox.mjs";
import { writePdf } from "./pdf.mjs";
import { takePhotograph } from "./photograph.mjs";
import { drawSketch } from "./sketch.mjs";
import { makeWord } from "./word.mjs";

const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
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
  const single = mkdtempSync(join(tmpdir(), "quill-documents-"));
  rmSync(target, { recursive: true, force: true });
  mkdirSync(target, { recursive: true });
  const documents = [];
  const pieces = [];
  for (const assignment of readdirSync(sources).sort()) {
    for (const source of readdirSync(join(sources, assignment)).sort()) {
      const { fields, body } = readSource(join(sources, assignment, source));
      const student = source.replace(/(-attempt-\d+)?\.md$/, "");
      const { ending, mediaType } = FORMATS[fields.format];
      const name = source.replace(/\.md$/, ending);
      const path = join(single, name);
      const title = /^#\s+(.*)$/m.exec(body)?.[1] ?? fields.assignment;
      const author = student.replace(/(^|-)\w/g, (letters) => letters.replace("-", " ").toUpperCase());
      if (fields.format === "pdf") await writePdf(path, { title, author, handedInAt: fields.at }, body);
      else if (fields.format === "docx")
        writeFileSync(path, await makeWord(markdown.parse(body, {}), new Date(fields.at)));
      else if (fields.format === "html") writeFileSync(path, storedPage(title, body));
      else if (fields.format === "sketch") writeFileSync(path, drawSketch(sketchOf(fields, body)));
      else writeFileSync(path, body);
      const add = (file, mediaType, text, bytes) => {
        documents.push({ assignment, student, at: fields.at, name: file, mediaType, size: bytes.length, text });
        pieces.push(bytes);
      };
      // A photograph of the place comes before the plan of it, in the same hand-in.
      if (fields.photograph) {
        add(`${student}-photograph.jpg`, "image/jpeg", "", takePhotograph(Number(fields.photograph)));
      }
      add(name, mediaType, plainText(body), readFileSync(path));
    }
  }
  rmSync(single, { recursive: true });
  await makeInbox(join(target, "inbox"));
  writeFileSync(join(target, "documents.pack"), Buffer.concat(pieces));
  writeFileSync(join(target, "documents.json"), `${JSON.stringify(documents, null, 1)}\n`);
  return documents;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const documents = await makeDocuments();
  console.log(`${documents.length} demo documents made`);
}
