import {
  advance,
  applyPatches,
  changeInSteps,
  ENTRY_SCHEMA,
  newChain,
  prepareChange,
  prepareStep,
  prepareUndoOf,
  type Change,
  type ChangeIssue,
  type Command,
  type Context,
  type Entry,
  type History,
  type HistoryStep,
} from "#core/changes";
import { ok, refuse, type Result } from "#core/kernel";
import { courseOf, type CourseState } from "#core/model";
import { dueReleases, dueTotals } from "#core/release";
import { Drafts } from "./drafts";
import { forget, hurry, leftBehind, type UnwrittenEntry } from "./hurried";
import { entriesOf, follow, readAfter, writeEntry, writeHead, type Damage, type Ledger } from "./journal/journal";
import { JournalError, JournalGoneError } from "./journal/journal-error";
import { readJournal } from "./journal/read-journal";
import type { StoredJournal } from "./journal/stored-journal";
import { failure, type Keeping } from "./keeping";
import { keepListing, renameListing } from "./listing";
import { onTopOf } from "./on-top";
import type { CourseShelves, Neighbours } from "./shelves/shelf";
import type { Surroundings } from "./surroundings";

/** What a session begins with: the journal, and steps that a tab put down and never wrote. */
interface Opening {
  readonly ledger: Ledger;
  readonly snapshotLacks: boolean;
  readonly left: readonly UnwrittenEntry[];
  readonly drafts: Drafts;
}

/** Entries of a course that is quick to replay without a snapshot. */
const QUICK = 200;
/** Entries written between two looks at whether the journal should be gathered into blocks. */
const COMPACT_EVERY = 100;

const manyEntries = () => import("./journal/many-entries");

/**
 * One open course. A command is answered at once on the state in memory and shows at once; its journal entry is
 * written behind it, one after the other, under a lock that all tabs share; until then the step lies where it outlives the
 * page. Entries of other tabs are followed first; a change of ours that no longer fits is set aside with its words, never
 * forced in.
 */
