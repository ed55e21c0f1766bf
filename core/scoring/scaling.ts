import {
  add,
  compare,
  decimal,
  divide,
  fromDecimal,
  multiply,
  ok,
  pointsText,
  ratio,
  refuse,
  subtract,
  sum,
  whole,
  ZERO,
  type Decimal,
  type Exact,
  type Result,
} from "#core/kernel";
import type { Scaling } from "#core/model";

/** Places kept of what is not rational: a square root, a standard deviation. */
const KEPT_PLACES = 4;

/** Why a whole assignment cannot be scaled. Scores stay as they are. */
export type ScalingIssue =
  | { readonly code: "nothing_to_scale" }
  | { readonly code: "no_spread"; readonly score: Exact }
  | { readonly code: "same_x_twice"; readonly x: Decimal }
  | { readonly code: "falling_line"; readonly y1: Decimal; readonly y2: Decimal };

/** Square root of a value not below 0, cut off after `KEPT_PLACES` places and rounded half up. */
function squareRoot(value: Exact): Exact {
  const scale = 10n ** BigInt(2 * KEPT_PLACES + 2);
  const square = (value.n * scale) / value.d;
  let root = square;
  // Newton's method on whole numbers, from above.
  for (let next = (root + 1n) / 2n; next < root; next = (root + square / root) / 2n) root = next;
  return ratio((root + 5n) / 10n, 10n ** BigInt(KEPT_PLACES));
}

/**
 * A score in points after scaling, in points; exact except for the square root, which is kept to 4 places.
 * Sources: square root 10 x sqrt(percent), linear map of two points: arithmetic; T score, mean 50 and SD 10:
 * McCall, W. A. (1922), How to Measure in Education.
 */
export function scaledScore(scaling: Scaling, score: Exact, maximum: Exact): Exact {
  switch (scaling.kind) {
    case "add":
      return add(score, fromDecimal(scaling.points));
    case "linear": {
      const [x1, y1, x2, y2] = [scaling.x1, scaling.y1, scaling.x2, scaling.y2].map(fromDecimal) as [
        Exact,
        Exact,
        Exact,
        Exact,
      ];
      if (compare(x1, x2) === 0) return score;
      return add(y1, divide(multiply(subtract(score, x1), subtract(y2, y1)), subtract(x2, x1)));
    }
    case "squareRoot":
      return compare(score, ZERO) <= 0 || maximum.n <= 0n ? score : squareRoot(multiply(score, maximum));
    case "tScore": {
      const deviation = fromDecimal(scaling.deviation);
      if (deviation.n === 0n) return score;
      return add(whole(50), divide(multiply(whole(10), subtract(score, fromDecimal(scaling.mean))), deviation));
    }
  }
}

/** Checks a scaling before it is applied: a line through two different points that does not fall. */
export function checkScaling(scaling: Scaling): Result<Scaling, ScalingIssue> {
  if (scaling.kind !== "linear") return ok(scaling);
  if (scaling.x1 === scaling.x2) return refuse({ code: "same_x_twice", x: scaling.x1 });
  const rise = multiply(
    subtract(fromDecimal(scaling.y2), fromDecimal(scaling.y1)),
    subtract(fromDecimal(scaling.x2), fromDecimal(scaling.x1)),
  );
  return rise.n < 0n ? refuse({ code: "falling_line", y1: scaling.y1, y2: scaling.y2 }) : ok(scaling);
}

/** The T scaling of a class, with the population standard deviation. Without spread there is nothing to scale. */
export function tScaling(scores: readonly Exact[]): Result<Scaling, ScalingIssue> {
  const first = scores[0];
  if (!first) return refuse({ code: "nothing_to_scale" });
  const count = whole(scores.length);
  const mean = divide(sum(scores), count);
  const squares = scores.map((score) => multiply(subtract(score, mean), subtract(score, mean)));
  const deviation = squareRoot(divide(sum(squares), count));
  if (deviation.n === 0n) return refuse({ code: "no_spread", score: first });
  return ok({ kind: "tScore", mean: pointsText(mean), deviation: pointsText(deviation) });
}

/** The scaling that lifts the highest score to the maximum, by adding points or by a factor. */
export function topToMaximum(
  scores: readonly Exact[],
  maximum: Decimal,
  by: "adding" | "factor",
): Result<Scaling, ScalingIssue> {
  const [first, ...rest] = scores;
  if (!first) return refuse({ code: "nothing_to_scale" });
  const top = rest.reduce((highest, score) => (compare(score, highest) > 0 ? score : highest), first);
  if (top.n <= 0n) return refuse({ code: "no_spread", score: top });
  return by === "adding"
    ? ok({ kind: "add", points: pointsText(subtract(fromDecimal(maximum), top)) })
    : ok({ kind: "linear", x1: decimal("0"), y1: decimal("0"), x2: pointsText(top), y2: maximum });
}
