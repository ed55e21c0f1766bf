/** What a kept value rests on beside its owner, by name. A list is compared member by member. */
export type Basis = Readonly<Record<string, unknown>>;

interface Keeping<Given extends readonly unknown[], T> {
  /**
   * The object it is kept with; what is kept goes when that goes. Left out only for what never changes and is needed in
   * few kinds, such as the date format of a time zone: it is kept for good.
   */
  readonly owner?: (...given: Given) => object;
  /** Which of several values of one owner this is, where there are several. */
  readonly part?: (...given: Given) => string;
  /** What else it rests on: where one of these is another one, the value is made anew. */
  readonly basis?: (...given: Given) => Basis;
  /**
   * How many values of one part are kept side by side, the one asked for last first. One where left out; with two, a
   * preview that is looked at between two looks at the course does not drive the course's own value out.
   */
  readonly most?: number;
  /** Makes the value; `before` is the one asked for last, for those who hand the same object out again. */
  readonly make: (before: T | undefined, ...given: Given) => T;
}

interface Kept<T> {
  readonly basis: Basis;
  readonly value: T;
}

const NO_BASIS: Basis = {};

const isList = (part: unknown): part is readonly unknown[] => Array.isArray(part);

const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((member, at) => member === b[at]);

function sameBasis(a: Basis, b: Basis): boolean {
  for (const name in a) {
    const [one, other] = [a[name], b[name]];
    if (one !== other && !(isList(one) && isList(other) && sameList(one, other))) return false;
  }
  return true;
}

/**
 * The one way to keep a computed thing while what it rests on stands. Answers a function that hands out the very same
 * value as long as its owner, its part and every named part of its basis are the same objects.
 */
export function keptBy<Given extends readonly unknown[], T>(keeping: Keeping<Given, T>): (...given: Given) => T {
  const forGood = {};
  const { owner = () => forGood, part, basis, most = 1, make } = keeping;
  const alone = new WeakMap<object, Kept<T>[]>();
  const byPart = new WeakMap<object, Map<string, Kept<T>[]>>();

  function keptOf(given: Given): Kept<T>[] {
    const owning = owner(...given);
    if (!part) return listIn(alone, owning);
    let parts = byPart.get(owning);
    if (!parts) byPart.set(owning, (parts = new Map<string, Kept<T>[]>()));
    return listIn(parts, part(...given));
  }

  return (...given) => {
    const list = keptOf(given);
    const now = basis ? basis(...given) : NO_BASIS;
    const at = list.findIndex((kept) => sameBasis(kept.basis, now));
    const found = list[at];
    if (found) {
      if (at > 0) list.unshift(...list.splice(at, 1));
      return found.value;
    }
    const value = make(list[0]?.value, ...given);
    list.unshift({ basis: now, value });
    if (list.length > most) list.length = most;
    return value;
  };
}

interface Shelf<Key, T> {
  get(key: Key): T | undefined;
  set(key: Key, value: T): unknown;
}

function listIn<Key, T>(shelf: Shelf<Key, T[]>, key: Key): T[] {
  let list = shelf.get(key);
  if (!list) shelf.set(key, (list = []));
  return list;
}
