import {
  add,
  closed,
  compare,
  firstReaching,
  intervalText,
  isEmpty,
  meet,
  multiply,
  ratio,
  sameInterval,
  smaller,
  subtract,
  ZERO,
  type Exact,
  type Interval,
} from "#core/kernel";

/** A value that takes part in totals: known, hidden, or itself a total of others. */
export type Source =
  | { readonly kind: "known"; readonly value: Exact | null }
  | {
      readonly kind: "hidden";
      readonly id: string;
      /** Hidden parts of one total that say the same here could change places without its figure changing. */
      readonly like?: string;
    }
  | Total;

/** A total as a student may see it. */
export interface Total {
  readonly kind: "total";
  readonly id: string;
  readonly parts: readonly Source[];
  /** Its figure from those of its parts: continuous, made of straight pieces, never falling when a part rises. */
  readonly combine: (values: readonly (Exact | null)[]) => Exact | null;
  /** What its figure rests on beside those of its parts: totals of one id that say the same here combine alike. */
  readonly form: string;
  /** Where the figure lies as far as it is shown, up to its rounding; null when it is not shown. */
  readonly shown: Interval | null;
}

/** What follows from the totals shown. */
export interface Narrowed {
  readonly intervals: ReadonlyMap<string, Interval>;
  /** Totals whose parts cannot give what is shown. */
  readonly inconsistent: readonly string[];
}

/** Rounds over several totals that share hidden values; one pass is enough where they form one tree. */
const MOST_ROUNDS = 12;

type Ranges = Map<string, Interval>;

/**
 * For every hidden value the interval of values consistent with all totals shown, the other hidden ones free within
 * theirs. Totals nested as a tree narrow each other exactly, because their figures never fall and leave no gaps: from
 * the parts upwards each total's range meets what is shown, and downwards each part keeps what its siblings allow. Trees
 * that share hidden values (a total before and after a change, rows and columns) are gone through until nothing moves.
 * Problem class: Cox, L. H. (1980), Suppression methodology and statistical disclosure control, JASA 75.
 */
export function narrow(totals: readonly Total[], hidden: ReadonlyMap<string, Interval>): Narrowed {
  const ranges: Ranges = new Map(hidden);
  const inconsistent = new Set<string>();
  const trees = totals.map(treeOf);
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const due = trees.filter((tree) => !isAsLeft(tree, ranges));
    if (due.length === 0 || inconsistent.size > 0) break;
    for (const tree of due) {
      const before = rangesIn(tree, ranges);
      if (!pass(tree.total, ranges)) inconsistent.add(tree.total.id);
      tree.left = tree.eachOnce ? rangesIn(tree, ranges) : before;
    }
  }
  return { intervals: ranges, inconsistent: [...inconsistent] };
}

/** A tree with its hidden values, and their ranges with which another way through it would tell nothing new. */
interface Tree {
  readonly total: Total;
  readonly ids: readonly string[];
  /** Each hidden value stands in one place; then one way through is enough. */
  readonly eachOnce: boolean;
  left: readonly (Interval | undefined)[] | null;
}

const hiddenIn = (source: Source): readonly string[] =>
  source.kind === "known" ? [] : source.kind === "hidden" ? [source.id] : source.parts.flatMap(hiddenIn);

function treeOf(total: Total): Tree {
  const all = hiddenIn(total);
  const ids = [...new Set(all)];
  return { total, ids, eachOnce: ids.length === all.length, left: null };
}

const rangesIn = ({ ids }: Tree, ranges: Ranges): Tree["left"] => ids.map((id) => ranges.get(id));

/** Whether a tree's hidden values lie as it left them. */
const isAsLeft = ({ ids, left }: Tree, ranges: Ranges): boolean =>
  left?.every((range, place) => {
    const now = ranges.get(ids[place] ?? "");
    return now === range || (now !== undefined && range !== undefined && sameInterval(now, range));
  }) ?? false;

/** One way up and down a tree; false, with nothing narrowed, where the parts cannot give what is shown. */
function pass(root: Total, ranges: Ranges): boolean {
  const found: Ranges = new Map(ranges);
  const totals = new Map<Total, Interval>();
  const upwards = (source: Source): Interval | null | "impossible" => {
    if (source.kind === "known") return source.value && closed(source.value, source.value);
    if (source.kind === "hidden") return found.get(source.id) ?? null;
    const parts = source.parts.map(upwards);
    if (parts.includes("impossible")) return "impossible";
    const own = rangeOf(source, parts as (Interval | null)[]);
    if (!own) return null;
    const met = source.shown ? meet(own, source.shown) : own;
    if (isEmpty(met)) return "impossible";
    totals.set(source, met);
    return met;
  };
  if (upwards(root) === "impossible") return false;
  const rangeOfPart = (source: Source): Interval | null =>
    source.kind === "known"
      ? source.value && closed(source.value, source.value)
      : source.kind === "hidden"
        ? (found.get(source.id) ?? null)
        : (totals.get(source) ?? null);
  const fits = { all: true };
  const downwards = (total: Total) => {
    const goal = totals.get(total);
    if (!goal) return;
    const parts = total.parts.map(rangeOfPart);
    // Parts that are alike and free within the same range keep the same; most sealed scores of a category are.
    const worked = new Map<string, Interval>();
    total.parts.forEach((part, place) => {
      const own = parts[place];
      // A part that can be one thing only stays that: what is shown lies in what the others give beside it.
      if (part.kind === "known" || !own || isPoint(own)) return;
      const key = part.kind === "hidden" && part.like !== undefined ? `${part.like} ${intervalText(own)}` : null;
      const kept = (key === null ? null : worked.get(key)) ?? narrowPart(total, parts, place, goal);
      if (key !== null) worked.set(key, kept);
      if (isEmpty(kept)) fits.all = false;
      else if (part.kind === "hidden") found.set(part.id, kept);
      else totals.set(part, kept);
    });
    for (const part of total.parts) if (part.kind === "total") downwards(part);
  };
  downwards(root);
  if (fits.all) for (const [id, range] of found) ranges.set(id, range);
  return fits.all;
}

