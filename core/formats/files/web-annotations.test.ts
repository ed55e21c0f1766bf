import { describe, expect, it } from "vitest";
import type { Id, Instant } from "#core/kernel";
import { codePointOffset, makePassage, type Note } from "#core/model";
import { webAnnotations } from "./web-annotations";

const note = (fields: Partial<Note>): Note => ({
  id: "note:1" as Id<"note">,
  assignmentId: "assignment:essay" as Id<"assignment">,
  studentId: "student:ada" as Id<"student">,
  fileId: "file:ada" as Id<"file">,
  mark: "highlight",
  target: makePassage("𝛼 The river rose", 3, 6, 11),
  criterionId: "criterion:record" as Id<"criterion">,
  colour: null,
  body: "When?",
  forGroup: false,
  createdAt: "2026-11-02T09:00:00Z" as Instant,
  by: "marker:one" as Id<"marker">,
  ...fields,
});
const written = (mediaType: string, ...notes: Note[]) =>
  JSON.parse(
    webAnnotations({
      file: { name: "my essay.pdf", mediaType },
      notes,
      criterionName: () => "Record",
      authorName: () => "Marker One",
    }),
  ) as { "@context": string; type: string; items: Record<string, never>[] };

// Property names, motivations and selector types: W3C Recommendations Web Annotation Data Model and Web Annotation
// Vocabulary, 23 February 2017.
describe("notes as web annotations", () => {
  it("are a page of annotations with quote and position in code points, within the page of the PDF", () => {
    const page = written("application/pdf", note({}));
    expect(page).toMatchObject({ "@context": "http://www.w3.org/ns/anno.jsonld", type: "AnnotationPage" });
    expect(page.items[0]).toMatchObject({
      type: "Annotation",
      motivation: "commenting",
      created: "2026-11-02T09:00:00Z",
      creator: { type: "Person", name: "Marker One" },
      body: [
        { type: "TextualBody", value: "When?", format: "text/plain", purpose: "commenting" },
        { type: "TextualBody", value: "highlight", purpose: "describing" },
        { type: "TextualBody", value: "Record", purpose: "classifying" },
      ],
      target: {
        source: "my%20essay.pdf",
        selector: {
          type: "FragmentSelector",
          conformsTo: "http://tools.ietf.org/rfc/rfc3778",
          value: "page=3",
          refinedBy: [
            { type: "TextQuoteSelector", exact: "river", prefix: "𝛼 The ", suffix: " rose" },
            { type: "TextPositionSelector", start: 6, end: 11 },
          ],
        },
      },
    });
    // One letter outside the first plane is one code point and two units of UTF-16.
    expect(codePointOffset("𝛼 The river rose", "𝛼 The ".length)).toBe(6);
  });

  it("point at pictures by media fragments, and draw strokes as SVG", () => {
    const [point, strokes] = written(
      "image/png",
      note({ mark: "query", target: { kind: "point", page: 1, x: 0.25, y: 0.5 }, body: "" }),
      note({
        mark: "ink",
        target: {
          kind: "strokes",
          page: 1,
          strokes: [
            [
              [0.1, 0.2, 0.5],
              [0.3, 0.4, 0.9],
            ],
          ],
        },
      }),
    ).items;
    expect(point).toMatchObject({
      motivation: "questioning",
      target: { selector: { conformsTo: "http://www.w3.org/TR/media-frags/", value: "xywh=percent:25,50,0,0" } },
    });
    expect(JSON.stringify(strokes)).toContain("0.1,0.2 0.3,0.4");
  });

  it("use only motivations of the vocabulary", () => {
    const known =
      "assessing bookmarking classifying commenting describing editing highlighting identifying linking moderating questioning replying tagging".split(
        " ",
      );
    const marks: Note["mark"][] = ["highlight", "strikeout", "insertion", "pin", "text", "ink", "tick", "query"];
    const items = written("text/plain", ...marks.flatMap((mark) => [note({ mark }), note({ mark, body: "" })])).items;
    for (const { motivation } of items as unknown as { motivation: string }[]) expect(known).toContain(motivation);
  });
});
