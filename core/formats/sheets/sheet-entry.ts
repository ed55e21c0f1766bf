import type { Assignment, Band, DecimalMark } from "#core/model";
import { cellText, type SheetCell } from "./sheet";

/** Why a cell of a sheet is no entry. */
export type SheetEntryIssue =
  /** `18/25` where the assignment has 20 points. */
  | { readonly code: "other_maximum"; readonly text: string; readonly maximum: string }
  /** A comma or a point that may be a decimal mark or part thousands. */
  | { readonly code: "comma_unclear"; readonly text: string }
  /** What a spreadsheet shows for a formula that failed. */
  | { readonly code: "formula_error"; readonly text: string };

/** A letter where points are asked for: it says no more than a band, and is read as where the band begins. */
export interface LetterRead {
  readonly code: "letter_read";
  readonly letter: string;
  /** Where its band begins, in percent. */
  readonly from: string;
}

/** A cell read as an entry of the gradebook; empty where it says nothing. */
export type SheetEntry =
  | { readonly ok: true; readonly text: string; readonly asks?: LetterRead }
  | { readonly ok: false; readonly issue: SheetEntryIssue };

const COMMA = /^([+-]?\d{1,6}),(\d{1,4})(\s*%)?$/;
const POINT = /^[+-]?\d+\.\d+(?:\s*%)?$/;
const OF = /^([+-]?\d+(?:\.\d+)?)\s*(?:\/|of|out of)\s*(\d+(?:\.\d+)?)$/i;
/** A figure, and what it is out of. */
const PARTS = /^(.*?)(\s*(?:\/|\bof\b|\bout of\b).*)?$/i;
const FAILED = /^#(?:REF!|DIV\/0!|VALUE!|NAME\?|N\/A|NUM!|NULL!)$|^Err:\d+$/;
const WORDS: Readonly<Record<string, string>> = { missing: "m", excused: "x", "–": "", "-": "" };

/** Letters that are entries by themselves, whatever the course's scale calls its bands. */
const ENTRY_LETTERS = /^[mx]$/;

/** What is known of all cells of a column before one is read. */
export interface ColumnManner {
  /** Its decimals stand behind a comma, behind a point, or behind both, so that neither is sure. */
  readonly decimals: "comma" | "point" | "both";
  /** How the course writes them: what else could be thousands is not, where it stands as the course writes decimals. */
  readonly mark: DecimalMark;
}

/**
 * How the figures of a column are written. A column that has commas alone has decimal commas; where it has both, the mark
 * of the course is not enough to tell.
 */
export function mannerOf(cells: readonly (SheetCell | undefined)[], mark: DecimalMark): ColumnManner {
  const texts = cells.flatMap((cell) => (typeof cell === "string" ? [cell.trim()] : []));
  const hasComma = texts.some((text) => COMMA.test(text.replace(/\s*\/.*$/, "")));
  const hasPoint = texts.some((text) => POINT.test(text.replace(/\s*\/.*$/, "")));
  return { decimals: hasComma && hasPoint ? "both" : hasComma ? "comma" : "point", mark };
}

/**
 * Reads a cell as an entry: a figure, `17,5` where the column has decimal commas, `18/20` where the assignment has 20,
 * `85 %`, `missing` and `excused`, a letter of the course's scale, and all of the entry language. `letters`: that scale.
 */
export function sheetEntry(
  cell: SheetCell | undefined,
  { points, scoredIn }: Pick<Assignment, "points" | "scoredIn">,
  manner: ColumnManner,
  letters: readonly Band[],
): SheetEntry {
  const text = cellText(cell);
  if (FAILED.test(text)) return { ok: false, issue: { code: "formula_error", text } };
  const plain = text.toLowerCase();
  if (plain in WORDS) return { ok: true, text: WORDS[plain] ?? "" };
  const band = scoredIn.kind === "scale" ? undefined : letters.find(({ letter }) => letter.toLowerCase() === plain);
  if (band && !ENTRY_LETTERS.test(plain))
    return { ok: true, text: `${band.from}%`, asks: { code: "letter_read", letter: band.letter, from: band.from } };
  const [, figure = "", behind = ""] = PARTS.exec(text) ?? [];
  const comma = COMMA.exec(figure);
  const isThousand = /^[+-]?\d{1,3}[.,]\d{3}$/.test(figure) && figure.includes(manner.mark === "comma" ? "." : ",");
  if ((comma && manner.decimals === "both") || (typeof cell === "string" && isThousand))
    return { ok: false, issue: { code: "comma_unclear", text } };
  const pointed = comma ? `${comma[1] ?? ""}.${comma[2] ?? ""}${comma[3] ?? ""}${behind.replace(",", ".")}` : text;
  const of = OF.exec(pointed);
  if (of) {
    const isWhole = Number(of[2]) === Number(points);
    return isWhole
      ? { ok: true, text: of[1] ?? "" }
      : { ok: false, issue: { code: "other_maximum", text, maximum: points } };
  }
  return { ok: true, text: pointed.replace(/\s+%$/, "%") };
}
