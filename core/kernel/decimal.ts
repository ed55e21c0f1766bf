import { refuse, ok, type Result } from "./result";
import { ratio, type Exact } from "./exact";

declare const decimalBrand: unique symbol;
/** A decimal as entered, in canonical text: no leading zeros, no trailing zeros, no plus sign, at most 4 places. */
export type Decimal = string & { readonly [decimalBrand]: true };

/** Places kept of an entered figure (handbook, section 1). */
const MAXIMUM_PLACES = 4;
/** Digits before the point; far above any course, it keeps a slip of the hand out of the totals. */
const MAXIMUM_WHOLE_DIGITS = 9;

/** Why a text is not taken as a figure. */
export type DecimalIssue =
  | { readonly code: "not_a_number"; readonly text: string }
  | { readonly code: "too_many_places"; readonly text: string; readonly maximum: number }
  | { readonly code: "too_large"; readonly text: string };

/**
 * Reads a figure as a person types it: `17`, `17.5`, `17,5`, `.5`, `-2`. Exponents and grouped thousands are refused,
 * because they are far more often a slip than a score.
 */
export function parseDecimal(text: string): Result<Decimal, DecimalIssue> {
  const typed = text.trim();
  const match = /^([+-]?)(\d*)(?:[.,](\d*))?$/.exec(typed);
  const wholePart = match?.[2] ?? "";
  const places = match?.[3] ?? "";
  if (!match || wholePart + places === "") return refuse({ code: "not_a_number", text: typed });
  const kept = places.replace(/0+$/, "");
  if (kept.length > MAXIMUM_PLACES) return refuse({ code: "too_many_places", text: typed, maximum: MAXIMUM_PLACES });
  const digits = wholePart.replace(/^0+(?=\d)/, "") || "0";
  if (digits.length > MAXIMUM_WHOLE_DIGITS) return refuse({ code: "too_large", text: typed });
  const magnitude = kept === "" ? digits : `${digits}.${kept}`;
  return ok((match[1] === "-" && magnitude !== "0" ? `-${magnitude}` : magnitude) as Decimal);
}

/** A decimal written in the program itself. @throws RangeError when the text is not one. */
export function decimal(text: string): Decimal {
  const parsed = parseDecimal(text);
  if (!parsed.ok) throw new RangeError(`not a decimal: ${text}`);
  return parsed.value;
}

/** The exact value of an entered figure. */
export function fromDecimal(text: Decimal): Exact {
  const point = text.indexOf(".");
  if (point < 0) return { n: BigInt(text), d: 1n };
  const places = text.length - point - 1;
  return ratio(BigInt(text.slice(0, point) + text.slice(point + 1)), POWERS[places] ?? 10n ** BigInt(places));
}

/** Powers of ten that entered figures need. */
const POWERS = Array.from({ length: MAXIMUM_PLACES + 1 }, (_, places) => 10n ** BigInt(places));

/** Rounds half away from zero to `places`, the only rounding there is; it happens once, at display. */
export function roundToText(value: Exact, places: number): string {
  const scale = 10n ** BigInt(places);
  const negative = value.n < 0n;
  const magnitude = (negative ? -value.n : value.n) * scale;
  const rounded = (2n * magnitude + value.d) / (2n * value.d);
  const digits = rounded.toString().padStart(places + 1, "0");
  const text = places === 0 ? digits : `${digits.slice(0, -places)}.${digits.slice(-places)}`;
  return negative && rounded !== 0n ? `-${text}` : text;
}

/** The displayed figure as an exact number: letters are compared with what people see. */
export const rounded = (value: Exact, places: number): Exact => {
  const [wholePart = "0", fraction = ""] = roundToText(value, places).split(".");
  return ratio(BigInt(wholePart + fraction), 10n ** BigInt(fraction.length));
};

/**
 * Points as a student reads them: as they were entered where two places hold them; longer ones come of a rule, and are
 * rounded to the course's places.
 */
export function readPoints(value: Exact, places: number): Decimal {
  const text = pointsText(value);
  return (text.split(".")[1]?.length ?? 0) <= 2 ? text : decimal(roundToText(value, places));
}

/** Points for display: up to 4 places, trailing zeros dropped. */
export function pointsText(value: Exact): Decimal {
  return decimal(roundToText(value, MAXIMUM_PLACES));
}

/** Whether a text is a decimal in its canonical spelling. */
export const isDecimal = (text: string): text is Decimal => {
  const parsed = parseDecimal(text);
  return parsed.ok && parsed.value === text;
};
