// Damaged inputs over every reader, in Node: bytes flipped, cut, swollen, swapped, types changed. A reader may refuse or
// read; it may not hang, end the process, throw anything but an Error, or take memory without bound.
import { readFileSync } from "node:fs";
import {
  pictureSize,
  readAnswers,
  readWholeCourseFile,
  readPosts,
  readRosterTable,
  readRubricFile,
  rubricJson,
  withoutMetadata,
} from "#core/formats";
import { required, type FileId, type Instant } from "#core/kernel";
import { studentsOf, withRecords } from "#core/model";
import { makePacket, readReturned } from "#core/packets";
import { courseFileOf, entriesOf, fileId, readBytes, smallCourse } from "#core/testing";
import { demoDocumentsSchema, documentsIn } from "../demo";
import { chanceFrom } from "../scripts/chance.mjs";
import { ageLocked, ageOpened } from "../workers/age";
import { filesOfMail, lettersOf } from "../workers/collect/mail";
import { readDropped } from "../workers/collect/read-dropped";
import { planOfSet } from "../workers/collect/results-set";
import { openCode } from "../workers/pages/code";
import { openNotebook } from "../workers/pages/notebook";
import { openOpenText } from "../workers/pages/open-text";
import { openTiff } from "../workers/pages/tiff";
import { openMarkdown, openWebPage } from "../workers/pages/web-page";
import { openWord } from "../workers/pages/word";
import { readMarks } from "../workers/pdf/read-marks";
import { readSheets } from "../workers/tables/sheets-in";
import { writeSheets } from "../workers/tables/sheets-out";

type Bytes = Uint8Array<ArrayBuffer>;
type Read = (bytes: Bytes) => unknown;

/** Longest time of the processor an input may take: what else the machine does meanwhile is not counted. */
const SECONDS = 10;
const MOST_MEMORY = 1_500_000_000;
const XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
const ODS = "application/vnd.oasis.opendocument.spreadsheet";

const shipped = (name: string) => readFileSync(new URL(`../public/demo/${name}`, ROOT));
const inbox = (name: string): Bytes => new Uint8Array(shipped(`inbox/${name}`));
/** The bundle lies two folders below the root. */
const ROOT = new URL("../", import.meta.url);
const utf8 = (text: string): Bytes => new TextEncoder().encode(text);
const text = (bytes: Bytes): string => new TextDecoder().decode(bytes);
const state = smallCourse();
const students = studentsOf(state);
const AT = "2026-11-30T09:00:00Z" as Instant;
/** The class in which the packet is noted as handed over. */
const withPacket = withRecords(state, "packets", [handedOver().packet]);
const sheet = [{ name: "Scores", rows: [["Number", "Essay"], ...students.map(({ number }) => [number, 17.5])] }];
const inBytes = async (blob: Blob): Promise<Bytes> => new Uint8Array(await blob.arrayBuffer());
const handedIn = documentsIn(
  demoDocumentsSchema.parse(JSON.parse(shipped("documents.json").toString())),
  new Blob([new Uint8Array(shipped("documents.pack"))]),
);
/** What was handed in for an assignment of the demo course, by its file name. */
const demo = (assignment: string, name: string): Promise<Bytes> =>
  inBytes(required(handedIn.find(([one]) => one.assignment === assignment && one.name === name)?.[1], "document"));
const dropped =
  (name: string): Read =>
  (bytes) =>
    readDropped(
      [{ path: name, source: name, blob: new Blob([bytes]), at: AT }],
      () => Promise.resolve(),
      () => Promise.resolve({ text: "", author: "", pages: 1 } as never),
    );

