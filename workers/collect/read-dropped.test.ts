import { BlobReader, BlobWriter, ZipWriter } from "@zip.js/zip.js";
import { strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { createHash } from "node:crypto";
import type { Instant } from "#core/kernel";
import { lettersOf } from "./mail";
import type { DropRemark, ReadPiece } from "./messages";
import { readDropped } from "./read-dropped";

const AT = "2026-10-23T11:27:00.000Z" as Instant;
type Bytes = Uint8Array<ArrayBuffer>;

const readPdf = (blob: Blob) =>
  Promise.resolve({ beginning: `a PDF of ${String(blob.size)}`, author: "Ilse", pages: 3, trouble: null });

type Dropped = readonly [path: string, content: string | Bytes | Blob];

const read = (...dropped: Dropped[]) => readBy(() => 0, dropped);

async function readBy(clock: () => number, dropped: readonly Dropped[]) {
  const pieces: ReadPiece[] = [];
  const remarks: DropRemark[] = [];
  const sizes: number[] = [];
  let done = 0;
  await readDropped(
    dropped.map(([path, content]) => ({ path, source: "dropped", at: AT, blob: new Blob([content]) })),
    (batch) => {
      pieces.push(...batch.pieces);
      remarks.push(...batch.remarks);
      sizes.push(batch.pieces.length);
      done = batch.done;
      return Promise.resolve();
    },
    readPdf,
    clock,
  );
  return { pieces, remarks, sizes, done, told: remarks.map(({ path, code }) => `${path}: ${code}`) };
}

const zip = (files: Record<string, string | Bytes>): Bytes =>
  zipSync(
    Object.fromEntries(
      Object.entries(files).map(([name, content]) => [name, typeof content === "string" ? strToU8(content) : content]),
    ),
  );

const word = (text: string, author: string): Bytes =>
  zip({
    "[Content_Types].xml":
      '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>',
    "word/document.xml": `<w:document><w:body>${text
      .split("\n")
      .map((line) => `<w:p><w:r><w:t>${line}</w:t></w:r></w:p>`)
      .join("")}</w:body></w:document>`,
    "docProps/core.xml": `<cp:coreProperties><dc:creator>${author}</dc:creator></cp:coreProperties>`,
  });

const letter = (parts: readonly string[]) =>
  [
    "From: Rhun Hask <rhun.hask@larkmere.example>",
    "Date: Fri, 23 Oct 2026 13:27:00 +0200",
    "Subject: Re: memo",
    "Message-ID: <1@larkmere.example>",
    "MIME-Version: 1.0",
    'Content-Type: multipart/mixed; boundary="x"',
    "",
    ...parts.flatMap((part) => ["--x", part]),
    "--x--",
    "",
  ].join("\r\n");
const SAID = "Content-Type: text/plain\r\n\r\nHere is my memo.";
const ATTACHED =
  'Content-Type: text/markdown; name="memo.md"\r\nContent-Disposition: attachment; filename="memo.md"\r\n\r\n# The flood';
const SIGNATURE =
  "Content-Type: image/png\r\nContent-Disposition: inline; filename=logo.png\r\nContent-ID: <a>\r\nContent-Transfer-Encoding: base64\r\n\r\niVBORw0KGgo=";

it("reads the results of a roster-and-results set as one spreadsheet, in place of its files", async () => {
  const set = {
    "users.csv": "sourcedId,givenName,familyName,identifier\nu1,Ada,Ames,N1\n",
    "lineItems.csv": "sourcedId,title,resultValueMax\nl1,Quiz,20\n",
    "results.csv": "sourcedId,lineItemSourcedId,studentSourcedId,scoreStatus,score\nr1,l1,u1,fully graded,17.5\n",
  };
  const { pieces } = await read(["export.zip", zip({ "manifest.csv": "propertyName,value\n", ...set })]);
  expect(pieces.map(({ path, mediaType }) => `${path} ${mediaType}`)).toEqual(["export.zip/results.csv text/csv"]);
  expect(await pieces[0]?.blob.text()).toContain("N1,Ada Ames,,17.5,");
  // Without its line items it is an archive of files like any other.
  const part = await read(["part.zip", zip({ "users.csv": set["users.csv"], "results.csv": set["results.csv"] })]);
  expect(part.pieces.map(({ path }) => path)).toEqual(["part.zip/users.csv", "part.zip/results.csv"]);
});

describe("what a file is", () => {
  it.each<[string, string | Bytes, string]>([
    ["essay.docx", "%PDF-1.7\n%\u00e2\u00e3", "application/pdf"],
    ["memo.pdf", word("a", "b"), "application/vnd.openxmlformats-officedocument.wordprocessingml.document"],
    [
      "picture.txt",
      new Uint8Array([
        0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52, 0, 0, 0, 1, 0, 0, 0, 1, 8,
        6, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0x49, 0x44, 0x41, 0x54,
      ]),
      "image/png",
    ],
    ["notes.md", "# Notes", "text/markdown"],
    ["notes.pdf", "plain words", "text/plain"],
    ["data.bin", new Uint8Array([1, 0, 2, 0]), "application/octet-stream"],
  ])("%s is told by its bytes", async (path, content, mediaType) => {
    const { pieces } = await read([path, content]);
    expect(pieces.map((piece) => piece.mediaType)).toEqual([mediaType]);
  });
});

describe("how a work begins", () => {
  it("of a Word document by its paragraphs, with its author and its words", async () => {
    const { pieces } = await read(["memo.docx", word("Ilse Tarnowe\nThe gauge stood high", "Bram Oduya")]);
    expect(pieces[0]).toMatchObject({
      beginning: "Ilse Tarnowe\nThe gauge stood high",
      author: "Bram Oduya",
      words: 6,
    });
  });

  it("of a PDF as its reader says, of a page without its tags, of a text in an older encoding by its letters", async () => {
    const { pieces } = await read(
      ["a.pdf", "%PDF-1.7\n"],
      [
        "b.html",
        "<!doctype html><html><head><title>x</title></head><body><p>Ada &amp; Ben</p><script>no</script><p>River</p></body></html>",
      ],
      ["c.txt", new Uint8Array([0x4d, 0xfc, 0x6c, 0x6c, 0x65, 0x72])],
    );
    expect(pieces.map(({ beginning }) => beginning)).toEqual(["a PDF of 9", "Ada & Ben\nRiver", "Müller"]);
    expect(pieces[0]).toMatchObject({ author: "Ilse", pages: 3 });
  });

  it("says of what is empty or damaged that it is, and takes it all the same", async () => {
    const broken = word("a", "b").slice(0, 200);
    const { pieces } = await read(["empty.pdf", ""], ["broken.docx", broken]);
    expect(pieces.map(({ trouble, mediaType }) => [trouble, mediaType])).toEqual([
      ["empty", "application/pdf"],
      ["damaged", "application/vnd.openxmlformats-officedocument.wordprocessingml.document"],
    ]);
  });

  it("gives the sum of the bytes, as another library takes it (node:crypto, SHA-256)", async () => {
    const { pieces } = await read(["a.txt", "the same"], ["b.txt", "the same"]);
    const sum = createHash("sha256").update("the same").digest("hex");
    expect(pieces.map((piece) => piece.sum)).toEqual([sum, sum]);
  });
});

describe("an archive", () => {
  it("gives its files with their folders, also of an archive in it, and nothing that programs leave behind", async () => {
    const inner = zip({ "Tarnowe, Ilse/memo.md": "ilse" });
    const { pieces, told } = await read([
      "essays.zip",
      zip({
        "Bram Oduya/memo.md": "bram",
        "more.zip": inner,
        "__MACOSX/._memo.md": "x",
        ".DS_Store": "x",
        "empty/": "",
      }),
    ]);
    expect(pieces.map(({ path, name }) => `${path} ${name}`)).toEqual([
      "essays.zip/Bram Oduya/memo.md memo.md",
      "essays.zip/more.zip/Tarnowe, Ilse/memo.md memo.md",
    ]);
    expect(told).toEqual([]);
  });

  it("that is damaged, lies too deep, or would climb out is remarked on, and the rest goes on", async () => {
    const deep = zip({ "two.zip": zip({ "three.zip": zip({ "memo.md": "x" }) }) });
    const { pieces, told, done } = await read(
      ["broken.zip", zip({ "memo.md": "text" }).slice(0, 40)],
      ["one.zip", deep],
      ["climbs.zip", zip({ "../../memo.md": "x", "/etc/memo.md": "x", "good.md": "x" })],
      ["after.md", "still read"],
    );
    expect(told).toEqual([
      "broken.zip: archive_damaged",
      "one.zip/two.zip/three.zip: archive_in_archive",
      "climbs.zip/../../memo.md: path_climbs_out",
      "climbs.zip//etc/memo.md: path_climbs_out",
    ]);
    expect(pieces.map(({ path }) => path)).toEqual(["climbs.zip/good.md", "after.md"]);
    expect(done).toBe(4);
  });

  it("whose entries are locked, swell beyond what they say, or do not give their sum is remarked on", async () => {
    const locked = new ZipWriter(new BlobWriter(), { password: "river", useWebWorkers: false });
    await locked.add("memo.md", new BlobReader(new Blob(["secret"])));
    const swollen = zip({ "bomb.md": "a".repeat(50_000) });
    const view = new DataView(swollen.buffer);
    // The size that the list of entries and the entry itself give (APPNOTE 6.3.10, 4.3.7 and 4.3.12).
    for (let at = 0; at < swollen.length - 4; at += 1)
      if (view.getUint32(at, true) === 50_000) view.setUint32(at, 10, true);
    const wrong = zip({ "memo.md": "river river river" });
    const inWrong = new DataView(wrong.buffer);
    for (let at = 0; at < wrong.length - 4; at += 1)
      if (inWrong.getUint32(at) === 0x504b0102) inWrong.setUint32(at + 16, 7, true);
    // What was only put in can be read whatever becomes of it: its sum alone tells.
    const torn: Bytes = zipSync({ "memo.md": strToU8("river river river") }, { level: 0 });
    torn[30 + "memo.md".length] = 0;
    const { pieces, told } = await read(
      ["locked.zip", await locked.close()],
      ["swollen.zip", swollen],
      ["wrong.zip", wrong],
      ["torn.zip", torn],
    );
    expect(pieces).toEqual([]);
    expect(told).toEqual([
      "locked.zip/memo.md: archive_locked",
      "swollen.zip/bomb.md: entry_damaged",
      "wrong.zip/memo.md: entry_damaged",
      "torn.zip/memo.md: entry_damaged",
    ]);
  });

  it("that says it holds more than two gigabytes is not opened", async () => {
    const huge = zip({ "a.md": "x", "b.md": "y" });
    const view = new DataView(huge.buffer);
    for (let at = 0; at < huge.length - 4; at += 1)
      if (view.getUint32(at) === 0x504b0102) view.setUint32(at + 24, 1_500_000_000, true);
    expect((await read(["huge.zip", huge])).told).toEqual(["huge.zip: archive_too_large"]);
  });
});

describe("a letter", () => {
  it("gives its attachments with who sent it and when, and no picture of a signature", async () => {
    const { pieces } = await read(["memo.eml", letter([SAID, ATTACHED, SIGNATURE])]);
    expect(pieces).toHaveLength(1);
    expect(pieces[0]).toMatchObject({
      path: "Re: memo/memo.md",
      name: "memo.md",
      mediaType: "text/markdown",
      at: "2026-10-23T11:27:00.000Z",
      senderAddress: "rhun.hask@larkmere.example",
      senderName: "Rhun Hask",
      beginning: "# The flood",
    });
    expect(pieces[0]?.letter).toContain("memo.eml");
  });

  it("without an attachment is itself the work, and one that says nothing is remarked on", async () => {
    const { pieces, told } = await read(
      ["a.eml", letter([SAID])],
      ["b.eml", letter(["Content-Type: text/plain\r\n\r\n "])],
    );
    expect(pieces.map(({ path, beginning, trouble }) => [path, beginning, trouble])).toEqual([
      ["Re: memo/Re: memo.txt", "Here is my memo.", "letterAlone"],
    ]);
    expect(told).toEqual(["b.eml: mail_without_work"]);
  });

  it("of a mailbox is parted from the others, and a line that begins like a letter is none", async () => {
    const mailbox = ["a", "b"]
      .map(
        (name) =>
          `From x@y Fri Oct 23 13:27:00 2026\r\n${letter([ATTACHED.replaceAll("memo.md", `${name}.md`), ">From the bridge on"])}`,
      )
      .join("\r\n");
    expect(lettersOf(mailbox)[1]).toContain("\nFrom the bridge on");
    const { pieces } = await read(["inbox.mbox", mailbox]);
    expect(pieces.map(({ name }) => name)).toEqual(["a.md", "b.md"]);
    expect(new Set(pieces.map((piece) => piece.letter)).size).toBe(2);
  });
});

it("tells of the first piece at once, then of many together, or of few once half a second has passed", async () => {
  const files = Array.from({ length: 230 }, (_, index) => [`${String(index)}.md`, "text"] as const);
  const quick = await readBy(() => 0, files);
  expect(quick.sizes).toEqual([1, 100, 100, 29]);
  let now = 0;
  const slow = await readBy(() => (now += 120), files.slice(0, 10));
  expect(slow.sizes).toEqual([1, 3, 3, 3, 0]);
});
