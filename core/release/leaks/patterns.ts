import { fractionText, intervalText, keptBy, type Interval } from "#core/kernel";
import { narrow, type Narrowed, type Source, type Total } from "./narrowing";

/** What follows for hidden values, by the place each has among those of its pattern. */
interface Found {
  readonly ranges: readonly (Interval | undefined)[];
  readonly inconsistent: readonly string[];
}

/** Totals over known and hidden values, written so that those that narrow alike read alike. */
interface Pattern {
  readonly text: string;
  /** The hidden values in the order in which the text first comes to them. */
  readonly ids: readonly string[];
}

interface Asked extends Pattern {
  readonly whole: object;
  readonly totals: readonly Total[];
  readonly hidden: ReadonlyMap<string, Interval>;
}

/** One computation for each pattern, kept with the class it belongs to; the text holds all that it rests on. */
const foundFor = keptBy({
  owner: ({ whole }: Asked) => whole,
  part: ({ text }) => text,
  make: (_, { ids, totals, hidden }): Found => {
    const { intervals, inconsistent } = narrow(totals, hidden);
    return { ranges: ids.map((id) => intervals.get(id)), inconsistent };
  },
});

/**
 * What `narrow` finds, worked out once for all of a class who stand alike: the same known values, the same figures on
 * show, and hidden values of the same kind. `whole` is what the class belongs to, a state of the course.
 */
export function narrowAlike(whole: object, totals: readonly Total[], hidden: ReadonlyMap<string, Interval>): Narrowed {
  const pattern = patternOf(totals, hidden);
  const { ranges, inconsistent } = foundFor({ ...pattern, whole, totals, hidden });
  const intervals = new Map(hidden);
  pattern.ids.forEach((id, place) => {
    const range = ranges[place];
    if (range) intervals.set(id, range);
  });
  return { intervals, inconsistent };
}

function patternOf(totals: readonly Total[], hidden: ReadonlyMap<string, Interval>): Pattern {
  const places = new Map<string, number>();
  const rangeText = (range: Interval | null | undefined) => (range ? intervalText(range) : "-");
  const textOf = (source: Source): string => {
    if (source.kind === "known") return source.value ? fractionText(source.value) : "-";
    if (source.kind === "total") {
      return `${source.id}{${source.form}|${rangeText(source.shown)}|${source.parts.map(textOf).join(",")}}`;
    }
    const before = places.get(source.id);
    if (before !== undefined) return `#${String(before)}`;
    places.set(source.id, places.size);
    return `?${source.like ?? ""} ${rangeText(hidden.get(source.id))}`;
  };
  return { text: totals.map(textOf).join(";"), ids: [...places.keys()] };
}