/** Every reader with a whole input for it. */
const READERS: Readonly<Record<string, readonly [whole: Bytes, read: Read]>> = {
  "course file": [
    await courseFileOf(
      { entries: entriesOf(state), files: new Map<FileId, Bytes>([[fileId("ada"), utf8("%PDF-1.7\n0123456")]]) },
      AT,
    ),
    readBytes,
  ],
  packet: [await packetFile(), readPacket],
  "course file locked with age": [
    await inBytes(
      await ageLocked(
        new Blob([await courseFileOf({ entries: entriesOf(state), files: new Map() }, AT)]),
        "three mute swans",
        // What is damaged is the file: trying the passphrase for seconds each time would tell nothing of it.
        1,
      ),
    ),
    async (bytes) => {
      const opened = await ageOpened(new Blob([bytes]), "three mute swans");
      return opened && readWholeCourseFile(opened);
    },
  ],
  roster: [utf8("1001\tAda Ames\tA\n1002\tBen Bolt\tB\n"), (bytes) => readRosterTable(text(bytes))],
  "spreadsheet .xlsx": [
    await inBytes(await writeSheets(sheet, "xlsx", "point")),
    (b) => readSheets(new Blob([b]), XLSX),
  ],
  "spreadsheet .ods": [await inBytes(await writeSheets(sheet, "ods", "point")), (b) => readSheets(new Blob([b]), ODS)],
  "spreadsheet .csv": [inbox("lab.csv"), (b) => readSheets(new Blob([b]), "text/csv")],
  "rubric file": [
    utf8(rubricJson(required(Object.values(state.rubrics)[0], "rubric"))),
    (bytes) => readRubricFile(text(bytes), () => "f"),
  ],
  answers: [utf8("Number,Q1\nN1,The river\nN2,rain\n"), (bytes) => readAnswers(text(bytes), students, [])],
  posts: [
    utf8("Ada Ames, 3 Nov 2026 10:00\nThe river rose.\n\nBen Bolt, 3 Nov 2026 11:00\nIt fell.\n"),
    (bytes) => readPosts(text(bytes), students, "Europe/Berlin"),
  ],
  mail: [
    inbox("letter-0.eml"),
    async (bytes) => {
      for (const letter of lettersOf(text(bytes)))
        await filesOfMail(new Blob([letter]), { path: "letter.eml", source: "letter.eml" });
      return "read";
    },
  ],
  "roster-and-results set": [await setOfResults(), (bytes) => planOfSet(new Blob([bytes]))],
  "archive in the tray": [await archive(), dropped("work.zip")],
  "Word in the tray": [inbox("2.docx"), dropped("essay.docx")],
  "Word on the desk": [await demo("flood-memo", "bram-oduya.docx"), openWord],
  "PDF with remarks": [await demo("flood-memo", "anouk-brisk.pdf"), readMarks],
  "web page": [await demo("story-map", "hano-abeyra.html"), openWebPage],
  Markdown: [await demo("flood-memo", "mei-barrow.md"), openMarkdown],
  code: [utf8("def flow(h):\n    return 3 * h ** 1.5\n"), (bytes) => openCode(bytes, "text/x-python")],
  notebook: [utf8('{"nbformat":4,"cells":[{"cell_type":"markdown","source":["# A"]}]}'), openNotebook],
  "open text": [await openText(), openOpenText],
  TIFF: [tiff(), openTiff],
  picture: [
    await demo("site-sketch", "hano-abeyra-photograph.jpg"),
    (bytes) => [pictureSize(bytes), withoutMetadata(bytes).length],
  ],
};

/** A packet of the whole small class, as a marker sends it back. */
function packetFile(): Promise<Bytes> {
  const made = handedOver();
  const files = new Map(made.files.map(({ file }) => [file.id, utf8("%PDF-1.7\n0123456")] as const));
  return courseFileOf({ entries: made.entries, files }, AT);
}
function handedOver() {
  let count = 0;
  const fresh = () => `endure-${String((count += 1))}`;
  const assignment = required(Object.values(state.assignments)[0], "assignment");
  const wish = { purpose: "scores", blind: false, markerName: "B", studentIds: students.map(({ id }) => id) } as const;
  return makePacket(state, { assignment, ...wish }, { at: AT, fresh, seed: 1 });
}
async function readPacket(bytes: Bytes): Promise<unknown> {
  const read = await readBytes(bytes);
  return read.ok ? readReturned(withPacket, read.value.entries) : read;
}

async function zipped(parts: Readonly<Record<string, string>>): Promise<Bytes> {
  const { strToU8, zipSync } = await import("fflate");
  return zipSync(Object.fromEntries(Object.entries(parts).map(([name, body]) => [name, strToU8(body)])));
}
function setOfResults(): Promise<Bytes> {
  return zipped({
    "manifest.csv": "propertyName,value\nmanifest.version,1.0\noneroster.version,1.1\nfile.users,bulk\n",
    "users.csv": "sourcedId,givenName,familyName,role,identifier\nu1,Ada,Ames,student,N1\n",
  });
}
function archive(): Promise<Bytes> {
  return zipped({ "Ada Ames/essay.md": "# The river\nIt rose.", "Ben Bolt/essay.txt": "It fell." });
}
function openText(): Promise<Bytes> {
  return zipped({
    mimetype: "application/vnd.oasis.opendocument.text",
    "content.xml":
      '<office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"><office:body><office:text><text:p>The river.</text:p></office:text></office:body></office:document-content>',
  });
}
/** A picture of two by two grey dots: little endian, one strip, no compression (TIFF 6.0). */
function tiff(): Bytes {
  const tags = [
    [256, 3, 1, 2],
    [257, 3, 1, 2],
    [258, 3, 1, 8],
    [259, 3, 1, 1],
    [262, 3, 1, 1],
    [273, 4, 1, 124],
    [277, 3, 1, 1],
    [278, 3, 1, 2],
    [279, 4, 1, 4],
  ];
  const bytes = new Uint8Array(128);
  const view = new DataView(bytes.buffer);
  bytes.set([0x49, 0x49, 42, 0, 8, 0, 0, 0, tags.length, 0]);
  tags.forEach(([tag = 0, type = 0, count = 0, value = 0], index) => {
    const at = 10 + index * 12;
    view.setUint16(at, tag, true);
    view.setUint16(at + 2, type, true);
    view.setUint32(at + 4, count, true);
    view.setUint32(at + 8, value, true);
  });
  bytes.set([0, 90, 180, 255], 124);
  return bytes;
}

