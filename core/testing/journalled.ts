import {
  applyPatches,
  invertPatches,
  leakReport,
  runCommand,
  totalsHistory,
  type Checked,
  type Command,
  type Context,
  type Entry,
} from "#core/changes";
import type { Instant, StudentId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { entriesOf, WORLD } from "./builders";

/** A course with its journal, each change a minute after the one before. */
export class Journalled {
  entries: Entry[];
  minutes = 0;
  constructor(public state: CourseState) {
    this.entries = entriesOf(state);
  }

  context(): Context {
    const at = new Date(Date.UTC(2026, 9, 27, 8, this.minutes)).toISOString() as Instant;
    return { ...WORLD, at, journal: this.entries };
  }

  /** @throws Error with the issue of the first command that is refused */
  run(...commands: Command[]): this {
    for (const command of commands) {
      this.minutes += 1;
      const done = runCommand(this.state, command, this.context());
      if (!done.ok) throw new Error(`${command.type}: ${JSON.stringify(done.issue)}`);
      this.state = done.value.state;
      this.#keep("change", done.value.change);
    }
    return this;
  }

  /** Takes a change back, so many before the last one. @throws Error when something rests on it */
  undo(before = 0): this {
    this.minutes += 1;
    const undone = this.entries.at(-1 - before);
    const patches = invertPatches(undone?.change.patches ?? []);
    const next = applyPatches(this.state, patches);
    if (!undone || !next.ok) throw new Error("cannot be undone");
    this.state = next.value;
    this.#keep("undo", { ...undone.change, at: this.context().at, patches });
    return this;
  }

  #keep(kind: Entry["kind"], change: Entry["change"]): void {
    const [first] = this.entries;
    if (!first) throw new Error("no first entry");
    this.entries.push({ ...first, seq: this.entries.length + 1, kind, change });
  }

  get checked(): Checked {
    return { state: this.state, history: totalsHistory(this.state, this.entries) };
  }

  leaks(student: StudentId) {
    return leakReport(this.checked, student).leaks;
  }
}
