// Makes the demo's inbox: what a class handed in for its story map, under the names that people give their files, and a few
// saved letters. The same sources give the same bytes.
import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import MarkdownIt from "markdown-it";
import { writePdf } from "./pdf.mjs";
import { makeWord } from "./word.mjs";

const sources = join(dirname(dirname(fileURLToPath(import.meta.url))), "inbox");
const markdown = new MarkdownIt({ html: false });
const FOLDER = "story maps";
/** When the work was written, one piece after the other. */
const FIRST = Date.UTC(2026, 10, 24, 8, 12);
const APART = 97 * 60_000;

function bodyOf({ stops, says }, student, bank) {
  const title = `# A story map of the Ossel in ${stops.length === 1 ? "one stop" : `${stops.length} stops`}`;
  return `${[title, ...(says ? [`by ${student}`] : []), ...stops.map((stop) => bank[stop])].join("\n\n")}\n`;
}

async function write(path, body, student, at) {
  if (path.endsWith(".pdf"))
    await writePdf(path, { title: "Story map", author: "", handedInAt: at.toISOString() }, body);
  else if (path.endsWith(".docx")) writeFileSync(path, await makeWord(markdown.parse(body, {}), at));
  else writeFileSync(path, body);
}

const wrapped = (bytes) => bytes.toString("base64").replace(/(.{76})/g, "$1\r\n");
const addressOf = (student) => `${student.toLowerCase().replace(" ", ".")}@larkmere.example`;
/** As RFC 5322 writes a moment. */
const mailDate = (at) => new Date(at).toUTCString().replace("GMT", "+0000");

/** A letter as a mail program saves it (RFC 5322, RFC 2045). */
function letterText({ subject, student, at, text }, files) {
  const line = "larkmere-inbox";
  const part = (head, content) => [`--${line}`, ...head, "", content].join("\r\n");
  return [
    `From: ${student} <${addressOf(student)}>`,
    "To: Field Hydrology <hydrology@larkmere.example>",
    `Date: ${mailDate(at)}`,
    `Subject: ${subject}`,
    `Message-ID: <${new Date(at).getTime()}@larkmere.example>`,
    "MIME-Version: 1.0",
    `Content-Type: multipart/mixed; boundary="${line}"`,
    "",
    part(["Content-Type: text/plain; charset=utf-8"], text),
    ...files.map(({ name, bytes }) =>
      part(
        [
          `Content-Type: application/octet-stream; name="${name}"`,
          `Content-Disposition: attachment; filename="${name}"`,
          "Content-Transfer-Encoding: base64",
        ],
        wrapped(bytes),
      ),
    ),
    `--${line}--`,
    "",
  ].join("\r\n");
}

/** Points of a question paper as a laboratory sends them: a preamble, semicolons, decimal commas, a mean at the foot. */
function labSheet(folder) {
  const people = [...new Set(folder.map(({ student }) => student))].sort();
  const rows = people.map((student, index) => {
    const [given, family] = student.split(" ");
    const points = index === 6 ? "" : `${31 + ((index * 7) % 17)},${index % 2 === 0 ? "5" : "25"}`;
    return `${family};${given};${points};${index === 3 ? "second page missing" : ""}`;
  });
  return [
    "Laboratory of Hydrology;;;",
    "Question paper 1, marked 21.10.2026;;;",
    ";;;",
    "Family name;Given name;Points;Remark",
    ...rows,
    "Mean;;38,6;",
    "",
  ].join("\r\n");
}

/** Writes the inbox under numbers, and a list that says what each is called and when it was written. */
export async function makeInbox(target) {
  mkdirSync(target, { recursive: true });
  const bank = readFileSync(join(sources, "stops.md"), "utf8").trim().split(/\n\n/);
  const { folder, letters } = JSON.parse(readFileSync(join(sources, "pieces.json"), "utf8"));
  const list = [];
  const add = (path, name, at) => list.push({ path, url: `/demo/inbox/${name}`, at: new Date(at).toISOString() });
  for (const [index, piece] of folder.entries()) {
    const at = new Date(FIRST + index * APART);
    // A copy has the time of what it is a copy of, and so its bytes.
    const first = folder.findIndex(
      ({ student, stops }) => student === piece.student && `${stops}` === `${piece.stops}`,
    );
    const name = `${index}.${piece.path.split(".").at(-1)}`;
    await write(join(target, name), bodyOf(piece, piece.student, bank), piece.student, new Date(FIRST + first * APART));
    add(`${FOLDER}/${piece.path}`, name, at);
  }
  for (const [index, letter] of letters.entries()) {
    const files = [];
    for (const file of letter.files) {
      const path = join(target, `part.${file.path.split(".").at(-1)}`);
      await write(path, bodyOf(file, letter.student, bank), letter.student, new Date(letter.at));
      files.push({ name: file.path, bytes: readFileSync(path) });
      rmSync(path);
    }
    const name = `letter-${index}.eml`;
    writeFileSync(join(target, name), letterText(letter, files));
    add(`letters/${letter.name}`, name, letter.at);
  }
  writeFileSync(join(target, "lab.csv"), labSheet(folder));
  add("Question paper 1, lab.csv", "lab.csv", FIRST);
  writeFileSync(join(target, "inbox.json"), `${JSON.stringify(list, null, 1)}\n`);
}
