import { ENTRY_SCHEMA, runCommand, type Command, type Entry } from "#core/changes";
import { refuse, type FileId } from "#core/kernel";
import { courseOf, EMPTY_STATE } from "#core/model";
import { followAll, writeWholeJournal, type Ledger } from "./journal";
import { migrate } from "./migrations";
import { CourseSession, type Surroundings } from "./session";
import type { Neighbours, Shelves } from "./shelf";

/** A course in this browser. `slot` is its name in addresses and keys. */
export interface CourseListing {
  readonly slot: string;
  readonly title: string;
  readonly origin: "demo" | "own";
}

/** Files kept at hand: the paper on the desk, its neighbours, and a few before. */
const RECENT_FILES = 8;

/** The one door to everything that is kept. */
export class Repository {
  #sessions = new Map<string, Promise<CourseSession>>();
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
    const keys = (await this.shelves.meta.keys()).filter((key) => key.startsWith("course/")).sort();
    const listed = (await Promise.all(keys.map((key) => this.shelves.meta.get(key)))) as CourseListing[];
    this.#listed = listed;
    return listed;
  }

  /** The courses as last listed, without waiting for the store: what a screen needs while a person types. */
  async coursesAtHand(): Promise<readonly CourseListing[]> {
    return this.#listed ?? this.courses();
  }

  /** The session of a course, opened once per tab; null where there is no such course. */
  async session(slot: string): Promise<CourseSession | null> {
    const known = this.#sessions.get(slot);
    if (known) return known;
    if (!(await this.shelves.meta.get(`course/${slot}`))) return null;
    const opening = CourseSession.open(slot, this.shelves, this.neighbours, this.surroundings);
    this.#sessions.set(slot, opening);
    opening.catch(() => this.#sessions.delete(slot));
    return opening;
  }

  /**
   * Keeps a whole course: files first, then the journal, and its listing last, so that a course half written is never
   * listed. The slot is the wish, or the wish with a number where that is taken.
   * @throws JournalError when the entries cannot be followed
   */
  async keepCourse(wish: string, entries: readonly Entry[], files: ReadonlyMap<FileId, Blob>): Promise<string> {
    const ledger = followAll(entries);
    return this.neighbours.alone("courses", async () => {
      const taken = new Set((await this.courses()).map((course) => course.slot));
      let slot = wish;
      for (let number = 2; taken.has(slot); number += 1) slot = `${wish}-${String(number)}`;
      for (const [id, blob] of files) await this.keepFile(slot, id, blob);
      await this.#list(slot, ledger);
      return slot;
    });
  }

  /** A course from its first command on. */
  async startCourse(wish: string, start: Extract<Command, { type: "startCourse" }>) {
    const context = { at: this.surroundings.now(), by: start.course.markerId, fresh: this.surroundings.fresh };
    const done = runCommand(EMPTY_STATE, start, context);
    if (!done.ok) return refuse(done.issue);
    const entry: Entry = { seq: 1, schema: ENTRY_SCHEMA, kind: "change", of: null, change: done.value.change };
    return { ok: true as const, value: await this.keepCourse(wish, [entry], new Map()) };
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

  /** Keeps a small thing of the screen, such as the paper to resume at; it is no part of the course. */
  remember(key: string, value: unknown): Promise<void> {
    this.#remembered.set(key, value);
    return this.shelves.meta.set(`screen/${key}`, value);
  }

  /** What was remembered; read once and known from then on, because screens ask for it at every step. */
  async recall(key: string): Promise<unknown> {
    if (this.#remembered.has(key)) return this.#remembered.get(key);
    const value = await this.shelves.meta.get(`screen/${key}`);
    if (!this.#remembered.has(key)) this.#remembered.set(key, value);
    return this.#remembered.get(key);
  }

  async #list(slot: string, ledger: Ledger): Promise<void> {
    await writeWholeJournal(this.shelves, slot, ledger);
    const { title, origin } = courseOf(ledger.state);
    await this.shelves.meta.set(`course/${slot}`, { slot, title, origin } satisfies CourseListing);
    this.#listed = null;
  }
}
