/** A sheet of labels. Lengths in millimetres, from the upper left corner; common sizes of the trade, no source. */
export interface LabelSheet {
  readonly paper: keyof typeof PAPERS;
  readonly columns: number;
  readonly rows: number;
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly top: number;
  /** From the left edge of one label to that of the next. */
  readonly across: number;
}

/** Paper in millimetres: ISO 216 A4, and North American letter (8.5 by 11 inches). */
export const PAPERS = { a4: [210, 297], letter: [215.9, 279.4] } as const;

export const LABEL_SHEETS = {
  "a4-24": { paper: "a4", columns: 3, rows: 8, width: 70, height: 37, left: 0, top: 0.5, across: 70 },
  "a4-14": { paper: "a4", columns: 2, rows: 7, width: 99.1, height: 38.1, left: 4.65, top: 15.15, across: 101.6 },
  "letter-30": {
    ...{ paper: "letter", columns: 3, rows: 10, width: 66.7, height: 25.4 },
    ...{ left: 4.8, top: 12.7, across: 69.85 },
  },
} as const satisfies Record<string, LabelSheet>;
