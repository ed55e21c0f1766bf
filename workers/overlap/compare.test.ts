import { strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { compareWorks } from "./compare";
import type { ReadPdf } from "./work-text";

const SHARED =
  "The gate itself is of oak and was renewed in 1983 and its frame leaks after three dry weeks in September.";
const DOCX = "application/vnd.openxmlformats-officedocument.wordprocessingml.document";
const word = (text: string) =>
  new Blob([
    zipSync({
      "word/document.xml": strToU8(
        `<w:document xmlns:w="w"><w:body><w:p><w:r><w:t>${text}</w:t></w:r></w:p></w:body></w:document>`,
      ),
    }),
  ]);
const readPdf: ReadPdf = async (blob) => {
  const text = await blob.text();
  return text === "locked" ? "locked" : { text, author: "", pages: 1 };
};
const work = (id: string, blob: Blob, mediaType: string) => ({ id, kin: null, text: "", files: [{ blob, mediaType }] });
const NO_TASK = { text: "", files: [] };

describe("hand-ins held against each other", () => {
  it("share their text whatever the format: Word, web page, Markdown, PDF, notebook, and what was written here", async () => {
    const cells = JSON.stringify({ cells: [{ cell_type: "markdown", source: ["An own beginning. ", SHARED] }] });
    const told: number[] = [];
    const found = await compareWorks(
      [
        work("word", word(`Mine begins so. ${SHARED}`), DOCX),
        work("page", new Blob([`<p>Another <b>start</b>.</p><script>x()</script><p>${SHARED}</p>`]), "text/html"),
        work("markdown", new Blob([`# Head\n\n${SHARED}\n`]), "text/markdown"),
        work("pdf", new Blob([`First of all. ${SHARED}`]), "application/pdf"),
        work("notebook", new Blob([cells]), "application/x-ipynb+json"),
        { id: "posts", kin: null, text: `I think so too. ${SHARED}`, files: [] },
      ],
      NO_TASK,
      readPdf,
      (done) => Promise.resolve(void told.push(done)),
    );
    expect(found.overlaps).toHaveLength(15);
    for (const { passages } of found.overlaps) {
      expect(passages.map(({ length }) => length)).toEqual([SHARED.replace(/[^\w]/g, "").length]);
    }
    const { firstId, passages } = found.overlaps[0] ?? { firstId: "", passages: [] };
    const text = found.works.find(({ id }) => id === firstId)?.text ?? "";
    expect(text.slice(passages[0]?.first.start, passages[0]?.first.end)).toBe(SHARED.slice(0, -1));
    expect(told).toEqual([1, 2, 3, 4, 5, 6]);
  });

  it("leave out what the task gave, in its words or in a file of it, and what both quote", async () => {
    const works = [
      work("a", new Blob([`Mine. ${SHARED}`]), "text/plain"),
      work("b", new Blob([`Other. ${SHARED}`]), "text/plain"),
    ];
    const tell = () => Promise.resolve();
    const pairs = async (task: Parameters<typeof compareWorks>[1]) =>
      (await compareWorks(works, task, readPdf, tell)).overlaps.length;
    expect(await pairs(NO_TASK)).toBe(1);
    expect(await pairs({ text: SHARED, files: [] })).toBe(0);
    expect(await pairs({ text: "", files: [{ blob: word(SHARED), mediaType: DOCX }] })).toBe(0);
    const quoted = works.map((one) => ({ ...one, text: `“${SHARED}”`, files: [] }));
    expect((await compareWorks(quoted, NO_TASK, readPdf, tell)).overlaps).toEqual([]);
  });

  it("say how many files of a hand-in hold no text that can be read", async () => {
    const found = await compareWorks(
      [
        work("locked", new Blob(["locked"]), "application/pdf"),
        work("damaged", new Blob(["no archive"]), DOCX),
        work("picture", new Blob(["x"]), "image/png"),
        work("broken", new Blob(["{"]), "application/x-ipynb+json"),
        work("text", new Blob(["Some words."]), "text/plain"),
      ],
      NO_TASK,
      readPdf,
      () => Promise.resolve(),
    );
    expect(found.works.map(({ id, unread }) => [id, unread])).toEqual([
      ["locked", 1],
      ["damaged", 1],
      ["picture", 1],
      ["broken", 1],
      ["text", 0],
    ]);
  });
});
