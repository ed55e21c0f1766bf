import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { commentText, documentOf, isSameDocument } from "./comment-document";
import { formattedHtml } from "./formatted";

const through = (text: string): string => commentText(documentOf(text));

describe("a comment in the editor", () => {
  it("leaves every text as it was typed, where it is written the way the editor writes", () => {
    const texts = [
      "**Good** and *clear*.\nNext line",
      "Ilse, see me about R squared.\n\nThe *third* figure is **not** yours.",
      "- one\n- two\n  - within two\n- three",
      "2. second\n3. third",
      "See [the gauge](https://gauge.example/a_b) first.",
      "***both***, then plain",
      "2 * 3 is 6, a_b and [1] stay",
      "snake_case_name and 17.5 / 20",
      "a - b, 1. is no list here",
      "C:\\data\\run1",
    ];
    for (const text of texts) expect(through(text)).toBe(text);
  });

  it("escapes what would become a mark, and nothing else", () => {
    const said = (text: string) => commentText({ type: "doc", content: [paragraph(text)] });
    expect(said("*not emphasis*")).toBe("\\*not emphasis\\*");
    expect(said("- no list")).toBe("\\- no list");
    expect(said("1. no list")).toBe("1\\. no list");
    expect(said("[a](https://a.example)")).toBe("\\[a\\](https://a.example)");
    expect(said("3 * 4 = 12")).toBe("3 * 4 = 12");
  });

  it("moves spaces at the ends of strong words out of the marks, where they are words again", () => {
    const content = [
      { type: "text", text: "Well ", marks: [{ type: "bold" }] },
      { type: "text", text: "done" },
    ];
    expect(commentText({ type: "doc", content: [{ type: "paragraph", content }] })).toBe("**Well** done");
  });

  it("reads no address but pages and mail as a link", () => {
    expect(JSON.stringify(documentOf("[a](javascript:alert) [b](mailto:a@b.example)"))).not.toContain(
      'javascript:alert)"}',
    );
    expect(through("[a](javascript:alert)")).toBe("[a](javascript:alert)");
    expect(formattedHtml("[b](https://b.example)")).toBe(
      '<p><a href="https://b.example" rel="noopener noreferrer" target="_blank">b</a></p>\n',
    );
  });

  it("shows the student the same after any text was opened and written back", () => {
    fc.assert(
      fc.property(fc.array(PIECES, { maxLength: 8 }), (pieces) => {
        const text = pieces.join("");
        expect(shown(through(text))).toBe(shown(text));
      }),
    );
  });

  it("says the same when it is opened again, whatever words stand in it", () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(WORDS, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 4 }),
        (lines) => {
          const document = { type: "doc", content: lines.map((words) => paragraph(words.join(" "))) };
          expect(isSameDocument(documentOf(commentText(document)), document)).toBe(true);
        },
      ),
    );
  });
});

const paragraph = (text: string) => ({ type: "paragraph", content: [{ type: "text", text }] });

/** What the reader sees; space between words and lines does not matter. */
const shown = (text: string): string =>
  formattedHtml(text)
    .replace(/\s+/g, " ")
    // Whether there is air between the lines of a list is not kept.
    .replace(/<li> <p>(.*?)<\/p> (?=<\/li>|<[uo]l>)/g, "<li>$1")
    .replace(/ (?=<\/?(?:li|ul|ol)>)/g, "");

const PIECES = fc.constantFrom(
  ...["Well", "done", "**bold**", "*soft*", " ", " ", "\n", "\n\n", "- one\n- two", "1. first", "2 * 3", "a_b"],
  ...["[x](https://x.example)", "\\*", "_", "*", "**", "[", "](", "<b>", "& co", "# no", "> no", "`no`"],
);

const WORDS = fc.constantFrom(
  ...[
    "good",
    "*",
    "**",
    "*a*",
    "_b_",
    "-",
    "1.",
    "2)",
    "+",
    "\\",
    "\\*",
    "[x](https://x.example)",
    "#",
    "<i>",
    "a*b*c",
  ],
);
