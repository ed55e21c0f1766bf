import type { Note, Stroke, WorkFile } from "#core/model";

/** What goes out with the notes of a file. */
export interface AnnotatedFile {
  readonly file: Pick<WorkFile, "name" | "mediaType">;
  readonly notes: readonly Note[];
  /** The name of a criterion; null where a note is evidence for none. */
  readonly criterionName: (note: Note) => string | null;
  /** The name of who made a note. */
  readonly authorName: (note: Note) => string;
}

/** What each kind of remark is done for, in the words of the Web Annotation Vocabulary. */
const MOTIVATION: Readonly<Record<Note["mark"], string>> = {
  highlight: "commenting",
  strikeout: "editing",
  insertion: "editing",
  pin: "commenting",
  text: "commenting",
  ink: "commenting",
  tick: "assessing",
  query: "questioning",
};

/** Fragments of a PDF, of a picture, and of plain text, by the specification that defines them. */
const PDF_FRAGMENTS = "http://tools.ietf.org/rfc/rfc3778";
const MEDIA_FRAGMENTS = "http://www.w3.org/TR/media-frags/";

/**
 * The notes on a file as a page of annotations in JSON-LD (W3C Recommendations Web Annotation Data Model and Web
 * Annotation Vocabulary, 23 February 2017). The file is named by its own name, relative to where the annotations lie.
 */
export function webAnnotations({ file, notes, criterionName, authorName }: AnnotatedFile): string {
  const items = notes.map((note) => ({
    id: `urn:upright-quill:${encodeURIComponent(note.id)}`,
    type: "Annotation",
    motivation: note.body === "" && note.mark === "highlight" ? "highlighting" : MOTIVATION[note.mark],
    created: note.createdAt,
    creator: { type: "Person", name: authorName(note) },
    body: bodiesOf(note, criterionName(note)),
    target: {
      source: encodeURIComponent(file.name),
      format: file.mediaType,
      selector: selectorsOf(note, file.mediaType),
    },
  }));
  const page = {
    "@context": "http://www.w3.org/ns/anno.jsonld",
    id: `urn:upright-quill:${encodeURIComponent(file.name)}`,
    type: "AnnotationPage",
    items,
  };
  return `${JSON.stringify(page, null, 2)}\n`;
}

function bodiesOf(note: Note, criterion: string | null) {
  const words =
    note.body === ""
      ? []
      : [{ type: "TextualBody", value: note.body, format: "text/plain", purpose: MOTIVATION[note.mark] }];
  const kind = { type: "TextualBody", value: note.mark, purpose: "describing" };
  const evidence = criterion === null ? [] : [{ type: "TextualBody", value: criterion, purpose: "classifying" }];
  return [...words, kind, ...evidence];
}

function selectorsOf({ target }: Note, mediaType: string) {
  const onPage = (inner: object | readonly object[]) =>
    mediaType === "application/pdf"
      ? { type: "FragmentSelector", conformsTo: PDF_FRAGMENTS, value: `page=${String(target.page)}`, refinedBy: inner }
      : inner;
  switch (target.kind) {
    case "passage": {
      const { exact, prefix, suffix, start, end } = target;
      return onPage([
        { type: "TextQuoteSelector", exact, prefix, suffix },
        { type: "TextPositionSelector", start, end },
      ]);
    }
    case "point": {
      const at = [target.x, target.y].map((share) => String(Math.round(share * 10_000) / 100)).join(",");
      return onPage({ type: "FragmentSelector", conformsTo: MEDIA_FRAGMENTS, value: `xywh=percent:${at},0,0` });
    }
    case "strokes":
      return onPage({ type: "SvgSelector", value: svgOf(target.strokes) });
  }
}

/** Strokes as lines in a drawing of one unit's width and height, to be laid over the page. */
function svgOf(strokes: readonly Stroke[]): string {
  const lines = strokes.map(
    (stroke) => `<polyline points="${stroke.map(([x, y]) => `${String(x)},${String(y)}`).join(" ")}"/>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1" preserveAspectRatio="none">${lines.join("")}</svg>`;
}