export class CourseSession {
  /** What is half-typed in this course. */
  readonly drafts: Drafts;
  #ledger: Ledger;
  #pending: readonly UnwrittenEntry[] = [];
  #listed: {
    readonly ledger: Ledger;
    readonly pending: readonly UnwrittenEntry[];
    readonly entries: readonly Entry[];
  } | null = null;
  #state: CourseState;
  #history: History;
  #keeping: Keeping = { kind: "kept", at: null };
  #setAside: readonly Change[] = [];
  #flushing: Promise<void> | null = null;
  #keepAnew = false;
  #listedAs: CourseState["courses"] | null = null;
  #taken = 0;
  #givingOut = false;
  #isClosed = false;
  // Looked into after the first write, because earlier sessions may have left many single entries.
  #writtenSinceCompacting = COMPACT_EVERY;
  #listeners = new Set<() => void>();
  #stopListening: () => void;
  #stopLooking: () => void = () => undefined;

  private constructor(
    readonly slot: string,
    private readonly shelves: CourseShelves,
    private readonly neighbours: Neighbours,
    private readonly surroundings: Surroundings,
    { ledger, snapshotLacks, left, drafts }: Opening,
  ) {
    this.drafts = drafts;
    this.#ledger = ledger;
    this.#state = ledger.state;
    this.#history = ledger.history;
    this.#stopListening = neighbours.listen((announced) => {
      if (announced === slot) void this.#catchUp();
    });
    if (snapshotLacks && ledger.seq > QUICK)
      void manyEntries()
        .then((all) => all.keepSnapshot(shelves, slot, ledger))
        .catch(() => null);
    // Steps left behind stay where they are while nothing may be written.
    if (ledger.damage) return;
    if (left.length > 0) {
      this.#pending = [...left];
      this.#rebase(ledger.seq);
      void this.#flush();
    }
    this.#giveOutDue();
    this.#stopLooking =
      surroundings.often?.(() => {
        this.#giveOutDue();
      }) ?? this.#stopLooking;
  }

  /** Gives out timed releases whose moment has come, also when it passed while the course was closed. */
  #giveOutDue(): void {
    const now = this.now();
    const isDue = dueReleases(this.#state, now).length > 0 || dueTotals(this.#state, now).length > 0;
    if (!isDue || this.#givingOut) return;
    // What is stopped stays due, and is asked about again at the next look.
    if (!this.surroundings.inTurns) this.submit({ type: "releaseDue" });
    else {
      this.#givingOut = true;
      void this.submitInTurns({ type: "releaseDue" }).finally(() => {
        this.#givingOut = false;
      });
    }
  }

  /** @throws JournalError when a newer application wrote it, or when nothing of the course can be read */
  static async open(slot: string, shelves: CourseShelves, neighbours: Neighbours, surroundings: Surroundings) {
    const opening = await neighbours.alone(slot, async () => {
      const { ledger, snapshotLacks } = await readJournal(shelves, slot);
      return { ledger, snapshotLacks, left: await leftBehind(shelves, slot, () => entriesOf(ledger)) };
    });
    const drafts = await Drafts.open(shelves.drafts, slot);
    return new CourseSession(slot, shelves, neighbours, surroundings, { ...opening, drafts });
  }

  /** The sum of the last change that is kept, in the chain of the journal. */
  get seal(): string {
    return this.#ledger.seal;
  }

  /** The first change that does not follow the one before it in the chain; null where all do, as far as opening looks. */
  get broken(): number | null {
    return this.#ledger.broken;
  }

  /** The whole journal as it was stored, with its sums; what is not kept yet is chained on. */
  async journal(): Promise<StoredJournal> {
    await this.settled();
    const { newJournal, storedJournal } = await import("./journal/stored-journal");
    // Of a damaged course the store has not the entries that stand for what is lost.
    if (this.damage) return newJournal(this.entries);
    return storedJournal(this.shelves, this.slot, { count: this.seq, entries: () => this.entries });
  }

  /** How many changes the course has had. */
  get seq(): number {
    return this.#ledger.seq + this.#pending.length;
  }

  /** The present moment, as the surroundings tell it. */
  now(): Context["at"] {
    return this.surroundings.now();
  }

  get state(): CourseState {
    return this.#state;
  }

  get history(): History {
    return this.#history;
  }

  /** What could not be read of this course; while there is any, nothing can be changed. */
  get damage(): Damage | null {
    return this.#ledger.damage;
  }

  get keeping(): Keeping {
    return this.#keeping;
  }

  /** Changes of this tab that another tab's change made impossible; shown until acknowledged. */
  get setAside(): readonly Change[] {
    return this.#setAside;
  }

  /** All journal entries, written and waiting to be written; the same list until there is another. */
  get entries(): readonly Entry[] {
    const [ledger, pending] = [this.#ledger, this.#pending];
    if (this.#listed?.ledger !== ledger || this.#listed.pending !== pending) {
      const waiting = pending.map((step, index) => this.#numbered(step, index));
      this.#listed = { ledger, pending, entries: [...entriesOf(ledger), ...waiting] };
    }
    return this.#listed.entries;
  }

  subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  submit(command: Command): Result<Change, ChangeIssue> {
    const change = prepareChange(this.#state, command, this.#context());
    return change.ok ? this.#take({ kind: "change", of: null, change: change.value }) : change;
  }

  /**
   * Submits a change that has to look at every student, without holding the page up meanwhile. What was worked out for a
   * state that is not the present one any more is worked out again.
   */
  async submitInTurns(command: Command): Promise<Result<Change, ChangeIssue>> {
    const { inTurns } = this.surroundings;
    if (!inTurns) return this.submit(command);
    for (;;) {
      const state = this.#state;
      const change = await inTurns(changeInSteps(state, command, this.#context()));
      // Whoever closed it wants nothing written any more: its course may be gone.
      if (this.#isClosed) return refuse({ code: "nothing_to_change" });
      if (this.#state !== state) continue;
      return change.ok ? this.#take({ kind: "change", of: null, change: change.value }) : change;
    }
  }

  step(step: HistoryStep): Result<Change, ChangeIssue> {
    const prepared = prepareStep(this.#history, step, this.#context());
    return prepared.ok ? this.#take(prepared.value) : prepared;
  }

  /** Undoes one change out of the middle of the journal, if nothing rests on it. */
  undoOne(changeId: Change["id"]): Result<Change, ChangeIssue> {
    const prepared = prepareUndoOf(this.#state, this.entries, changeId, this.#context());
    return prepared.ok ? this.#take(prepared.value) : prepared;
  }

  /** Tries again to write what could not be written; where the store was cleared, the whole course anew. */
  async retry(): Promise<void> {
    if (this.#keeping.kind === "failed" && this.#keeping.why === "gone") this.#keepAnew = true;
    await this.#flush();
  }

  acknowledge(): void {
    this.#setAside = [];
    this.#tell();
  }

  /** Resolves when everything is written or a write has failed. */
  async settled(): Promise<void> {
    await (this.#flushing ?? Promise.resolve());
  }

  close(): void {
    this.#isClosed = true;
    this.#stopListening();
    this.#stopLooking();
    this.#listeners.clear();
  }

  #context(): Context {
    const journal = () => this.entries;
    return {
      at: this.surroundings.now(),
      by: courseOf(this.#state).markerId,
      fresh: this.surroundings.fresh,
      // Asked for by few changes, and a list as long as the course is old.
      get journal() {
        return journal();
      },
    };
  }

  #take(step: UnwrittenEntry): Result<Change, ChangeIssue> {
    if (this.damage) return refuse({ code: "course_damaged", seq: this.damage.seq });
    // It was let go of, to lie in another slot or nowhere: what came now would be written nowhere.
    if (this.#isClosed) return refuse({ code: "nothing_to_change" });
    const next = applyPatches(this.#state, step.change.patches);
    if (!next.ok) return refuse(next.issue);
    this.#state = next.value;
    this.#history = advance(this.#history, step);
    this.#pending = [...this.#pending, step];
    void hurry(this.shelves, this.slot, step, (this.#taken += 1));
    this.#say({ kind: "keeping", count: this.#pending.length });
    void this.#flush();
    return ok(step.change);
  }

  #numbered(step: UnwrittenEntry, index: number): Entry {
    return { seq: this.#ledger.seq + 1 + index, schema: ENTRY_SCHEMA, ...step };
  }

  #flush(): Promise<void> {
    this.#flushing ??= this.#writePending();
    return this.#flushing;
  }

  async #writePending(): Promise<void> {
    try {
      do {
        while (this.#pending.length > 0) {
          this.#say({ kind: "keeping", count: this.#pending.length });
          await this.neighbours.alone(this.slot, () => this.#writeAll());
        }
        await this.#compactNowAndThen();
        // A change that came while the journal was being gathered is waiting now.
      } while (this.#pending.length > 0);
    } catch (error) {
      if (this.#pending.length > 0) this.#say(failure(error, this.#pending.length));
    } finally {
      // In the same breath as the last look at what is pending, so that no change falls between.
      this.#flushing = null;
    }
  }

  async #compactNowAndThen(): Promise<void> {
    if (this.#writtenSinceCompacting < COMPACT_EVERY) return;
    this.#writtenSinceCompacting = 0;
    const { compact } = await manyEntries();
    await this.neighbours.alone(this.slot, () => compact(this.shelves, this.slot, this.#ledger));
  }

  /** Writes what is pending, one entry after the other; "kept" is said as soon as the last one is durable. */
  async #writeAll(): Promise<void> {
    if (this.#keepAnew) await this.#writeAnew();
    else await this.#followOthers();
    for (let next = this.#pending[0]; next; next = this.#pending[0]) {
      const entry = this.#numbered(next, 0);
      const seal = await writeEntry(this.shelves, this.slot, entry, this.#ledger.seal);
      this.#ledger = { ...follow(this.#ledger, entry), seal };
      this.#pending = this.#pending.slice(1);
      void forget(this.shelves, this.slot, next);
      this.#writtenSinceCompacting += 1;
      if (this.#pending.length > 0) this.#say({ kind: "keeping", count: this.#pending.length });
    }
    this.#say({ kind: "kept", at: this.surroundings.now() });
    this.neighbours.announce(this.slot);
    await writeHead(this.shelves, this.slot, this.#ledger.seq).catch(() => null);
    await this.#listAnew().catch(() => null);
  }

  /** The list of courses goes by what a course is called now. */
  async #listAnew(): Promise<void> {
    const { courses } = this.#ledger.state;
    if (courses === this.#listedAs) return;
    await renameListing(this.shelves, this.slot, this.#ledger.state);
    this.#listedAs = courses;
  }

  async #writeAnew(): Promise<void> {
    const chain = newChain(entriesOf(this.#ledger));
    await (await manyEntries()).writeWholeJournal(this.shelves, this.slot, this.#ledger, chain);
    this.#ledger = { ...this.#ledger, seal: chain.sums.at(-1) ?? this.#ledger.seal };
    await keepListing(this.shelves, this.slot, this.#ledger.state);
    this.#keepAnew = false;
  }

  async #catchUp(): Promise<void> {
    if (this.damage) return;
    // What cannot be followed is said when something is to be written.
    await this.neighbours.alone(this.slot, () => this.#followOthers()).catch(() => null);
  }

  async #followOthers(): Promise<void> {
    const since = await readAfter(this.shelves, this.slot, this.#ledger);
    if (since.kind === "gone") throw new JournalGoneError(this.#ledger.seq);
    if (since.kind === "entries" && since.entries.length === 0) return;
    const before = this.#ledger.seq;
    // A tab that slept through a gathering is too far behind to follow entry by entry.
    this.#ledger =
      since.kind === "entries"
        ? { ...since.entries.reduce(follow, this.#ledger), seal: since.seal }
        : await this.#readAgain();
    this.#rebase(before);
    this.#tell();
  }

  async #readAgain(): Promise<Ledger> {
    const { ledger } = await readJournal(this.shelves, this.slot);
    if (ledger.damage) throw new JournalError("damaged", ledger.damage.seq);
    return ledger;
  }

  /** Puts the pending changes on top of what was written by others after `seq`; what no longer fits is set aside. */
  #rebase(seq: number): void {
    const { state, history, pending, setAside } = onTopOf(this.#ledger, this.#pending, seq);
    for (const step of setAside) void forget(this.shelves, this.slot, step);
    if (setAside.length > 0) this.#setAside = [...this.#setAside, ...setAside.map(({ change }) => change)];
    this.#pending = pending;
    this.#state = state;
    this.#history = history;
  }

  #say(keeping: Keeping): void {
    this.#keeping = keeping;
    this.#tell();
  }

  #tell(): void {
    for (const listener of this.#listeners) listener();
  }
}