/** Ways in which a file is damaged on its way. */
function damaged(whole: Bytes, other: Bytes, chance: () => number): Bytes {
  const at = (length: number) => Math.floor(chance() * length);
  const way = at(6);
  const copy = whole.slice();
  if (way === 0) for (let flips = 1 + at(8); flips > 0; flips -= 1) copy[at(copy.length)] = at(256);
  else if (way === 1) return copy.slice(0, at(copy.length));
  else if (way === 2) {
    const [from, size] = [at(copy.length), 1 + at(4_000)];
    const piece = copy.slice(from, from + size);
    const times = 1 + at(200);
    const swollen = new Uint8Array(copy.length + piece.length * times);
    swollen.set(copy.subarray(0, from));
    for (let time = 0; time < times; time += 1) swollen.set(piece, from + time * piece.length);
    swollen.set(copy.subarray(from), from + times * piece.length);
    return swollen;
  } else if (way === 3) {
    const [one, two, size] = [at(copy.length), at(copy.length), 1 + at(200)];
    const piece = copy.slice(one, one + size);
    copy.set(copy.subarray(two, Math.min(two + piece.length, copy.length)), one);
    copy.set(piece.subarray(0, copy.length - two), two);
  } else if (way === 4) return other.slice();
  else copy.fill(0, at(copy.length), at(copy.length));
  return copy;
}

/** Whether an answer says that the input was not read: an issue by its word, or a result that is not in order. */
const isRefusal = (answer: unknown): boolean =>
  answer === null ||
  (typeof answer === "string" && answer !== "read") ||
  (typeof answer === "object" && "ok" in answer && answer.ok === false);

for (const [name, [whole, read]] of Object.entries(READERS))
  if (isRefusal(await read(whole))) throw new Error(`the whole ${name} is not read`);

const tries = Number(process.argv[2] ?? 10_000);
const chance = chanceFrom(Number(process.argv[3] ?? 7));
const names = Object.keys(READERS);
const rows = new Map(names.map((name) => [name, { tries: 0, read: 0, refused: 0, wrong: 0, slowest: 0 }]));
let memory = 0;
for (let round = 0; round < tries; round += 1) {
  const name = names[round % names.length] ?? "";
  const [whole, read] = required(READERS[name], "reader");
  const [other] = required(READERS[names[Math.floor(chance() * names.length)] ?? ""], "reader");
  const row = required(rows.get(name), "row");
  const bytes = damaged(whole, other, chance);
  const start = process.cpuUsage();
  row.tries += 1;
  try {
    const answer = await read(bytes);
    if (isRefusal(answer)) row.refused += 1;
    else row.read += 1;
  } catch (error) {
    if (error instanceof Error) row.refused += 1;
    else {
      row.wrong += 1;
      console.log(`${name}, round ${String(round)}: threw ${String(error)}`);
    }
  }
  const { user, system } = process.cpuUsage(start);
  const took = (user + system) / 1_000;
  row.slowest = Math.max(row.slowest, took);
  if (took > SECONDS * 1_000) {
    row.wrong += 1;
    console.log(`${name}, round ${String(round)}: ${(took / 1_000).toFixed(1)} s`);
  }
  memory = Math.max(memory, process.memoryUsage().rss);
}
console.log("| reader | tries | read | refused | wrong | slowest, ms |\n| --- | --- | --- | --- | --- | --- |");
for (const [name, { tries: all, read, refused, wrong, slowest }] of rows)
  console.log(`| ${[name, all, read, refused, wrong, slowest.toFixed(0)].map(String).join(" | ")} |`);
const wrong = [...rows.values()].reduce((sum, row) => sum + row.wrong, 0);
console.log(`${String(tries)} damaged inputs, ${String(wrong)} wrong; most memory ${(memory / 1e6).toFixed(0)} MB`);
process.exit(wrong > 0 || memory > MOST_MEMORY ? 1 : 0);
