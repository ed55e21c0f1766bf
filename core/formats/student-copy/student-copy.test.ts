import { describe, expect, it } from "vitest";
import { required, type Instant } from "#core/kernel";
import type { CourseState } from "#core/model";
import { assignmentId, criterionId, fileId, run, smallCourse, studentId } from "#core/testing";
import { formattedHtml } from "../../../app/ui/letter/formatted";
import { base64, copyFileName, filesOfCopy, studentCopyHtml, studentCopyOf, type CopyFiles } from "../index";

const essay = assignmentId("essay");
const ada = { assignmentId: essay, studentId: studentId("ada") };
const AT = "2026-11-23T13:02:00Z" as Instant;
const level = (criterion: string) =>
  ({ type: "judge", ...ada, criterionId: criterionId(criterion), verdict: { kind: "level", digit: 1 } }) as const;

const state = run(
  smallCourse(),
  level("record"),
  level("reasoning"),
  level("writing"),
  { type: "setComment", ...ada, facing: "student", text: "**Strong**, but <script>alert(1)</script> & so on" },
  { type: "setCriterionComment", ...ada, criterionId: criterionId("record"), comment: 'Name "it" <b>here</b>' },
  {
    type: "addNote",
    ...ada,
    fileId: fileId("ada"),
    mark: "strikeout",
    target: { kind: "passage", page: 1, start: 0, end: 3, exact: "of all <time>", prefix: "", suffix: "" },
    criterionId: criterionId("record"),
    body: "",
  },
  { type: "release", assignmentId: essay, facets: ["score", "rubric", "comments"] },
);
const pageOf = (of: CourseState, files: CopyFiles = new Map()) =>
  studentCopyHtml(required(studentCopyOf(of, ada.studentId, AT) ?? undefined, "copy"), {
    files,
    formatted: formattedHtml,
  });

describe("a student's copy as a page", () => {
  const page = pageOf(state);

  it("holds score, levels, comments and passages", () => {
    for (const words of ["Small course", "For Ada Ames, N1", "Essay", "record", "8 / 20", "L1", "36 / 100"]) {
      expect(page).toContain(words);
    }
    expect(page).toContain("<strong>Strong</strong>");
    expect(page).toMatch(/<q class="struck">of all &lt;time&gt;<\/q>/);
  });

  it("takes nothing that was written as markup", () => {
    expect(page).not.toMatch(/<script|<b>here|<time>/);
    expect(page).toContain("Name &quot;it&quot; &lt;b&gt;here&lt;/b&gt;");
  });

  it("names no address outside, and forbids fetching any", () => {
    expect(page).not.toMatch(/(?:src|href)\s*=\s*["'](?!data:)/);
    expect(page).not.toMatch(/url\(|@import|https?:/);
    expect(page).toContain("default-src 'none'");
  });

  it("has its files inside, sound to be heard and others to be saved", () => {
    const bytes = new Uint8Array([1, 2, 250, 255]);
    const copy = required(studentCopyOf(state, ada.studentId, AT) ?? undefined, "copy");
    expect(filesOfCopy(copy).works.map(({ name }) => name)).toEqual(["ada.pdf"]);
    const marked = { name: "ada-marked.pdf", mediaType: "application/pdf", bytes };
    const withFile = pageOf(state, new Map([[fileId("ada"), marked]]));
    expect(withFile).toContain(`download="ada-marked.pdf" href="data:application/pdf;base64,AQL6/w=="`);
    const sound = { name: "a.webm", mediaType: "audio/webm", bytes };
    expect(pageOf(state, new Map([[fileId("ada"), sound]]))).toMatch(
      /<audio controls[^>]* src="data:audio\/webm;base64,/,
    );
    expect(page).toContain("ada.pdf could not be put into this copy.");
  });

  it("says so when there is nothing yet", () => {
    expect(pageOf(smallCourse())).toContain("Nothing has been released to you yet.");
    expect(studentCopyOf(state, studentId("nobody"), AT)).toBeNull();
  });
});

it.each([
  ["L26041", "L26041"],
  ["12/34 ä", "12-34-ä-"],
  ["../../x", "..-..-x-"],
  ["???", "--"],
])("a file is named by the number: %s becomes %s", (number, name) => {
  expect(copyFileName(number).startsWith(name)).toBe(true);
  expect(copyFileName(number)).toMatch(name === number ? /^[^/]+$/ : /^[^/]+-[0-9a-f]{6}$/);
});

it("two numbers never share a name of files", () => {
  const names = ["A/1", "A-1", "A 1", "A\\1", "A:1"].map(copyFileName);
  expect(new Set(names).size).toBe(5);
});

it("base64 is that of RFC 4648, section 10, also over long stretches", () => {
  const text = (letters: string) => base64(new TextEncoder().encode(letters));
  expect(["", "f", "fo", "foo", "foob", "fooba", "foobar"].map(text)).toEqual([
    "",
    "Zg==",
    "Zm8=",
    "Zm9v",
    "Zm9vYg==",
    "Zm9vYmE=",
    "Zm9vYmFy",
  ]);
  const long = new Uint8Array(100_001).map((_, index) => index % 251);
  expect(base64(long)).toBe(Buffer.from(long).toString("base64"));
});
