import { advance, applyTo, EMPTY_HISTORY, type Entry, type History } from "#core/changes";
import type { FileId } from "#core/kernel";
import { EMPTY_STATE, StateEditor, type CourseState, type WorkFile } from "#core/model";
import { filesEverNamed, filesOf } from "./named-files";

/** Follows a journal entry by entry to the course it leads to. */
export class Replay {
  /** Entries that fit, from the first on. */
  count = 0;
  history: History = EMPTY_HISTORY;
  readonly #editor = new StateEditor(EMPTY_STATE);
  readonly #named = new Map<FileId, WorkFile>();
  #isWhole = true;

  /** Follows one entry. Answers whether it fits behind those before it. */
  take(entry: Entry): boolean {
    this.#isWhole &&= entry.seq === this.count + 1 && applyTo(this.#editor, entry.change.patches) === null;
    if (!this.#isWhole) return false;
    this.count += 1;
    this.history = advance(this.history, entry);
    for (const file of filesEverNamed([entry])) this.#named.set(file.id, file);
    return true;
  }

  /** The course that the journal leads to; null where it leads to none. */
  end(): CourseState | null {
    const state = this.#isWhole ? this.#editor.finish() : EMPTY_STATE;
    return Object.keys(state.courses).length === 1 ? state : null;
  }

  /** Every file that an entry or the course names, by what was said of it last. */
  filesNamed(state: CourseState): ReadonlyMap<FileId, WorkFile> {
    for (const file of filesOf(state)) this.#named.set(file.id, file);
    return this.#named;
  }
}
