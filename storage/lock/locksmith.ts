import type { CourseShelves, Shelves } from "../shelves/shelf";
import { dropLock, keepLock, readLock, type CourseLock, type LockWish, type Stretcher } from "./lock-record";

const sealing = () => import("./sealing");

/** The course is locked, and its key is not in this tab. */
export class CourseLockedError extends Error {
  constructor(
    readonly slot: string,
    readonly label: string,
    readonly hasRecovery: boolean,
  ) {
    super("The course is locked.");
    this.name = "CourseLockedError";
  }
}

/** How keys go from a tab that has one to another of the same browser, and how all of them let go of one. */
export interface KeyTabs {
  /** A key that another tab has; null where none has it. */
  readonly ask: (slot: string) => Promise<Uint8Array | null>;
  /** Says that this tab has a key from here on, or no longer has it. */
  readonly tellOfKey: (slot: string, hasKey: boolean) => void;
  /** Tells the other tabs that a course is to be locked. */
  readonly tellLocked: (slot: string) => void;
  /** Answers other tabs from here on, and hears what they lock. */
  readonly listen: (keyOf: (slot: string) => Uint8Array | null, locked: (slot: string) => void) => void;
}

/** What a page says of a lock. */
export type LockFacts = Pick<CourseLock, "label" | "idleMinutes"> & {
  /** When its recovery sheet was made; null where there is none. */
  readonly recoveryMadeAt: string | null;
};

/** The lock that another course has. */
export interface SameLock {
  readonly as: string;
}

/** Knows the keys of the courses that are open in this tab. They live in its memory and nowhere else. */
export class Locksmith {
  #keys = new Map<string, Uint8Array>();
  #locks = new Map<string, CourseLock>();
  #letGoOf = new Set<(slot: string) => void>();
  #known = new Map<string, CourseShelves>();
  #looking = new Map<string, Promise<CourseShelves>>();

  constructor(
    private readonly shelves: Shelves,
    private readonly stretcher: Stretcher | null,
    private readonly tabs: KeyTabs,
  ) {
    tabs.listen(
      (slot) => this.#keys.get(slot) ?? null,
      (slot) => {
        this.#letGo(slot);
      },
    );
  }

