import { ENTRY_SCHEMA, newChain, runCommand, type Chain, type Command, type Entry } from "#core/changes";
import { refuse, type FileId } from "#core/kernel";
import { courseOf, EMPTY_STATE } from "#core/model";
import { followAll } from "./journal/journal";
import type { PackedJournal } from "./journal/many-entries";
import { JournalError } from "./journal/journal-error";
import {
  dropListing,
  endMove,
  isKnown,
  keepListing,
  markArchived,
  readListings,
  renameListing,
  type CourseListing,
} from "./listing";
import type { LockWish } from "./lock/lock-record";
import { noKeyTabs } from "./lock/key-tabs";
import { Locksmith, type LockFacts, type SameLock } from "./lock/locksmith";
import { copyCourse, type TellCopied } from "./lock/copy-course";
import { migrate } from "./migrations";
import { readJournal } from "./journal/read-journal";
import { folderKey } from "./journal/meta-keys";
import { Remembered } from "./remembered";
import { CourseSession } from "./session";
import type { Surroundings } from "./surroundings";
import type { CourseShelves, Neighbours, Shelves } from "./shelves/shelf";
import { spaceTaken, type TakenSpace } from "./space";
import type { Tray } from "./tray";
import { writeFiles } from "./write-files";
import { beginReading, clearCutShort, endReading, freeSlot } from "./slots";

/** Files kept at hand: the paper on the desk, its neighbours, and a few before. */
const RECENT_FILES = 8;

/** How a whole course is kept. */
interface KeepWish {
  /** Null: open to whoever can use the browser. */
  readonly lock?: LockWish | SameLock | null;
  /** The chain that came with its journal; null begins a new one, which proves nothing of what was before. */
  readonly chain?: Chain | null;
}

/** The one door to everything that is kept. */
export class Repository {
  #sessions = new Map<string, Promise<CourseSession | null>>();
  #opened = new Map<string, CourseSession>();
  #trays = new Map<string, Promise<Tray>>();
  #recentFiles = new Map<string, Blob>();
  #listed: readonly CourseListing[] | null = null;
  readonly #remembered: Remembered;
  /** Knows which courses are locked, and the keys of those that are open. */
  readonly locksmith: Locksmith;

