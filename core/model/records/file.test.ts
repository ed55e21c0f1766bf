import { describe, expect, it } from "vitest";
import { fileSchema, mediaTypeOf, workKindOf } from "../index";

const kindOf = (name: string) => workKindOf({ mediaType: mediaTypeOf(name) });

describe("files of hand-ins", () => {
  it("are known by the ending of their names, in any case", () => {
    expect(
      ["Report.PDF", "notes.markdown", "memo.docx", "bar.JPEG", "map.html", "talk.mp3", "walk.webm"].map(kindOf),
    ).toEqual(["pdf", "markdown", "word", "image", "webPage", "sound", "video"]);
  });

  it("have types as IANA registers them (Media Types registry)", () => {
    expect(mediaTypeOf("a.docx")).toBe("application/vnd.openxmlformats-officedocument.wordprocessingml.document");
    expect(["a.md", "a.svg", "a.mp3", "a.csv"].map(mediaTypeOf)).toEqual([
      "text/markdown",
      "image/svg+xml",
      "audio/mpeg",
      "text/csv",
    ]);
  });

  it("of a kind that is not known are still files", () => {
    expect(mediaTypeOf("survey.xyz")).toBe("application/octet-stream");
    expect([kindOf("survey.xyz"), kindOf("README"), kindOf(".md.exe")]).toEqual(["other", "other", "other"]);
  });

  it("refuse a type that is none", () => {
    const file = { id: "file:a", name: "a", size: 1 };
    expect(fileSchema.safeParse({ ...file, mediaType: "image/png" }).success).toBe(true);
    expect(fileSchema.safeParse({ ...file, mediaType: "image/png; x" }).success).toBe(false);
    expect(fileSchema.safeParse({ ...file, mediaType: "javascript:alert(1)" }).success).toBe(false);
  });
});
