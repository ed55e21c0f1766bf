import type { Shelf } from "./shelves/shelf";

/** What is typed at one place of a course and not kept yet. */
export interface Draft {
  /** What stands in the field, in the form its place uses; plain JSON. */
  readonly value: unknown;
  /** What the course held there when typing began; plain JSON. */
  readonly seen: unknown;
}

/** Letters above which a draft stays in memory only: its store is small, and the steps on their way to the journal need it. */
const MOST_LETTERS = 200_000;

const isDraft = (stored: unknown): stored is Draft =>
  typeof stored === "object" && stored !== null && "value" in stored && "seen" in stored;

/**
 * The half-typed things of a course, by place. They are read once, when the course is opened, and put down in the very turn
 * of the key, so that neither Back nor a reload nor a crash loses them. They are no part of the course and leave with no file.
 */
export class Drafts {
  private constructor(
    private readonly shelf: Shelf,
    private readonly slot: string,
    private readonly known: Map<string, Draft>,
  ) {}

  /** A store that cannot be read holds no drafts; the course opens all the same. */
  static async open(shelf: Shelf, slot: string): Promise<Drafts> {
    const known = new Map<string, Draft>();
    const keys = await shelf.keys().catch(() => []);
    for (const key of keys.filter((one) => one.startsWith(`${slot}/`))) {
      const stored = await shelf.get(key).catch(() => null);
      if (isDraft(stored)) known.set(key.slice(slot.length + 1), { value: stored.value, seen: stored.seen });
    }
    return new Drafts(shelf, slot, known);
  }

  at(place: string): Draft | null {
    return this.known.get(place) ?? null;
  }

  /** Places that begin so and hold something, in the order in which it was first typed. */
  placesUnder(beginning: string): readonly string[] {
    return [...this.known.keys()].filter((place) => place.startsWith(beginning));
  }

  /** Answers whether it outlives the page; in memory it stays either way. */
  put(place: string, draft: Draft): Promise<boolean> {
    this.known.set(place, draft);
    if (JSON.stringify(draft).length > MOST_LETTERS) {
      // An older, shorter text must not be found in its place.
      return this.shelf.remove(`${this.slot}/${place}`).then(
        () => false,
        () => false,
      );
    }
    return this.shelf.set(`${this.slot}/${place}`, draft).then(
      () => true,
      () => false,
    );
  }

  /** Lets go of what was kept or cleared. */
  drop(place: string): void {
    if (this.known.delete(place)) void this.shelf.remove(`${this.slot}/${place}`).catch(() => null);
  }
}
