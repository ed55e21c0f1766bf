import type { Instant } from "#core/kernel";
import type { NoteMark, Stroke } from "#core/model";
import type { LABEL_SHEETS, PAPERS } from "./label-sheets";

/** How covers are printed: a sheet each, on sheets of labels, or on the first page of a task's PDF. */
export type CoverWish =
  | { readonly kind: "sheets"; readonly paper: keyof typeof PAPERS }
  | { readonly kind: "labels"; readonly sheet: keyof typeof LABEL_SHEETS }
  | { readonly kind: "tasks"; readonly task: ArrayBuffer };

/** What a recovery sheet says; nothing of what is in the course. */
export interface RecoverySheet {
  /** What the course is called while it is locked. */
  readonly label: string;
  readonly code: string;
  /** The day it was made on, as a person reads it. */
  readonly madeOn: string;
}

/** A stretch of a line in points of its page: x and y of the upper left, upper right, lower left and lower right. */
export type Quad = readonly [number, number, number, number, number, number, number, number];

/** Where a remark stands. Shares are of the page as it is shown unturned, from its upper left corner. */
export type MarkPlace =
  /** Lines of a PDF's page. */
  | { readonly kind: "quads"; readonly page: number; readonly quads: readonly Quad[] }
  /** Code points of a text that is yet to be set on pages; `end` is the first outside. */
  | { readonly kind: "range"; readonly start: number; readonly end: number }
  | { readonly kind: "point"; readonly page: number; readonly x: number; readonly y: number }
  | { readonly kind: "strokes"; readonly page: number; readonly strokes: readonly Stroke[] }
  /** Its words no longer stand in the work. */
  | { readonly kind: "lost" };

/** A remark on its way into a PDF. */
export interface PdfMark {
  readonly id: string;
  readonly mark: NoteMark;
  readonly place: MarkPlace;
  readonly words: string;
  /** Its criterion, or what kind of remark it is. */
  readonly subject: string;
  /** As `#rrggbb`. */
  readonly colour: string;
  /** What the application itself reads back. */
  readonly own: string;
}

/** A remark found in a PDF: `place` in points of the page, `shares` where it was drawn or put on a point. */
export interface FoundMark {
  readonly page: number;
  /** The annotation's type, such as `Highlight`. */
  readonly subtype: string;
  readonly id: string;
  readonly words: string;
  readonly author: string;
  readonly subject: string;
  readonly quads: readonly Quad[];
  /** Lower left and upper right corner in points. */
  readonly rect: readonly [number, number, number, number];
  /** The middle of the rectangle in shares of the page. */
  readonly middle: { readonly x: number; readonly y: number };
  readonly strokes: readonly Stroke[];
  /** What this application wrote into it; null where another program made it, or moved it. */
  readonly own: string | null;
}

/** A work on its way into a PDF. */
export type PaperSource =
  | { readonly kind: "pdf"; readonly bytes: Uint8Array<ArrayBuffer> }
  | {
      readonly kind: "picture";
      readonly bytes: Uint8Array<ArrayBuffer>;
      readonly mediaType: "image/png" | "image/jpeg";
    }
  /** Paragraphs whose texts, joined by single spaces, are the text that ranges count in. */
  | { readonly kind: "text"; readonly blocks: readonly TextBlock[] }
  | { readonly kind: "none" };

/** A paragraph or a heading. */
export interface TextBlock {
  readonly text: string;
  readonly heading: boolean;
}

/** A passage with what was said on it. */
export interface SheetPassage {
  readonly quote: string;
  readonly words: string;
}

/** The page behind a marked paper: what was judged and why, ready to be set. */
export interface FeedbackSheet {
  readonly title: string;
  readonly course: string;
  readonly name: string;
  readonly score: string | null;
  /** How the score came about, where there is more to say than the score itself. */
  readonly scoreNote: string;
  readonly overall: string;
  readonly criteria: readonly {
    readonly name: string;
    readonly points: string;
    readonly level: string;
    readonly comment: string;
    readonly passages: readonly SheetPassage[];
  }[];
  readonly answers: readonly {
    readonly prompt: string;
    readonly text: string;
    readonly points: string;
    readonly comment: string;
  }[];
  readonly others: readonly SheetPassage[];
}

/** A font file; the first of its weight that has a letter draws it. */
export interface FontFile {
  /** Where it lies; files of one address hold the same. */
  readonly address: string;
  readonly weight: "text" | "strong";
  readonly bytes: Uint8Array<ArrayBuffer>;
}

/** Everything a marked paper is made of. */
export interface MarkedPaper {
  readonly source: PaperSource;
  readonly marks: readonly PdfMark[];
  /** The page of feedback behind the work; null for the work alone. */
  readonly sheet: FeedbackSheet | null;
  readonly fonts: readonly FontFile[];
  /** Who made the remarks, as other programs show it. */
  readonly author: string;
  readonly at: Instant;
}
