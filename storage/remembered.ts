import type { Shelves } from "./shelves/shelf";

/** The course that something remembered is about: what follows the last slash; null for what is about none. */
const slotOf = (key: string): string | null => (key.includes("/") ? (key.split("/").at(-1) ?? null) : null);

/** Small things of the screen, by `thing` or `thing/slot`. None of them belongs to a course. */
export class Remembered {
  #known = new Map<string, unknown>();
  #writing = new Map<string, Promise<void>>();

  /** `shelvesOf` gives the stores as a course that is open here sees them, and null for any other; null is about no course. */
  constructor(private readonly shelvesOf: (slot: string | null) => Shelves | null) {}

  /**
   * It outlives the page from this turn on, also where the page is left before the database has written. What comes of a
   * course that is no longer open here is passed over: it is gone, or locked, and nothing of it is to lie open.
   */
  remember(key: string, value: unknown): Promise<void> {
    const shelves = this.shelvesOf(slotOf(key));
    if (!shelves) return Promise.resolve();
    this.#known.set(key, value);
    const writing = this.#write(shelves, key, value).finally(() => {
      if (this.#writing.get(key) === writing) this.#writing.delete(key);
    });
    this.#writing.set(key, writing);
    return writing;
  }

  async #write({ hurried, meta }: Shelves, key: string, value: unknown): Promise<void> {
    const before = this.#writing.get(key);
    void hurried.set(`screen/${key}`, value).catch(() => null);
    await Promise.all([before?.catch(() => null), meta.set(`screen/${key}`, value)]);
    if (this.#known.get(key) === value) await hurried.remove(`screen/${key}`).catch(() => null);
  }

  /** What was remembered; read once and known from then on, because screens ask for it at every step. */
  async recall(key: string): Promise<unknown> {
    if (this.#known.has(key)) return this.#known.get(key);
    const shelves = this.shelvesOf(slotOf(key));
    if (!shelves) return null;
    const left = await shelves.hurried.get(`screen/${key}`).catch(() => null);
    const value = left ?? (await shelves.meta.get(`screen/${key}`));
    if (!this.#known.has(key)) this.#known.set(key, value);
    return this.#known.get(key);
  }

  /**
   * Forgets what is about one course: it is gone, or its stores are seen otherwise from here on. Resolves once nothing about it
   * is being written any more.
   */
  async forget(slot: string): Promise<void> {
    for (const key of [...this.#known.keys()]) if (slotOf(key) === slot) this.#known.delete(key);
    const writing = [...this.#writing].flatMap(([key, one]) => (slotOf(key) === slot ? [one] : []));
    await Promise.allSettled(writing);
  }
}
