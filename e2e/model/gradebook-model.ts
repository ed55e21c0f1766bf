import { entryText, previewEntry, runCommand, type Command, type Context } from "#core/changes";
import type { AssignmentId, Instant, StudentId } from "#core/kernel";
import { assignmentsOf, courseOf, studentsOf, type CourseState } from "#core/model";

/** A cell by its place in the table. */
export interface ModelPlace {
  readonly row: number;
  readonly column: number;
}

interface Field {
  readonly place: ModelPlace;
  readonly seen: string;
  text: string;
  /** The text that was asked about, and is kept by the same key once more. */
  asked: string | null;
}

const MOVES: Readonly<Record<string, readonly [number, number]>> = {
  Enter: [1, 0],
  "Shift+Enter": [-1, 0],
  Tab: [0, 1],
  "Shift+Tab": [0, -1],
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
};

/**
 * What the gradebook is meant to do, key by key, with the core's own commands underneath: the course as it must stand, and
 * everything typed that is not in it.
 */
export class GradebookModel {
  mark: ModelPlace;
  field: Field | null = null;
  /** Texts that are not in the course, by `row column`. */
  readonly unkept = new Map<string, string>();
  #goesOn = false;
  #fresh = 0;

  constructor(
    public state: CourseState,
    readonly start: ModelPlace,
  ) {
    this.mark = start;
  }

  get students() {
    return studentsOf(this.state);
  }

  get columns() {
    return assignmentsOf(this.state);
  }

  entryAt(place: ModelPlace): string {
    const { assignmentId, studentId } = this.#ids(place);
    return entryText(this.state, assignmentId, studentId);
  }

  click(place: ModelPlace): void {
    if (this.field) this.#leaveField();
    this.#select(place);
  }

  /** One letter, or a key by its name; only those the grid answers to. */
  press(key: string): void {
    const { field } = this;
    if (field) this.#inField(field, key);
    else this.#onGrid(key);
  }

  reload(): void {
    const { field } = this;
    if (field && field.text.trim() !== field.seen) this.unkept.set(keyOf(field.place), field.text);
    this.field = null;
    this.#select(this.start);
  }

  #inField(field: Field, key: string): void {
    const move = MOVES[key];
    if (key === "Escape") {
      this.unkept.delete(keyOf(field.place));
      this.field = null;
      this.#goesOn = false;
    } else if (move) this.#keep(field, move);
    else {
      field.text += key;
      field.asked = null;
    }
  }

  #keep(field: Field, move: readonly [number, number]): void {
    const { place, seen, text } = field;
    if (text.trim() !== seen) {
      const isPlain = this.#preview(place, text);
      const isAnswered = !isPlain && field.asked === text;
      if (!isPlain && !isAnswered) {
        field.asked = this.#canConfirm(place, text, seen) ? text : null;
        return;
      }
      this.#enter(place, text, seen, isAnswered);
    }
    this.unkept.delete(keyOf(place));
    this.field = null;
    this.#move(move);
  }

  /** The field is left by the pointer: what is not plain stays beside the course, in sight. */
  #leaveField(): void {
    const { field } = this;
    if (!field) return;
    this.field = null;
    const { place, seen, text } = field;
    if (text.trim() === seen) this.unkept.delete(keyOf(place));
    else if (this.#preview(place, text)) {
      this.#enter(place, text, seen, false);
      this.unkept.delete(keyOf(place));
    } else this.unkept.set(keyOf(place), text);
  }

  #onGrid(key: string): void {
    const move = MOVES[key];
    if (key === "Escape") this.unkept.delete(keyOf(this.mark));
    else if (key.endsWith("Enter") && !this.#goesOn) this.#open(this.unkept.get(keyOf(this.mark)) ?? null);
    else if (move) this.#move(move);
    else if (key === "m" || key === "x") {
      this.#enter(this.mark, key, this.entryAt(this.mark), false);
      this.#goesOn = true;
    } else this.#open(key);
  }

  #open(text: string | null): void {
    const seen = this.entryAt(this.mark);
    this.field = { place: this.mark, seen, text: text ?? seen, asked: null };
  }

  #preview(place: ModelPlace, text: string): boolean {
    return previewEntry(this.state, this.#ids(place), text).ok;
  }

  #canConfirm(place: ModelPlace, text: string, seen: string): boolean {
    return this.#run(this.#command(place, text, seen, true)).ok;
  }

  #enter(place: ModelPlace, text: string, seen: string, confirmed: boolean): void {
    const done = this.#run(this.#command(place, text, seen, confirmed));
    if (done.ok) this.state = done.value.state;
  }

  #command(place: ModelPlace, text: string, seen: string, confirmed: boolean): Command {
    return { type: "setScore", ...this.#ids(place), text, seen, confirmed };
  }

  #run(command: Command) {
    const context: Context = {
      at: "2026-11-20T10:00:00Z" as Instant,
      by: courseOf(this.state).markerId,
      fresh: () => `model-${String((this.#fresh += 1))}`,
      journal: [],
    };
    return runCommand(this.state, command, context);
  }

  #ids({ row, column }: ModelPlace): { readonly assignmentId: AssignmentId; readonly studentId: StudentId } {
    const [student, assignment] = [this.students[row], this.columns[column]];
    if (!student || !assignment) throw new RangeError(`no cell ${String(row)} ${String(column)}`);
    return { assignmentId: assignment.id, studentId: student.id };
  }

  #move([down, right]: readonly [number, number]): void {
    const within = (value: number, size: number) => Math.max(0, Math.min(size - 1, value));
    this.#select({
      row: within(this.mark.row + down, this.students.length),
      column: within(this.mark.column + right, this.columns.length),
    });
  }

  #select(place: ModelPlace): void {
    this.mark = place;
    this.#goesOn = false;
  }
}

export const keyOf = ({ row, column }: ModelPlace): string => `${String(row)} ${String(column)}`;
