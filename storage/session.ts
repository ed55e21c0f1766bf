import {
  advance,
  applyPatches,
  ENTRY_SCHEMA,
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
import { forget, hurry, leftBehind, type Step } from "./hurried";
import { compact, entriesAfter, entriesOf, follow, readAfter, readJournal, writeEntry, type Ledger } from "./journal";
import type { Neighbours, Shelves } from "./shelf";

/** What the bar says about keeping. "Kept" is said only after the write is durable. */
export type Keeping =
  | { readonly kind: "kept"; readonly at: string | null }
  | { readonly kind: "keeping"; readonly count: number }
  | { readonly kind: "failed"; readonly count: number; readonly message: string };

/** Time and fresh ids, handed in from outside. */
export interface Surroundings {
  readonly now: () => Context["at"];
  readonly fresh: () => string;
}

/** What a session begins with: the journal, and steps that a tab put down and never wrote. */
interface Opening {
  readonly ledger: Ledger;
  readonly left: readonly Step[];
}

/** Entries written between two looks at whether the journal should be gathered into blocks. */
const COMPACT_EVERY = 100;

/**
 * One open course. A command is answered at once on the state in memory and shows at once; its journal entry is
 * written behind it, one after the other, under a lock that all tabs share; until then the step lies where it outlives the
 * page. Entries of other tabs are followed first; a change of ours that no longer fits is set aside with its words, never
 * forced in.
 */
export class CourseSession {
  #ledger: Ledger;
  #pending: readonly Step[] = [];
  #listed: { readonly ledger: Ledger; readonly pending: readonly Step[]; readonly entries: readonly Entry[] } | null =
    null;
  #state: CourseState;
  #history: History;
  #keeping: Keeping = { kind: "kept", at: null };
  #setAside: readonly Change[] = [];
  #flushing: Promise<void> | null = null;
  #taken = 0;
  // Looked into after the first write, because earlier sessions may have left many single entries.
  #writtenSinceCompacting = COMPACT_EVERY;
  #listeners = new Set<() => void>();
  #stopListening: () => void;

  private constructor(
    readonly slot: string,
    private readonly shelves: Shelves,
    private readonly neighbours: Neighbours,
    private readonly surroundings: Surroundings,
    { ledger, left }: Opening,
  ) {
    this.#ledger = ledger;
    this.#state = ledger.state;
    this.#history = ledger.history;
    this.#stopListening = neighbours.listen((announced) => {
      if (announced === slot) void this.#catchUp();
    });
    if (left.length === 0) return;
    this.#pending = [...left];
    this.#rebase(ledger.seq);
    void this.#flush();
  }

  /** @throws JournalError when the journal cannot be followed. */
  static async open(slot: string, shelves: Shelves, neighbours: Neighbours, surroundings: Surroundings) {
    const opening = await neighbours.alone(slot, async () => {
      const ledger = await readJournal(shelves, slot);
      return { ledger, left: await leftBehind(shelves, slot, () => entriesOf(ledger)) };
    });
    return new CourseSession(slot, shelves, neighbours, surroundings, opening);
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

  step(step: HistoryStep): Result<Change, ChangeIssue> {
    const prepared = prepareStep(this.#history, step, this.#context());
    return prepared.ok ? this.#take(prepared.value) : prepared;
  }

  /** Undoes one change out of the middle of the journal, if nothing rests on it. */
  undoOne(changeId: Change["id"]): Result<Change, ChangeIssue> {
    const prepared = prepareUndoOf(this.#state, this.entries, changeId, this.#context());
    return prepared.ok ? this.#take(prepared.value) : prepared;
  }

  /** Tries again to write what could not be written. */
  async retry(): Promise<void> {
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
    this.#stopListening();
    this.#listeners.clear();
  }

  #context(): Context {
    return { at: this.surroundings.now(), by: courseOf(this.#state).markerId, fresh: this.surroundings.fresh };
  }

  #take(step: Step): Result<Change, ChangeIssue> {
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

  #numbered(step: Step, index: number): Entry {
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
          await this.neighbours.alone(this.slot, () => this.#writeNext());
        }
        this.#say({ kind: "kept", at: this.surroundings.now() });
        await this.#compactNowAndThen();
        // A change that came while the journal was being gathered is waiting now.
      } while (this.#pending.length > 0);
    } catch (error) {
      const message = error instanceof Error ? error.message : String(error);
      if (this.#pending.length > 0) this.#say({ kind: "failed", count: this.#pending.length, message });
    } finally {
      // In the same breath as the last look at what is pending, so that no change falls between.
      this.#flushing = null;
    }
  }

  async #compactNowAndThen(): Promise<void> {
    if (this.#writtenSinceCompacting < COMPACT_EVERY) return;
    this.#writtenSinceCompacting = 0;
    await this.neighbours.alone(this.slot, () => compact(this.shelves, this.slot, this.#ledger));
  }

  async #writeNext(): Promise<void> {
    await this.#followOthers();
    const next = this.#pending[0];
    if (!next) return;
    const entry = this.#numbered(next, 0);
    await writeEntry(this.shelves, this.slot, entry);
    this.#ledger = follow(this.#ledger, entry);
    this.#pending = this.#pending.slice(1);
    void forget(this.shelves, this.slot, next);
    this.#writtenSinceCompacting += 1;
    this.neighbours.announce(this.slot);
  }

  async #catchUp(): Promise<void> {
    await this.neighbours.alone(this.slot, () => this.#followOthers());
  }

  async #followOthers(): Promise<void> {
    const others = await readAfter(this.shelves, this.slot, this.#ledger.seq);
    if (others?.length === 0) return;
    const before = this.#ledger.seq;
    // A tab that slept through a gathering is too far behind to follow entry by entry.
    this.#ledger = others ? others.reduce(follow, this.#ledger) : await readJournal(this.shelves, this.slot);
    this.#rebase(before);
    this.#tell();
  }

  /**
   * Puts the pending changes on top of the followed state again; what no longer fits is set aside. One that another tab,
   * which found it left behind, wrote after `seq` is done.
   */
  #rebase(seq: number): void {
    const kept: Step[] = [];
    const written = new Set(entriesAfter(this.#ledger, seq).map(({ change }) => change.id));
    let { state, history } = this.#ledger;
    for (const step of this.#pending) {
      if (written.has(step.change.id)) continue;
      const next = applyPatches(state, step.change.patches);
      if (next.ok) {
        state = next.value;
        history = advance(history, step);
        kept.push(step);
      } else {
        this.#setAside = [...this.#setAside, step.change];
        void forget(this.shelves, this.slot, step);
      }
    }
    this.#pending = kept;
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
