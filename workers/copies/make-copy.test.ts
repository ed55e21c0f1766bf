import { execFileSync, spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { PDFDocument, StandardFonts } from "@cantoo/pdf-lib";
import { strFromU8, unzipSync } from "fflate";
import { afterAll, describe, expect, it } from "vitest";
import { progressReport, studentCopyOf } from "#core/formats";
import type { FontFile } from "../pdf/messages";
import { required, type Instant } from "#core/kernel";
import type { CourseState } from "#core/model";
import { assignmentId, criterionId, fileId, run, smallCourse, studentId } from "#core/testing";
import { formattedHtml } from "../../app/ui/letter/formatted";
import { feedbackSheet } from "../../app/exports/feedback-sheet";
import type { CopyLock, CopyMaterial } from "../protocol";
import { makeCopy, packFiles } from "./make-copy";
import { writeReport } from "./report-pdf";

const require = createRequire(import.meta.url);
const fontOf = (weight: 400 | 600) =>
  new Uint8Array(
    readFileSync(require.resolve(`@fontsource/literata/files/literata-latin-${String(weight)}-normal.woff`)),
  );
const FONTS: FontFile[] = [
  { address: "text", weight: "text", bytes: fontOf(400) },
  { address: "strong", weight: "strong", bytes: fontOf(600) },
];
const folder = mkdtempSync(join(tmpdir(), "copies-"));
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});
const AT = "2026-11-23T13:02:00Z" as Instant;
const essay = assignmentId("essay");
const ada = { assignmentId: essay, studentId: studentId("ada") };

/** Judged, commented, noted, and with private words; nothing released yet. */
const judged = run(
  smallCourse(),
  ...["record", "reasoning", "writing"].map((name) => ({
    type: "judge" as const,
    ...ada,
    criterionId: criterionId(name),
    verdict: { kind: "level" as const, digit: 1 },
  })),
  { type: "setComment", ...ada, facing: "student", text: "A **careful** page." },
  { type: "setComment", ...ada, facing: "private", text: "SECRET" },
  {
    type: "addNote",
    ...ada,
    fileId: fileId("ada"),
    mark: "pin",
    target: { kind: "point", page: 1, x: 0.5, y: 0.25 },
    criterionId: null,
    body: "Which gauge?",
  },
);
const released = run(
  judged,
  { type: "release", assignmentId: essay, facets: ["score", "rubric", "comments"] },
  { type: "sealTotal", id: "course", state: "released", at: null, shows: "percent" },
);

async function workPdf(): Promise<Uint8Array<ArrayBuffer>> {
  const document = await PDFDocument.create();
  const font = await document.embedFont(StandardFonts.Helvetica);
  document.addPage([595, 842]).drawText("The river rises.", { x: 72, y: 700, size: 12, font });
  return await document.save();
}

async function material(state: CourseState, lock: CopyLock | null = null): Promise<CopyMaterial> {
  const content = required(studentCopyOf(state, ada.studentId, AT) ?? undefined, "copy");
  const notes = content.letters.flatMap(({ comments }) => comments?.notes ?? []);
  return {
    content,
    formatted: new Map(
      content.letters.map(({ comments }) => [comments?.overall ?? "", formattedHtml(comments?.overall ?? "")]),
    ),
    sheets: content.letters.map((letter) =>
      feedbackSheet({ title: letter.assignment.name, course: content.course, name: content.name, ...letter }),
    ),
    papers:
      notes.length === 0
        ? []
        : [
            {
              fileId: fileId("ada"),
              name: "ada.pdf",
              source: { kind: "pdf", bytes: await workPdf() },
              marks: notes.flatMap((note) =>
                note.target.kind === "point"
                  ? [
                      {
                        id: note.id,
                        mark: note.mark,
                        place: note.target,
                        words: note.body,
                        subject: "Pinned note",
                        colour: "#0072b2",
                        own: "{}",
                      },
                    ]
                  : [],
              ),
              author: content.course,
            },
          ],
    files: [],
    lock,
  };
}

const pdfText = (bytes: Uint8Array): string => {
  const file = join(folder, "copy.pdf");
  writeFileSync(file, bytes);
  return execFileSync("/usr/bin/pdftotext", ["-layout", file, "-"], { encoding: "utf8" });
};

