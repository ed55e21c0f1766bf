import { runCommand, type Command } from "#core/changes";
import type { AssignmentId, Instant, StudentId } from "#core/kernel";
import { courseOf, judgementOf, resultOf, rubricOf, studentsOf, type CourseState } from "#core/model";

/** What stands on the desk: one text for each criterion, the decision, and what is written to the student. */
export interface DeskSight {
  readonly points: readonly string[];
  readonly decision: string;
  readonly comments: readonly string[];
}

/** What the desk is meant to do, key by key, with the core's own commands underneath. */
export class DeskModel {
  /** Place of the marked criterion. */
  marked = 0;
  /** The button that goes on to the next paper has the focus: arrows and Backspace are not for the rulers. */
  onDone = false;
  #fresh = 0;

  constructor(
    public state: CourseState,
    readonly assignmentId: AssignmentId,
    public studentId: StudentId,
  ) {
    this.#arrive();
  }

  get criteria() {
    const assignment = this.state.assignments[this.assignmentId];
    return (assignment && rubricOf(this.state, assignment)?.criteria) ?? [];
  }

  sight(): DeskSight {
    const judgements = this.criteria.map(({ id }) => judgementOf(this.state, this.assignmentId, this.studentId, id));
    return {
      points: judgements.map(({ points, notApplicable }) => (notApplicable ? "n/a" : (points ?? "–"))),
      decision: resultOf(this.state, this.assignmentId, this.studentId).decision ?? "none",
      comments: judgements.map(({ comment }) => comment),
    };
  }

  press(key: string): void {
    const digit = /^(Shift\+)?([1-9])$/.exec(key);
    if (digit) this.#level(Number(digit[2]), digit[1] !== undefined);
    else if (key === "a") {
      const open = judgementOf(this.state, this.assignmentId, this.studentId, this.#id()).notApplicable;
      this.#judge(open ? { kind: "open" } : { kind: "notApplicable" });
    } else if (key === "Alt+ArrowRight") this.#turn(1);
    else if (key === "Alt+ArrowLeft") this.#turn(-1);
    else if (this.onDone) return;
    else if (key === "ArrowRight") this.#judge({ kind: "step", direction: 1 });
    else if (key === "ArrowLeft") this.#judge({ kind: "step", direction: -1 });
    else if (key === "Backspace") this.#judge({ kind: "open" });
    else if (key === "ArrowDown") this.#goTo(this.marked + 1);
    else if (key === "ArrowUp") this.#goTo(this.marked - 1);
  }

  /** The slider of a criterion is clicked upon with the keyboard's focus alone. */
  focus(place: number): void {
    this.marked = place;
    this.onDone = false;
  }

  /** `K`, some words, Escape: the comment of the marked criterion. */
  comment(text: string): void {
    const seen = judgementOf(this.state, this.assignmentId, this.studentId, this.#id()).comment;
    this.#do({ type: "setCriterionComment", ...this.#where(), comment: seen + text, seen });
  }

  /** A standing given and taken back by the same letter. */
  standing(decision: "missing" | "excused"): void {
    const present = resultOf(this.state, this.assignmentId, this.studentId).decision;
    const { assignmentId, studentId } = this;
    this.#do({ type: "setStanding", assignmentId, studentId, decision: present === decision ? null : decision });
  }

  #where() {
    return { assignmentId: this.assignmentId, studentId: this.studentId, criterionId: this.#id() };
  }

  #id() {
    const criterion = this.criteria[this.marked];
    if (!criterion) throw new Error("no criterion is marked");
    return criterion.id;
  }

  #level(digit: number, stay: boolean): void {
    if (!this.criteria[this.marked]?.levels[digit - 1]) return;
    this.#judge({ kind: "level", digit });
    if (!stay) this.#goTo(this.marked + 1);
  }

  #goTo(place: number): void {
    if (place >= this.criteria.length) this.onDone = true;
    else {
      this.marked = Math.max(0, place);
      this.onDone = false;
    }
  }

  #judge(verdict: Extract<Command, { type: "judge" }>["verdict"]): void {
    this.#do({ type: "judge", ...this.#where(), verdict });
  }

  /** Whether the paper before or after is of somebody missing or excused, or there is none. */
  isDecided(by: 1 | -1): boolean {
    const next = this.#beside(by);
    return !next || resultOf(this.state, this.assignmentId, next.id).decision !== null;
  }

  #beside(by: 1 | -1) {
    const roster = studentsOf(this.state);
    return roster[roster.findIndex(({ id }) => id === this.studentId) + by];
  }

  #turn(by: 1 | -1): void {
    const next = this.#beside(by);
    if (!next) return;
    this.studentId = next.id;
    this.#arrive();
  }

  #arrive(): void {
    const open = this.criteria.findIndex(({ id }) => {
      const { points, notApplicable } = judgementOf(this.state, this.assignmentId, this.studentId, id);
      return points === null && !notApplicable;
    });
    this.marked = Math.max(0, open);
    this.onDone = false;
  }

  #do(command: Command): void {
    const done = runCommand(this.state, command, {
      at: "2026-11-28T09:00:00Z" as Instant,
      by: courseOf(this.state).markerId,
      fresh: () => `model${String((this.#fresh += 1))}`,
      journal: [],
    });
    if (done.ok) this.state = done.value.state;
  }
}
