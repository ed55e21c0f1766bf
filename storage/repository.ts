import { ENTRY_SCHEMA, runCommand, type Command, type Entry } from "#core/changes";
import { refuse, type FileId } from "#core/kernel";
import { courseOf, EMPTY_STATE } from "#core/model";
import { followAll, writeWholeJournal } from "./journal";
import { JournalError } from "./journal-error";
import { dropListing, isKnown, keepListing, markArchived, readListings, type CourseListing } from "./listing";
import { migrate } from "./migrations";
import { readJournal } from "./read-journal";
import { CourseSession, type Surroundings } from "./session";
import type { Neighbours, Shelves } from "./shelf";
import type { Tray } from "./tray";
import { beginReading, clearCutShort, endReading, freeSlot } from "./slots";

/** Files kept at hand: the paper on the desk, its neighbours, and a few before. */
const RECENT_FILES = 8;

/** The one door to everything that is kept. */
export class Repository {
  #sessions = new Map<string, Promise<CourseSession | null>>();
  #opened = new Map<string, CourseSession>();
  #trays = new Map<string, Promise<Tray>>();
  #recentFiles = new Map<string, Blob>();
  #listed: readonly CourseListing[] | null = null;
  #remembered = new Map<string, unknown>();

  private constructor(
    private readonly shelves: Shelves,
    private readonly neighbours: Neighbours,
    readonly surroundings: Surroundings,
  ) {}

  /** @throws NewerStorageError when a newer application wrote the stores */
  static async open(shelves: Shelves, neighbours: Neighbours, surroundings: Surroundings): Promise<Repository> {
    await neighbours.alone("layout", () => migrate(shelves));
    return new Repository(shelves, neighbours, surroundings);
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
      this.#trays.get(slot) ?? import("./tray").then((all) => all.Tray.open(this.shelves, slot, this.neighbours));
    this.#trays.set(slot, known);
    known.catch(() => this.#trays.delete(slot));
    return known;
  }

  async #open(slot: string): Promise<CourseSession | null> {
    if (!(await isKnown(this.shelves, slot))) return null;
    const session = await CourseSession.open(slot, this.shelves, this.neighbours, this.surroundings);
    this.#opened.set(slot, session);
    return session;
  }

  /**
   * Keeps a whole course in a slot where nothing lies yet: files first, then the journal, which is read back, and its
   * listing last, so that a course half written is never listed. The slot is the wish, or the wish with a number.
   * @throws JournalError when the entries cannot be followed, or do not come back as they were written
   */
  async keepCourse(wish: string, entries: readonly Entry[], files: ReadonlyMap<FileId, Blob>): Promise<string> {
    const ledger = followAll(entries);
    return this.neighbours.alone("courses", async () => {
      await clearCutShort(this.shelves, new Set((await this.courses()).map((course) => course.slot)));
      const slot = await freeSlot(this.shelves, wish);
      await beginReading(this.shelves, slot);
      for (const [id, blob] of files) await this.keepFile(slot, id, blob);
      await writeWholeJournal(this.shelves, slot, ledger);
      const back = (await readJournal(this.shelves, slot)).ledger;
      if (back.damage || back.seq !== ledger.seq) throw new JournalError("damaged", back.damage?.seq ?? back.seq);
      await keepListing(this.shelves, slot, ledger.state);
      this.#listed = null;
      await endReading(this.shelves, slot);
      return slot;
    });
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
    session?.close();
    this.#sessions.delete(slot);
    this.#trays.delete(slot);
    this.#opened.delete(slot);
    await this.neighbours.alone("courses", async () => {
      await beginReading(this.shelves, slot);
      await dropListing(this.shelves, slot);
      this.#listed = null;
      await clearCutShort(this.shelves, new Set((await this.courses()).map((course) => course.slot)));
      for (const shelf of [this.shelves.meta, this.shelves.hurried]) {
        for (const key of await shelf.keys()) {
          if (key.startsWith("screen/") && key.endsWith(`/${slot}`)) await shelf.remove(key);
        }
      }
    });
    for (const key of [...this.#remembered.keys()]) if (key.endsWith(`/${slot}`)) this.#remembered.delete(key);
    for (const key of [...this.#recentFiles.keys()]) if (key.startsWith(`${slot}/`)) this.#recentFiles.delete(key);
  }

  /** A course from its first command on. */
  async startCourse(wish: string, start: Extract<Command, { type: "startCourse" }>) {
    const context = {
      at: this.surroundings.now(),
      by: start.course.markerId,
      fresh: this.surroundings.fresh,
      journal: [],
    };
    const done = runCommand(EMPTY_STATE, start, context);
    if (!done.ok) return refuse(done.issue);
    const entry: Entry = { seq: 1, schema: ENTRY_SCHEMA, kind: "change", of: null, change: done.value.change };
    return { ok: true as const, value: await this.keepCourse(wish, [entry], new Map()) };
  }

  /** Forgets a file that no course came to name. */
  dropFile(slot: string, id: FileId): Promise<void> {
    return this.shelves.files.remove(`${slot}/${id}`);
  }

  keepFile(slot: string, id: FileId, blob: Blob): Promise<void> {
    return this.shelves.files.set(`${slot}/${id}`, blob);
  }

  /** The same Blob for the same file while it is in use, so that a page does not draw it anew. */
  async readFile(slot: string, id: FileId): Promise<Blob | null> {
    const key = `${slot}/${id}`;
    const recent = this.#recentFiles.get(key);
    const found = recent ?? (await this.shelves.files.get(key));
    if (!(found instanceof Blob)) return null;
    this.#recentFiles.delete(key);
    this.#recentFiles.set(key, found);
    const oldest = this.#recentFiles.keys().next().value;
    if (oldest !== undefined && this.#recentFiles.size > RECENT_FILES) this.#recentFiles.delete(oldest);
    return found;
  }

  /**
   * Keeps a small thing of the screen, such as the paper to resume at; it is no part of the course. It outlives the page
   * from this turn on, also where the page is left before the database has written.
   */
  async remember(key: string, value: unknown): Promise<void> {
    this.#remembered.set(key, value);
    const { hurried, meta } = this.shelves;
    void hurried.set(`screen/${key}`, value).catch(() => null);
    await meta.set(`screen/${key}`, value);
    if (this.#remembered.get(key) === value) await hurried.remove(`screen/${key}`).catch(() => null);
  }

  /** What was remembered; read once and known from then on, because screens ask for it at every step. */
  async recall(key: string): Promise<unknown> {
    if (this.#remembered.has(key)) return this.#remembered.get(key);
    const left = await this.shelves.hurried.get(`screen/${key}`).catch(() => null);
    const value = left ?? (await this.shelves.meta.get(`screen/${key}`));
    if (!this.#remembered.has(key)) this.#remembered.set(key, value);
    return this.#remembered.get(key);
  }
}
