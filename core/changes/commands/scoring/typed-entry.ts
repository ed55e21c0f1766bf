import { ok, type Result } from "#core/kernel";
import { resultOf, withRecords, type Assignment, type CourseState, type ResultRecord } from "#core/model";
import { figureOf } from "#core/totals";
import type { ChangeIssue, PaperPlace } from "../../engine/change";
import { paperAt, type Paper } from "../../engine/command-parts";
import { lineOf, readEntry, withEntry, type Read } from "./entry-change";
import { entryAndOutcomes, withOutcomes } from "./outcomes";
import type { Patch } from "../../engine/patch";

/** What a whole typed text, score and outcomes, does to one paper. */
export interface TypedEntry {
  readonly result: ResultRecord;
  readonly judgements: readonly (Patch | null)[];
  /** The line of the journal. */
  readonly line: string;
}

/** A typed text, understood: the entry, null where only outcomes were typed, and the marks of the outcomes. */
export interface Understood {
  readonly entry: Read | null;
  readonly outcomes: string | null;
}

/** Understands a typed text: the score by the entry language, outcomes behind an `o`. */
export function understand(state: CourseState, assignment: Assignment, text: string): Result<Understood, ChangeIssue> {
  const { entry: figure, outcomes } = entryAndOutcomes(state, { assignment }, text);
  if (outcomes !== null && figure === "") return ok({ entry: null, outcomes });
  const entry = readEntry(state, assignment, figure);
  return entry.ok ? ok({ entry: entry.value, outcomes }) : entry;
}

/** Reads a typed text and works out what it does to one paper. */
export function readTyped(
  state: CourseState,
  paper: Paper,
  text: string,
  confirmed: boolean,
): Result<TypedEntry, ChangeIssue> {
  const understood = understand(state, paper.assignment, text);
  if (!understood.ok) return understood;
  const { entry, outcomes } = understood.value;
  const next = entry
    ? withEntry(state, paper, entry, confirmed)
    : ok(resultOf(state, paper.assignment.id, paper.student.id));
  if (!next.ok) return next;
  const line = entry ? lineOf(paper, entry, next.value) : paper.title;
  if (outcomes === null) return ok({ result: next.value, judgements: [], line });
  const beside = withOutcomes(state, paper, outcomes);
  if (!beside.ok) return beside;
  const { judgements, attainment } = beside.value;
  const result = attainment === undefined ? next.value : { ...next.value, outcomeLevelId: attainment };
  return ok({ result, judgements, line: `${line}${entry ? "," : ":"} outcomes ${[...outcomes].join(" ")}` });
}

/** What a typed text would come to, for the hint beside a cell that is being typed in. */
export function previewEntry(
  state: CourseState,
  place: PaperPlace,
  text: string,
): Result<Understood & { readonly figure: ReturnType<typeof figureOf> }, ChangeIssue> {
  const paper = paperAt(state, place);
  if (!paper.ok) return paper;
  const understood = understand(state, paper.value.assignment, text);
  if (!understood.ok) return understood;
  const next = readTyped(state, paper.value, text, false);
  if (!next.ok) return next;
  const after = withRecords(state, "results", [next.value.result]);
  return ok({ ...understood.value, figure: figureOf(after, paper.value.assignment, place.studentId) });
}
