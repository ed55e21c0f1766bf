import { ok, refuse, type Decimal, type Result } from "#core/kernel";
import { resultOf, withRecords, type Assignment, type CourseState, type ResultRecord, type Scale } from "#core/model";
import { checkScore, parseEntry, type Entry } from "#core/scoring";
import { figureOf, figuresOf } from "#core/totals";
import type { ChangeIssue, PaperPlace } from "./change";
import { paperAt, type Paper } from "./draft";

/** What one entry of the entry language does to one result; commands for one cell and for many rest on it. */

/** What was typed: the entry language, and the names of the levels where the assignment is scored in levels. */
export function readEntry(
  state: CourseState,
  { scoredIn }: Assignment,
  text: string,
): Result<Entry | { readonly kind: "level"; readonly level: Scale["levels"][number] }, ChangeIssue> {
  if (scoredIn.kind !== "scale") return parseEntry(text);
  const levels = state.scales[scoredIn.scaleId]?.levels ?? [];
  const wanted = text.trim().toLowerCase();
  const level = levels.find(({ name }) => name.toLowerCase() === wanted);
  if (level) return ok({ kind: "level", level });
  const entry = parseEntry(text);
  const figure = entry.ok ? entry.value.kind === "score" : wanted !== "";
  return figure ? refuse({ code: "not_a_level", text, levels: levels.map(({ name }) => name) }) : entry;
}

type Read = Extract<ReturnType<typeof readEntry>, { ok: true }>["value"];

/** The result after an entry, or why it is refused. */
export function withEntry(
  state: CourseState,
  paper: Paper,
  entry: Read,
  confirmed: boolean,
): Result<ResultRecord, ChangeIssue> {
  const result = resultOf(state, paper.assignment.id, paper.student.id);
  switch (entry.kind) {
    case "missing":
    case "excused":
      return ok({ ...result, decision: entry.kind });
    case "late":
      return ok({ ...result, unitsLate: entry.unitsLate });
    case "level":
      return ok({ ...result, decision: null, levelId: entry.level.id });
    case "clear":
      return ok(cleared(result));
    case "score": {
      const points = checkScore(entry.points, paper.assignment, confirmed);
      if (!points.ok) return points;
      if (result.decision !== null && !confirmed) {
        const code = result.decision === "missing" ? "student_is_missing" : "student_is_excused";
        return refuse({ code, canConfirm: true });
      }
      return ok(scored(state, paper, { ...result, decision: null }, entry.points, entry.unitsLate));
    }
  }
}

/** One gesture takes back one thing: first a standing, then a figure set by hand, then a typed score, then lateness. */
function cleared(result: ResultRecord): ResultRecord {
  if (result.decision !== null) return { ...result, decision: null };
  if (result.setByHand !== null) return { ...result, setByHand: null };
  if (result.score !== null) return { ...result, score: null };
  if (result.levelId !== null) return { ...result, levelId: null };
  return { ...result, unitsLate: null };
}

/** Where a rubric has already given a score, a typed one is set by hand beside it; it is never overwritten. */
function scored(
  state: CourseState,
  { assignment, student }: Paper,
  result: ResultRecord,
  points: Decimal,
  units: number | null,
): ResultRecord {
  const late = units ?? result.unitsLate;
  const byRubric = figuresOf(state).figure(assignment.id, student.id).rubric?.score != null && result.score === null;
  return byRubric
    ? { ...result, setByHand: points, unitsLate: late }
    : { ...result, score: points, setByHand: null, unitsLate: late };
}

/** The journal line of one entry. */
export function lineOf({ title }: Paper, entry: Read, next: ResultRecord): string {
  if (entry.kind === "level") return `${title}: ${entry.level.name}`;
  if (entry.kind === "missing" || entry.kind === "excused") return `${title}: ${entry.kind}`;
  if (entry.kind === "late") return `${title}: late by ${String(entry.unitsLate)}`;
  if (entry.kind === "clear") return `${title}: cleared`;
  const late = entry.unitsLate === null ? "" : `, late by ${String(entry.unitsLate)}`;
  return `${title}: ${next.setByHand === null ? "score" : "set by hand"} ${entry.points}${late}`;
}

/** What an entry would come to, for the hint beside a cell that is being typed in. */
export function previewEntry(
  state: CourseState,
  place: PaperPlace,
  text: string,
): Result<{ readonly entry: Read; readonly figure: ReturnType<typeof figureOf> }, ChangeIssue> {
  const paper = paperAt(state, place);
  if (!paper.ok) return paper;
  const entry = readEntry(state, paper.value.assignment, text);
  if (!entry.ok) return entry;
  const next = withEntry(state, paper.value, entry.value, false);
  if (!next.ok) return next;
  const after = withRecords(state, "results", [next.value]);
  return ok({ entry: entry.value, figure: figureOf(after, paper.value.assignment, place.studentId) });
}
