import { ENTRY_SCHEMA, runCommand, type Command, type Entry } from "#core/changes";
import type { Instant, MarkerId } from "#core/kernel";
import { EMPTY_STATE, type CourseState } from "#core/model";

/** Writes a journal by running real commands, each at a given moment, with ids that are the same every time. */
export class Pen {
  readonly entries: Entry[] = [];
  state: CourseState = EMPTY_STATE;
  #count = 0;

  constructor(private readonly by: MarkerId) {}

  /** Runs a command; `names` are used up for new ids before numbers are. @throws Error when the core refuses it */
  run(at: string, command: Command, names: readonly string[] = []): void {
    const left = [...names];
    const fresh = () => left.shift() ?? `d${String((this.#count += 1))}`;
    const context = { at: at as Instant, by: this.by, fresh, journal: this.entries };
    const done = runCommand(this.state, command, context);
    if (!done.ok) throw new Error(`demo: ${command.type} refused: ${JSON.stringify(done.issue)}`);
    this.state = done.value.state;
    const seq = this.entries.length + 1;
    this.entries.push({ seq, schema: ENTRY_SCHEMA, kind: "change", of: null, change: done.value.change });
  }
}
