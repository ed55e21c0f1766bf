import type { Shelves } from "./shelf";

/** The course that something remembered is about: what follows the last slash; null for what is about none. */
const slotOf = (key: string): string | null => (key.includes("/") ? (key.split("/").at(-1) ?? null) : null);

/** Small things of the screen, by `thing` or `thing/slot`. None of them belongs to a course. */
export class Remembered {
  #known = new Map<string, unknown>();

  /** `shelvesOf` gives the stores as a course sees them; null is about no course. */
  constructor(private readonly shelvesOf: (slot: string | null) => Shelves) {}

  /** It outlives the page from this turn on, also where the page is left before the database has written. */
  async remember(key: string, value: unknown): Promise<void> {
    this.#known.set(key, value);
    const { hurried, meta } = this.shelvesOf(slotOf(key));
    void hurried.set(`screen/${key}`, value).catch(() => null);
    await meta.set(`screen/${key}`, value);
    if (this.#known.get(key) === value) await hurried.remove(`screen/${key}`).catch(() => null);
  }

  /** What was remembered; read once and known from then on, because screens ask for it at every step. */
  async recall(key: string): Promise<unknown> {
    if (this.#known.has(key)) return this.#known.get(key);
    const { hurried, meta } = this.shelvesOf(slotOf(key));
    const left = await hurried.get(`screen/${key}`).catch(() => null);
    const value = left ?? (await meta.get(`screen/${key}`));
    if (!this.#known.has(key)) this.#known.set(key, value);
    return this.#known.get(key);
  }

  /** Forgets what is about one course: it is gone, or its stores are seen otherwise from here on. */
  forget(slot: string): void {
    for (const key of [...this.#known.keys()]) if (slotOf(key) === slot) this.#known.delete(key);
  }
}
