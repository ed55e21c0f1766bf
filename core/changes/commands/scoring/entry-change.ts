import {
  compare,
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  ok,
  parseDecimal,
  pointsText,
  refuse,
  type Decimal,
  type Result,
} from "#core/kernel";
import { resultOf, type Assignment, type CourseState, type ResultRecord, type Scale } from "#core/model";
import { checkScore, parseEntry, type Entry } from "#core/scoring";
import { figuresOf } from "#core/totals";
import type { ChangeIssue } from "../../engine/change";
import type { Paper } from "../../engine/command-parts";

/** What one entry of the entry language does to one result; commands for one cell and for many rest on it. */

/** A figure in percent, and what follows it: `50%`, `50 % l2`. */
const PERCENT = /^\s*(\S+?)\s*%(.*)$/;

/** An entry with its percent turned into the points of the assignment, exactly; any other text as it is. */
function inPoints({ scoredIn, points }: Assignment, text: string): Result<string, ChangeIssue> {
  const [, figure = "", rest = ""] = PERCENT.exec(text) ?? [];
  if (figure === "") return ok(text);
  const percent = parseDecimal(figure);
  if (!percent.ok) return percent;
  if (scoredIn.kind === "percent") return ok(percent.value + rest);
  const exact = divide(multiply(fromDecimal(percent.value), fromDecimal(points)), HUNDRED);
  const shown = pointsText(exact);
  return compare(fromDecimal(shown), exact) === 0
    ? ok(shown + rest)
    : refuse({ code: "percent_between_points", percent: percent.value, maximum: points });
}

/** The one level whose name begins so; undefined where none does, or several. */
function levelBegun(levels: Scale["levels"], wanted: string): Scale["levels"][number] | undefined {
  const begun = wanted === "" ? [] : levels.filter(({ name }) => name.toLowerCase().startsWith(wanted));
  return begun.length === 1 ? begun[0] : undefined;
}

/**
 * What was typed: the entry language, a percentage of the points, and the names of the levels, or their beginnings, where
 * the assignment is scored in levels.
 */
export function readEntry(
  state: CourseState,
  assignment: Assignment,
  text: string,
): Result<Entry | { readonly kind: "level"; readonly level: Scale["levels"][number] }, ChangeIssue> {
  const { scoredIn } = assignment;
  if (scoredIn.kind !== "scale") {
    const points = inPoints(assignment, text);
    return points.ok ? parseEntry(points.value) : points;
  }
  const levels = state.scales[scoredIn.scaleId]?.levels ?? [];
  const wanted = text.trim().toLowerCase();
  const entry = parseEntry(text);
  const isStanding = entry.ok && entry.value.kind !== "score";
  // A letter of the entry language stays what it is, also where a level begins with it: two letters name that level.
  const level =
    levels.find(({ name }) => name.toLowerCase() === wanted) ?? (isStanding ? undefined : levelBegun(levels, wanted));
  if (level) return ok({ kind: "level", level });
  const figure = entry.ok ? entry.value.kind === "score" : wanted !== "";
  return figure ? refuse({ code: "not_a_level", text, levels: levels.map(({ name }) => name) }) : entry;
}

/** An entry that was understood. */
export type Read = Extract<ReturnType<typeof readEntry>, { ok: true }>["value"];

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