  get #stretcher(): Stretcher {
    if (!this.stretcher) throw new Error("Courses cannot be locked here.");
    return this.stretcher;
  }

  /** The stores as a course sees them, if that is known already. */
  atHand(slot: string): CourseShelves | null {
    return this.#known.get(slot) ?? null;
  }

  /**
   * The stores as a course sees them. Several parts of a page ask at once; the other tabs hear one question.
   * @throws CourseLockedError where its key is wanted first
   */
  shelvesOf(slot: string): Promise<CourseShelves> {
    const known = this.#known.get(slot);
    if (known) return Promise.resolve(known);
    const looking = this.#looking.get(slot) ?? this.#look(slot).finally(() => this.#looking.delete(slot));
    this.#looking.set(slot, looking);
    return looking;
  }

  async #look(slot: string): Promise<CourseShelves> {
    const lock = await readLock(this.shelves, slot);
    if (!lock) {
      this.#known.set(slot, this.shelves);
      return this.shelves;
    }
    const key = await this.tabs.ask(slot);
    if (!key) throw new CourseLockedError(slot, lock.label, lock.recovery !== null);
    return await this.#take(slot, lock, key);
  }

  async #take(slot: string, lock: CourseLock, key: Uint8Array): Promise<CourseShelves> {
    const { Cipher, lockedShelves } = await sealing();
    const own = lockedShelves(this.shelves, slot, new Cipher(key), () => this.#locks.get(slot)?.label ?? lock.label);
    this.#keys.set(slot, key);
    this.tabs.tellOfKey(slot, true);
    this.#locks.set(slot, lock);
    this.#known.set(slot, own);
    return own;
  }

  /** Locks a course in every tab. What is open of it on a page goes only with the page, which hears of it. */
  lock(slot: string): void {
    this.tabs.tellLocked(slot);
    this.#letGo(slot);
  }

  /** Tells the other tabs that a course lies in another slot now. */
  tellMoved(slot: string): void {
    this.tabs.tellLocked(slot);
  }

  #letGo(slot: string): void {
    this.#forget(slot);
    for (const listener of this.#letGoOf) listener(slot);
  }

  /** Calls back with the slot of a course that was locked, here or in another tab; returns how to stop listening. */
  onLocked(listener: (slot: string) => void): () => void {
    this.#letGoOf.add(listener);
    return () => this.#letGoOf.delete(listener);
  }

  /** Opens a course with its passphrase, or with the code of its recovery sheet; answers whether it opens. */
  async unlock(slot: string, by: { readonly passphrase: string } | { readonly code: string }): Promise<boolean> {
    const lock = await readLock(this.shelves, slot);
    if (!lock) return true;
    const { keyByCode, keyByPassphrase } = await sealing();
    const key = "code" in by ? keyByCode(lock, by.code) : await keyByPassphrase(lock, by.passphrase, this.#stretcher);
    if (key) await this.#take(slot, lock, key);
    return key !== null;
  }

  /** Puts a lock on a slot in which nothing lies yet: a new one, or that of another course, which is open. */
  async install(slot: string, wish: LockWish | SameLock): Promise<CourseShelves> {
    const { lock, key } =
      "as" in wish ? await this.#lockAs(wish.as) : await (await sealing()).newLock(wish, this.#stretcher);
    await keepLock(this.shelves, slot, lock);
    return this.#take(slot, lock, key);
  }

  async #lockAs(slot: string): Promise<{ readonly lock: CourseLock; readonly key: Uint8Array }> {
    const [lock, key] = [await this.#lockOf(slot), this.#keys.get(slot)];
    if (!key) throw new CourseLockedError(slot, lock.label, lock.recovery !== null);
    return { lock, key };
  }

  /** What there is to say of the lock of a course that is open here; null where it has none. */
  factsOf(slot: string): LockFacts | null {
    const lock = this.#locks.get(slot);
    if (!lock) return null;
    return { label: lock.label, idleMinutes: lock.idleMinutes, recoveryMadeAt: lock.recovery?.madeAt ?? null };
  }

  /** Another passphrase in the place of the present one; false where that is not the present one. */
  async changePassphrase(slot: string, present: string, next: string): Promise<boolean> {
    const { keyByPassphrase, withPassphrase } = await sealing();
    const lock = await this.#lockOf(slot);
    const key = await keyByPassphrase(lock, present, this.#stretcher);
    if (!key) return false;
    await this.#keep(slot, await withPassphrase(lock, { key, passphrase: next }, this.#stretcher));
    return true;
  }

  /** A recovery sheet of this code; the one before opens nothing any more. */
  async keepRecovery(slot: string, code: string, madeAt: string): Promise<void> {
    const { lock, key } = await this.#lockAs(slot);
    await this.#keep(slot, (await sealing()).withRecovery(lock, key, { code, madeAt }));
  }

  /** What it is called while it is locked, and when it locks itself. */
  async keepFacts(slot: string, facts: Pick<LockFacts, "label" | "idleMinutes">): Promise<void> {
    await this.#keep(slot, { ...(await this.#lockOf(slot)), ...facts });
  }

  async #keep(slot: string, lock: CourseLock): Promise<void> {
    await keepLock(this.shelves, slot, lock);
    this.#locks.set(slot, lock);
  }

  /** Forgets a course that is gone, with its lock. */
  async drop(slot: string): Promise<void> {
    this.#forget(slot);
    await dropLock(this.shelves, slot);
  }

  #forget(slot: string): void {
    this.#keys.delete(slot);
    this.tabs.tellOfKey(slot, false);
    this.#known.delete(slot);
    this.#locks.delete(slot);
  }

  async #lockOf(slot: string): Promise<CourseLock> {
    const lock = await readLock(this.shelves, slot);
    if (!lock) throw new Error("This course has no lock.");
    return lock;
  }
}
