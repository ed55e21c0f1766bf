import { decimal, fromDecimal, isDecimal, ok, refuse, type Decimal, type Exact, type Result } from "#core/kernel";
import type { Assignment, Scaling } from "#core/model";
import { checkScaling, topToMaximum, tScaling, type ScalingIssue } from "#core/scoring";

/** The ways a whole assignment can be scaled, as they are offered. */
export const SCALING_WAYS = [
  ["none", "as scored"],
  ["add", "add points"],
  ["top", "highest to the maximum, adding"],
  ["factor", "highest to the maximum, by a factor"],
  ["linear", "a line through two points"],
  ["squareRoot", "square root"],
  ["tScore", "T scores (mean 50, SD 10)"],
] as const;
/** A way a whole assignment can be scaled. */
export type ScalingWay = (typeof SCALING_WAYS)[number][0];

/** What is being tried: a way with its figures as they were typed. */
export interface ScalingWish {
  readonly way: ScalingWay;
  readonly points: Decimal;
  readonly x1: Decimal;
  readonly y1: Decimal;
  readonly x2: Decimal;
  readonly y2: Decimal;
}

/** What stands in the form at first: the scaling that is in force, or none. */
export function firstWish({ scaling, points }: Assignment): ScalingWish {
  const plain = { points: decimal("5"), x1: decimal("0"), y1: decimal("0"), x2: points, y2: points };
  if (scaling?.kind === "add") return { ...plain, way: "add", points: scaling.points };
  if (scaling?.kind === "linear") {
    const { x1, y1, x2, y2 } = scaling;
    return { ...plain, way: "linear", x1, y1, x2, y2 };
  }
  return { ...plain, way: scaling?.kind ?? "none" };
}

/** Reads a wish that was left as a draft; null where it is none. */
export function readWish(stored: unknown): ScalingWish | null {
  if (typeof stored !== "object" || stored === null) return null;
  const wish = stored as Readonly<Record<string, unknown>>;
  const isWay = SCALING_WAYS.some(([way]) => way === wish.way);
  const isFigure = (value: unknown) => typeof value === "string" && isDecimal(value);
  return isWay && ["points", "x1", "y1", "x2", "y2"].every((field) => isFigure(wish[field]))
    ? (stored as ScalingWish)
    : null;
}

/** The scaling of a wish, from the scores as they were given; null leaves them as scored. */
export function scalingOf(
  { way, points, x1, y1, x2, y2 }: ScalingWish,
  assignment: Assignment,
  given: readonly Exact[],
): Result<Scaling | null, ScalingIssue> {
  switch (way) {
    case "none":
      return ok(null);
    case "add":
      return fromDecimal(points).n === 0n ? ok(null) : ok({ kind: "add", points });
    case "top":
      return topToMaximum(given, assignment.points, "adding");
    case "factor":
      return topToMaximum(given, assignment.points, "factor");
    case "linear":
      return checkScaling({ kind: "linear", x1, y1, x2, y2 });
    case "squareRoot":
      return given.length === 0 ? refuse({ code: "nothing_to_scale" }) : ok({ kind: "squareRoot" });
    case "tScore":
      return tScaling(given);
  }
}
