import {
  add,
  compare,
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  ratio,
  subtract,
  whole,
  ZERO,
  type Exact,
} from "#core/kernel";
import { plainText, type AnswerKey, type Question } from "#core/model";

/** Digits of a number, far above any answer; it keeps a hostile exponent from filling the memory. */
const MOST_EXPONENT = 40;

/** Reads a number as students write it: `287`, `-1,5`, `1 250.5`, `3.2e-4`, `3.2 x 10^-4`; null where it is none. */
export function readNumber(text: string): Exact | null {
  const typed = text
    .trim()
    .replace(/[\s\u2009\u202f](?=\d{3}(?:\D|$))/g, "")
    .replace("\u2212", "-");
  const match = /^([+-]?)(\d*)(?:[.,](\d*))?(?:\s*(?:e|[x\u00d7*]\s*10\s*\^?)\s*([+-]?\d{1,3}))?$/i.exec(typed);
  const [, sign = "", wholePart = "", places = "", power = "0"] = match ?? [];
  if (!match || wholePart + places === "" || wholePart.length + places.length > MOST_EXPONENT) return null;
  const exponent = Number(power);
  if (Math.abs(exponent) > MOST_EXPONENT) return null;
  const digits = BigInt(`${sign === "-" ? "-" : ""}${wholePart}${places}`);
  const shift = exponent - places.length;
  return shift >= 0 ? whole(digits * 10n ** BigInt(shift)) : ratio(digits, 10n ** BigInt(-shift));
}

/** Places of the options that an answer names by letters: `A`, `a, c`, `AC`; null where it names anything else. */
export function readChoice(text: string, options: number): readonly number[] | null {
  const letters = [...text.toUpperCase().replace(/[\s,;.)]/g, "")];
  const places = letters.map((letter) => letter.charCodeAt(0) - 65);
  return places.every((place) => place >= 0 && place < options) ? [...new Set(places)] : null;
}

/**
 * What of an answer its key reads: answers with the same reading earn the same by any key of that kind. Case, accents and
 * spaces make no other answer, nor does another way of writing a number or a choice.
 */
export function readingOf(key: AnswerKey, text: string): string {
  const plain = plainText(text.trim()).replace(/\s+/g, " ");
  if (key.kind === "numeric") {
    const number = readNumber(text);
    return number ? `number ${String(number.n)}/${String(number.d)}` : plain;
  }
  if (key.kind === "choice") {
    const chosen = readChoice(text, key.options.length);
    return chosen ? `choice ${[...chosen].sort((a, b) => a - b).join(" ")}` : plain;
  }
  return plain;
}

/**
 * What a key gives for an answer, as a share of the points from 0 to 1; null where an answer must be judged by hand. An
 * empty answer is worth nothing, whatever the kind.
 */
export function shareByKey(key: AnswerKey, text: string): Exact | null {
  if (text.trim() === "") return ZERO;
  switch (key.kind) {
    case "written":
      return null;
    case "short": {
      const plain = (words: string) => plainText(words.trim()).replace(/\s+/g, " ");
      return whole(key.accepted.some((accepted) => plain(accepted) === plain(text)) ? 1 : 0);
    }
    case "numeric":
      return whole(withinTolerance(key, text) ? 1 : 0);
    case "choice": {
      const chosen = readChoice(text, key.options.length);
      if (!chosen) return ZERO;
      const right = chosen.filter((place) => key.right.includes(place)).length;
      const wrong = chosen.length - right;
      if (!key.partial) return whole(right === key.right.length && wrong === 0 ? 1 : 0);
      // Common practice, no source: each wrong choice takes back a right one, and nothing goes below 0.
      return ratio(BigInt(Math.max(0, right - wrong)), BigInt(key.right.length));
    }
  }
}

function withinTolerance(key: Extract<AnswerKey, { kind: "numeric" }>, text: string): boolean {
  const [given, value, tolerance] = [readNumber(text), readNumber(key.value), readNumber(key.tolerance) ?? ZERO];
  if (!given || !value) return false;
  const room = key.toleranceIn === "units" ? tolerance : divide(multiply(magnitude(value), tolerance), HUNDRED);
  return compare(magnitude(subtract(given, value)), room) <= 0;
}

const magnitude = (value: Exact): Exact => (value.n < 0n ? subtract(ZERO, value) : value);

/** What an answer earns by its key, in points; null where it must be judged by hand. */
export function pointsByKey(question: Pick<Question, "key" | "points">, text: string): Exact | null {
  const share = shareByKey(question.key, text);
  return share && multiply(share, fromDecimal(question.points));
}

/** The points of all questions together. */
export const questionPoints = (questions: readonly Pick<Question, "points">[]): Exact =>
  questions.reduce((total, { points }) => add(total, fromDecimal(points)), ZERO);
