import { describe, expect, it } from "vitest";
import { completeRecord, fileSchema, mediaTypeOf, workKindOf } from "./index";

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

describe("remarks made before they had colours", () => {
  it("have none of their own, on the desk and in what was given out", () => {
    expect(completeRecord("notes", { id: "note:a", body: "x" })).toEqual({
      id: "note:a",
      body: "x",
      colour: null,
      forGroup: false,
    });
    const copy = { id: "a", comments: { at: "t", content: { overall: "", notes: [{ id: "note:a" }] } } };
    expect(completeRecord("copies", copy)).toEqual({
      id: "a",
      outcomes: null,
      classFigures: null,
      name: "",
      comments: { at: "t", content: { overall: "", attachments: [], notes: [{ id: "note:a", colour: null }] } },
    });
    const now = {
      id: "a",
      outcomes: null,
      classFigures: null,
      name: "Essay",
      comments: { at: "t", content: { attachments: [], notes: [{ id: "note:a", colour: "plum" }] } },
    };
    expect(completeRecord("copies", now)).toBe(now);
    expect(completeRecord("copies", { id: "a", comments: null })).toEqual({
      id: "a",
      outcomes: null,
      classFigures: null,
      name: "",
      comments: null,
    });
  });
});

describe("a rubric made before criteria could ask for evidence", () => {
  it("asks for none; one of today comes back as it is", () => {
    const criteria = [{ id: "criterion:a", name: "Record" }];
    expect(completeRecord("rubrics", { id: "rubric:a", criteria })).toEqual({
      id: "rubric:a",
      criteria: [{ id: "criterion:a", name: "Record", asksEvidence: false }],
    });
    const now = { id: "rubric:a", criteria: [{ id: "criterion:a", asksEvidence: true }] };
    expect(completeRecord("rubrics", now)).toBe(now);
  });
});