describe("the files of one student", () => {
  it("are a page and a PDF, named by the student's number", async () => {
    const [page, pdf] = await makeCopy(await material(released), FONTS);
    expect([page?.name, pdf?.name]).toEqual(["N1.html", "N1.pdf"]);
    const text = strFromU8(page?.bytes ?? new Uint8Array());
    expect(text).toContain("<strong>careful</strong>");
    expect(text).toContain('download="ada-marked.pdf"');
    expect(text).not.toContain("SECRET");
  });

  it("hold in the PDF, read by poppler, where they stand, the letter, and the marked work", async () => {
    const [, pdf] = await makeCopy(await material(released), FONTS);
    const text = pdfText(required(pdf, "pdf").bytes);
    for (const words of [
      "Where you stand",
      "36.0 %",
      "Essay",
      "36 / 100",
      "8 / 20",
      "A careful page.",
      "The river rises.",
    ]) {
      expect(text).toContain(words);
    }
    expect(text).not.toContain("SECRET");
    const info = execFileSync("/usr/bin/pdfinfo", [join(folder, "copy.pdf")], { encoding: "utf8" });
    expect(info).toMatch(/Pages:\s+3/);
    expect(info).toContain("Small course, for Ada Ames");
  });

  it("hold nothing that is sealed", async () => {
    const sealed = run(judged, { type: "release", assignmentId: essay, facets: ["score"] });
    const [page, pdf] = await makeCopy(await material(sealed), FONTS);
    for (const text of [strFromU8(page?.bytes ?? new Uint8Array()), pdfText(required(pdf, "pdf").bytes)]) {
      expect(text).toContain("36 / 100");
      expect(text).not.toMatch(/careful|8 \/ 20|Which gauge|SECRET/);
    }
    const nothing = await makeCopy(await material(judged), FONTS);
    expect(pdfText(required(nothing[1], "pdf").bytes)).toContain("Nothing has been released to you yet.");
  });

  it("locked as an archive open with its passphrase in another program, with no other, and name nobody", async () => {
    const lock = { kind: "archive", passphrase: "kvt4-9mqa ä" } as const;
    const [archive, ...others] = await makeCopy(await material(released, lock), FONTS);
    expect([archive?.name, others]).toEqual(["N1.zip", []]);
    const file = join(folder, "N1.zip");
    writeFileSync(file, required(archive, "archive").bytes);
    const sevenZip = (...args: string[]) =>
      spawnSync("/usr/bin/7z", [...args, file], { encoding: "utf8", env: { ...process.env, LC_ALL: "C.UTF-8" } });
    const open = (passphrase: string) => sevenZip("x", "-so", `-p${passphrase}`, "-i!copy.html");
    expect(open("kvt4-9mqa ä").stdout).toContain("For Ada Ames, N1");
    expect(open("wrong").status).not.toBe(0);
    expect(open("wrong").stdout).not.toContain("Ada");
    // Short words stand in locked bytes by chance, so what is readable from outside is listed by the other program.
    const [, members = ""] = sevenZip("l", "-slt").stdout.split("----------\n");
    expect(members.match(/(?<=Path = ).*/g)).toEqual(["copy.html", "copy.pdf"]);
    expect(members.match(/(?<=Method = ).*/g)).toEqual([
      expect.stringContaining("AES-256"),
      expect.stringContaining("AES-256"),
    ]);
    expect(members).not.toMatch(/Ada|Ames|N1/);
    expect(Buffer.from(required(archive, "archive").bytes).includes("Ada Ames")).toBe(false);
  });

  it("locked as an age file open with the age command and the passphrase, and with no other", async () => {
    const lock = { kind: "age", passphrase: "kvt4-9mqa" } as const;
    const [file] = await makeCopy(await material(released, lock), FONTS);
    expect(file?.name).toBe("N1.zip.age");
    const place = join(folder, "N1.zip.age");
    const bytes = required(file, "age file").bytes;
    writeFileSync(place, bytes);
    // The format's header says the work factor: age-encryption.org/v1, section "scrypt recipient stanza".
    expect(strFromU8(bytes.subarray(0, 80))).toMatch(/^age-encryption\.org\/v1\n-> scrypt \S+ 18\n/);
    const open = (passphrase: string) =>
      spawnSync("/usr/bin/python3", [join(import.meta.dirname, "open-age.py"), place, passphrase], {
        maxBuffer: 1e8,
      });
    const inside = unzipSync(open("kvt4-9mqa").stdout);
    expect(Object.keys(inside)).toEqual(["copy.html", "copy.pdf"]);
    expect(strFromU8(required(inside["copy.html"], "page"))).toContain("For Ada Ames, N1");
    const wrong = open("kvt4-9mqb");
    expect([wrong.status === 0, wrong.stdout.length]).toEqual([false, 0]);
  });

  it("are packed together, none over another", () => {
    const file = (name: string, byte: number) => ({ name, mediaType: "text/html", bytes: new Uint8Array([byte]) });
    const unpacked = unzipSync(packFiles([file("a.html", 1), file("a.html", 2), file("b.pdf", 3), file("a.html", 4)]));
    expect(Object.entries(unpacked).map(([name, [byte]]) => [name, byte])).toEqual([
      ["a.html", 1],
      ["a-2.html", 2],
      ["b.pdf", 3],
      ["a-3.html", 4],
    ]);
  });
});

it("a progress report, read by poppler, tells its date, its figures and for whom it is", async () => {
  const report = required(
    progressReport(judged, judged, { studentId: ada.studentId, at: AT, audience: "office", seal: "12345 00007" }) ??
      undefined,
    "report",
  );
  const text = pdfText(await writeReport(report, FONTS));
  for (const words of [
    "Progress report",
    "Ada Ames, N1",
    "as of 23 November 2026",
    "36 / 100",
    "For the office",
    "12345 00007",
  ]) {
    expect(text).toContain(words);
  }
  const own = required(
    progressReport(judged, judged, { studentId: ada.studentId, at: AT, audience: "student", seal: "12345 00007" }) ??
      undefined,
    "report",
  );
  expect(pdfText(await writeReport(own, FONTS))).not.toMatch(/36|For the office|00007/);
});