type End = "low" | "high";
const endsOf = (parts: readonly (Interval | null)[], end: End) => parts.map((part) => part && part[end]);

/** So close to an end that does not belong to its interval that no plateau worth speaking of lies in between. */
const NEAR = ratio(1n, 1_000_000n);

const isPoint = ({ low, high }: Interval): boolean => compare(low, high) === 0;

/** The ends that belong to their intervals, and values just inside for those that do not. The ends themselves where all do. */
function insideEnds(parts: readonly (Interval | null)[], end: End, ends: (Exact | null)[]): (Exact | null)[] {
  if (parts.every((part) => !part || (end === "low" ? part.lowIncluded : part.highIncluded))) return ends;
  return parts.map((part) => {
    if (!part || (end === "low" ? part.lowIncluded : part.highIncluded)) return part && part[end];
    const half = multiply(subtract(part.high, part.low), ratio(1n, 2n));
    const inward = smaller(half, NEAR);
    return end === "low" ? add(part.low, inward) : subtract(part.high, inward);
  });
}

/** The range of a total while each part stays in its own. An end is in it where it is reached from inside, too. */
function rangeOf(total: Total, parts: readonly (Interval | null)[]): Interval | null {
  const [lows, highs] = [endsOf(parts, "low"), endsOf(parts, "high")];
  const low = total.combine(lows);
  const high = parts.every((part) => !part || isPoint(part)) ? low : total.combine(highs);
  const [insideLow, insideHigh] = [insideEnds(parts, "low", lows), insideEnds(parts, "high", highs)];
  const lowest = insideLow === lows ? low : total.combine(insideLow);
  const highest = insideHigh === highs ? high : total.combine(insideHigh);
  if (!low || !high || !lowest || !highest) return null;
  return { low, lowIncluded: compare(low, lowest) === 0, high, highIncluded: compare(high, highest) === 0 };
}

/** What one part can be while its total lies in `goal` and its siblings are free within their ranges. */
function narrowPart(total: Total, parts: readonly (Interval | null)[], place: number, goal: Interval): Interval {
  const own = parts[place] ?? closed(goal.low, goal.high);
  const withOthersAt = (values: readonly (Exact | null)[]) => {
    const all = [...values];
    return (x: Exact): Exact => {
      all[place] = x;
      return total.combine(all) ?? goal.low;
    };
  };
  const withOthers = (end: End): [OfOne, OfOne] => {
    const ends = endsOf(parts, end);
    const inside = insideEnds(parts, end, ends);
    const f = withOthersAt(ends);
    return [f, inside === ends ? f : withOthersAt(inside)];
  };
  return meet(own, {
    ...leastEnd(...withOthers("high"), own, goal),
    ...mostEnd(...withOthers("low"), own, goal),
  });
}

type OfOne = (x: Exact) => Exact;

/** The lower end: below it even the highest siblings do not lift the total to the goal. */
function leastEnd(f: OfOne, inside: OfOne, own: Interval, goal: Interval) {
  const crossing = firstReaching(f, own.low, own.high, goal.low);
  if (!crossing) return { low: own.high, lowIncluded: false };
  const reached = compare(inside(crossing.at), goal.low);
  return { low: crossing.at, lowIncluded: reached > 0 || (reached === 0 && goal.lowIncluded) };
}

/** The upper end: above it even the lowest siblings push the total past the goal. */
function mostEnd(f: OfOne, inside: OfOne, own: Interval, goal: Interval) {
  const minus = (value: Exact): Exact => subtract(ZERO, value);
  if (!goal.highIncluded) {
    // The goal's end is out of reach: the part ends where the total first comes to it.
    const crossing = firstReaching(f, own.low, own.high, goal.high);
    if (!crossing) return { high: own.high, highIncluded: true };
    return { high: crossing.at, highIncluded: compare(inside(crossing.at), goal.high) < 0 };
  }
  // The last place not past the goal is the first one of the mirrored total.
  const crossing = firstReaching((x) => minus(f(minus(x))), minus(own.high), minus(own.low), minus(goal.high));
  if (!crossing) return { high: own.low, highIncluded: false };
  const high = minus(crossing.at);
  return { high, highIncluded: compare(inside(high), goal.high) <= 0 };
}
