import { describe, expect, it } from "vitest";
import { formattedHtml, plainWords } from "./formatted";

describe("a comment with its few marks", () => {
  it("shows strong and emphasised words, lists, and lines of their own", () => {
    expect(formattedHtml("**Good** and *clear*.\nNext line")).toBe(
      "<p><strong>Good</strong> and <em>clear</em>.<br>\nNext line</p>\n",
    );
    expect(formattedHtml("- one\n- two")).toBe("<ul>\n<li>one</li>\n<li>two</li>\n</ul>\n");
  });

  it("is never more than that: HTML, pictures, headings and links to programs stay words", () => {
    const hostile =
      '<img src=x onerror="alert(1)"> [a](javascript:alert(1)) ![b](http://remote.example/c.png)\n# Title';
    const html = formattedHtml(hostile);
    expect(html).not.toMatch(/<(?!\/?(?:p|br|ul|ol|li|strong|em|a)\b)/);
    expect(html).toContain("&lt;img");
    expect(html).toContain("[a](javascript:alert(1))");
    // What was meant as a picture is at most a link, which nothing follows by itself.
    expect([...html.matchAll(/<a ([^>]*)>/g)].map(([, attributes]) => attributes)).toEqual([
      'href="http://remote.example/c.png" rel="noopener noreferrer" target="_blank"',
    ]);
    expect(html).toContain("# Title");
  });

  it("reads as plain words where nothing can be set", () => {
    expect(plainWords("**Good**, *Ada*.\n\n1. first\n2. second\n\n- a\n- b")).toBe(
      "Good, Ada.\n1. first\n2. second\n• a\n• b",
    );
    expect(plainWords("2 * 3 is 6")).toBe("2 * 3 is 6");
    expect(plainWords("See [the **gauge**](https://gauge.example) first")).toBe(
      "See the gauge (https://gauge.example) first",
    );
  });
});