  private constructor(
    private readonly shelves: Shelves,
    private readonly neighbours: Neighbours,
    readonly surroundings: Surroundings,
  ) {
    this.locksmith = new Locksmith(shelves, surroundings.stretcher ?? null, surroundings.keyTabs ?? noKeyTabs());
    this.#remembered = new Remembered((slot) => {
      if (slot === null) return shelves;
      return this.#opened.has(slot) ? this.locksmith.atHand(slot) : null;
    });
  }

  /** @throws NewerStorageError when a newer application wrote the stores */
  static async open(shelves: Shelves, neighbours: Neighbours, surroundings: Surroundings): Promise<Repository> {
    await neighbours.alone("layout", () => migrate(shelves));
    const repository = new Repository(shelves, neighbours, surroundings);
    await repository.#endMoves();
    return repository;
  }

  /** Clears what a course came in the place of, where that was cut short. */
  async #endMoves(): Promise<void> {
    const moved = (await readListings(this.shelves)).filter(({ insteadOf }) => insteadOf !== undefined);
    for (const listing of moved) await this.neighbours.alone("courses", () => this.#clearMoved(listing));
  }

  async #clearMoved(listing: CourseListing): Promise<void> {
    const { insteadOf } = listing;
    if (insteadOf === undefined) return;
    await beginReading(this.shelves, insteadOf);
    await dropListing(this.shelves, insteadOf);
    await this.#clearWhatIsNothing();
    await endMove(this.shelves, listing);
    this.#listed = null;
  }

  async #clearWhatIsNothing(): Promise<void> {
    await clearCutShort(this.shelves, new Set((await this.courses()).map((course) => course.slot)));
  }

  async courses(): Promise<CourseListing[]> {
    const listed = await readListings(this.shelves);
    this.#listed = listed;
    return listed;
  }

  /**
   * The courses as last listed, without waiting for the store: what a screen needs while a person types. Those that are
   * open go by what they are called now.
   */
  async coursesAtHand(): Promise<readonly CourseListing[]> {
    const listed = this.#listed ?? (await this.courses());
    return listed.map((one) => {
      const session = this.#opened.get(one.slot);
      return session ? { ...one, title: courseOf(session.state).title } : one;
    });
  }

  /**
   * The session of a course, opened once per tab, also for those who ask at the same time; null where there is no such
   * course.
   * @throws CourseLockedError where its key is wanted first, and what opening it throws
   */
  session(slot: string): Promise<CourseSession | null> {
    const known = this.#sessions.get(slot);
    if (known) return known;
    const opening = this.#open(slot);
    this.#sessions.set(slot, opening);
    const forget = () => {
      if (this.#sessions.get(slot) === opening) this.#sessions.delete(slot);
    };
    opening.then((session) => {
      if (!session) forget();
    }, forget);
    return opening;
  }

  /** What was dropped in a course and is not yet taken in; opened once per tab. */
  tray(slot: string): Promise<Tray> {
    const known =
      this.#trays.get(slot) ??
      Promise.all([import("./tray"), this.locksmith.shelvesOf(slot)]).then(([all, shelves]) =>
        all.Tray.open(shelves, slot, this.neighbours),
      );
    this.#trays.set(slot, known);
    known.catch(() => this.#trays.delete(slot));
    return known;
  }

  async #open(slot: string): Promise<CourseSession | null> {
    if (!(await isKnown(this.shelves, slot))) return null;
    const shelves = await this.locksmith.shelvesOf(slot);
    // What was still being asked for when a course went from this slot is not about this one.
    await this.#remembered.forget(slot);
    const session = await CourseSession.open(slot, shelves, this.neighbours, this.surroundings);
    this.#opened.set(slot, session);
    return session;
  }

  /**
   * Keeps a whole course in a slot where nothing lies yet: files first, then the journal, which is read back, and its
   * listing last, so that a course half written is never listed. The slot is the wish, or the wish with a number. Under a
   * lock nothing of it is ever written open, and its slot says nothing of it.
   * @throws JournalError when the entries cannot be followed, or do not come back as they were written
   */
  async keepCourse(
    wish: string,
    entries: readonly Entry[],
    files: ReadonlyMap<FileId, Blob>,
    { lock = null, chain = null }: KeepWish = {},
  ): Promise<string> {
    const ledger = followAll(entries);
    const { writeWholeJournal } = await import("./journal/many-entries");
    return this.#keepAnew(wish, files, { lock, seq: ledger.seq }, (shelves, slot) =>
      writeWholeJournal(shelves, slot, ledger, chain ?? newChain(entries)),
    );
  }

  /** Keeps a course that was read from a course file, in the same way. */
  async keepPacked(wish: string, journal: PackedJournal, files: ReadonlyMap<FileId, Blob>): Promise<string> {
    const { writePackedJournal } = await import("./journal/many-entries");
    return this.#keepAnew(wish, files, { lock: null, seq: journal.count }, (shelves, slot) =>
      writePackedJournal(shelves, slot, journal),
    );
  }

  #keepAnew(
    wish: string,
    files: ReadonlyMap<FileId, Blob>,
    { lock, seq }: { readonly lock: LockWish | SameLock | null; readonly seq: number },
    write: (shelves: CourseShelves, slot: string) => Promise<void>,
  ): Promise<string> {
    return this.neighbours.alone("courses", async () => {
      await this.#clearWhatIsNothing();
      const slot = await freeSlot(this.shelves, lock ? this.#wordlessSlot() : wish);
      await beginReading(this.shelves, slot);
      const shelves = lock ? await this.locksmith.install(slot, lock) : this.shelves;
      await writeFiles(shelves, slot, files);
      await write(shelves, slot);
      await this.#endKeeping(shelves, slot, seq);
      return slot;
    });
  }

  /** Lists what was written, once it reads back. */
  async #endKeeping(shelves: CourseShelves, slot: string, seq: number, beside: Parameters<typeof keepListing>[3] = {}) {
    const back = (await readJournal(shelves, slot)).ledger;
    if (back.damage || back.seq !== seq) throw new JournalError("damaged", back.damage?.seq ?? back.seq);
    await keepListing(shelves, slot, back.state, beside);
    this.#listed = null;
    await endReading(shelves, slot);
  }

  /** A slot stands in addresses and keys: that of a locked course names nothing. */
  #wordlessSlot(): string {
    return `c-${this.surroundings
      .fresh()
      .replace(/[^a-z0-9]/g, "")
      .slice(-12)}`;
  }

  /**
   * Puts a lock on a course, or takes its lock off: all of it is written anew, in another slot, and once that reads back
   * the old one goes. Cut short at any moment, the course is there once and whole. Answers the new slot.
   * @throws JournalError where it is damaged, Error with words where it was changed meanwhile, what `tell` throws to stop,
   * and what the store throws; the course is then open as before
   */
  async moveCourse(slot: string, lock: LockWish | null, wish: string, tell: TellCopied): Promise<string> {
    const session = await this.session(slot);
    if (!session || session.damage) throw new JournalError("damaged", session?.damage?.seq ?? 1);
    await session.settled();
    const from = await this.locksmith.shelvesOf(slot);
    return this.neighbours.alone("courses", async () => {
      await this.#clearWhatIsNothing();
      const to = await freeSlot(this.shelves, lock ? this.#wordlessSlot() : wish);
      const archived = (await this.courses()).some((course) => course.slot === slot && course.archived);
      try {
        await beginReading(this.shelves, to);
        const shelves = lock ? await this.locksmith.install(to, lock) : this.shelves;
        await this.neighbours.alone(slot, async () => {
          await copyCourse({ shelves: from, slot }, { shelves, slot: to }, tell);
          const { seq } = (await readJournal(from, slot)).ledger;
          if (session.seq !== seq) throw new Error("The course was changed meanwhile. Nothing was lost; try again.");
          // Nothing more is taken from here on; whoever opens the course again finds it where it lies then.
          await this.#forgetOpened(slot, session);
          await this.#endKeeping(shelves, to, seq, { archived, insteadOf: slot });
          await this.#clearMoved(await this.#listingOf(to));
        });
      } catch (error) {
        await this.#clearWhatIsNothing();
        throw error;
      }
      await this.locksmith.drop(slot);
      this.locksmith.tellMoved(slot);
      return to;
    });
  }

  /** What a locked course is called while it is locked, and when it locks itself. */
  async keepLockFacts(slot: string, facts: Pick<LockFacts, "label" | "idleMinutes">): Promise<void> {
    const shelves = await this.locksmith.shelvesOf(slot);
    await this.locksmith.keepFacts(slot, facts);
    const session = await this.session(slot);
    if (session) await renameListing(shelves, slot, session.state);
    this.#listed = null;
  }

  async #listingOf(slot: string): Promise<CourseListing> {
    const found = (await this.courses()).find((course) => course.slot === slot);
    if (!found) throw new RangeError(`no course ${slot}`);
    return found;
  }

  /** Resolves once nothing that is about it is being written any more. */
  async #forgetOpened(slot: string, session: CourseSession | null | undefined): Promise<void> {
    session?.close();
    this.#sessions.delete(slot);
    this.#trays.delete(slot);
    this.#opened.delete(slot);
    for (const key of [...this.#recentFiles.keys()]) if (key.startsWith(`${slot}/`)) this.#recentFiles.delete(key);
    await this.#remembered.forget(slot);
  }

  /** Puts a course away, or takes it out again. */
  async archiveCourse(slot: string, archived: boolean): Promise<void> {
    const listing = (await this.courses()).find((course) => course.slot === slot);
    if (listing) await markArchived(this.shelves, listing, archived);
    this.#listed = null;
  }

  /**
   * Deletes a course with its files and drafts. It is first named as a slot that is nothing, so that a deleting which is
   * cut short leaves no course half there; what is left of it goes with the next course that is kept.
   */
  async deleteCourse(slot: string): Promise<void> {
    const session = await this.#sessions.get(slot)?.catch(() => null);
    // What is being written ends first, or it would stand there again after the course is gone.
    await session?.settled();
    await this.#forgetOpened(slot, session);
    await this.neighbours.alone("courses", async () => {
      await beginReading(this.shelves, slot);
      await dropListing(this.shelves, slot);
      this.#listed = null;
      await this.#clearWhatIsNothing();
      await this.locksmith.drop(slot);
    });
  }

  /** A course from its first command on. */
  async startCourse(wish: string, start: Extract<Command, { type: "startCourse" }>, lock: LockWish | null = null) {
    const context = {
      at: this.surroundings.now(),
      by: start.course.markerId,
      fresh: this.surroundings.fresh,
      journal: [],
    };
    const done = runCommand(EMPTY_STATE, start, context);
    if (!done.ok) return refuse(done.issue);
    const entry: Entry = { seq: 1, schema: ENTRY_SCHEMA, kind: "change", of: null, change: done.value.change };
    return {
      ok: true as const,
      value: await this.keepCourse(wish, [entry], new Map(), { lock, chain: { ...newChain([entry]), unproven: 0 } }),
    };
  }

  /** Forgets a file that no course came to name. */
  dropFile(slot: string, id: FileId): Promise<void> {
    return this.shelves.files.remove(`${slot}/${id}`);
  }

  async keepFile(slot: string, id: FileId, blob: Blob): Promise<void> {
    await (await this.locksmith.shelvesOf(slot)).files.set(`${slot}/${id}`, blob);
  }

  /** The same Blob for the same file while it is in use, so that a page does not draw it anew. */
  async readFile(slot: string, id: FileId): Promise<Blob | null> {
    const key = `${slot}/${id}`;
    const recent = this.#recentFiles.get(key);
    const found = recent ?? (await (await this.locksmith.shelvesOf(slot)).files.get(key));
    if (!(found instanceof Blob)) return null;
    this.#recentFiles.delete(key);
    this.#recentFiles.set(key, found);
    const oldest = this.#recentFiles.keys().next().value;
    if (oldest !== undefined && this.#recentFiles.size > RECENT_FILES) this.#recentFiles.delete(oldest);
    return found;
  }

  /** The folder into which copies of a course are written; null where none was chosen. */
  async folderOf(slot: string): Promise<unknown> {
    return this.shelves.meta.get(folderKey(slot)).catch(() => null);
  }

  /** Keeps a folder as the browser hands it out, or lets go of it. */
  async keepFolder(slot: string, folder: object | null): Promise<void> {
    if (folder) await this.shelves.meta.set(folderKey(slot), folder);
    else await this.shelves.meta.remove(folderKey(slot));
  }

  /** What a course takes in this browser, in bytes. */
  spaceOf(slot: string): Promise<TakenSpace> {
    return spaceTaken(this.shelves, slot);
  }

  /** Keeps a small thing of the screen, such as the paper to resume at; it is no part of the course. */
  remember(key: string, value: unknown): Promise<void> {
    return this.#remembered.remember(key, value);
  }

  recall(key: string): Promise<unknown> {
    return this.#remembered.recall(key);
  }
}
