import { keptBy, milliseconds, type AssignmentId, type Instant, type MarkerId, type StudentId } from "#core/kernel";
import type { Scoring, Scorings } from "#core/statistics";
import type { Entry } from "../engine/history";
import type { Patch } from "../engine/patch";

/** Fields of a result and of an answer that are a judgement; a comment by somebody else makes nobody the marker. */
const SCORE_FIELDS = [
  "score",
  "setByHand",
  "levelId",
  "attemptScores",
  "adjustment",
  "points",
  "notApplicable",
] as const;

/** A stretch of the journal in which one marker judged one paper and did nothing else. */
interface Run {
  readonly paper: string;
  /** When the marker's entry before it was made; null where it is their first. */
  readonly since: Instant | null;
  readonly until: Instant;
  readonly criteria: ReadonlySet<string>;
}

interface Reading {
  /** How many entries are read, and the last of them. */
  readonly read: number;
  readonly last: Entry | null;
  readonly byAssignment: Map<string, Map<StudentId, Scoring>>;
  readonly runs: Map<MarkerId, Run>;
}

/** How the papers of each assignment were scored, from the journal; read on from where it was read before. */
const readingOf = keptBy({
  owner: (_entries: readonly Entry[], course: object) => course,
  basis: (entries) => ({ entries }),
  make: (before: Reading | undefined, entries): Reading => {
    const goesOn = before !== undefined && before.read > 0 && entries[before.read - 1] === before.last;
    const from = goesOn ? before.read : 0;
    const byAssignment = new Map(goesOn ? before.byAssignment : []);
    const runs = new Map(goesOn ? before.runs : []);
    const fresh = new Set<string>();
    for (const entry of entries.slice(from)) readEntry(entry, { byAssignment, runs, fresh });
    return { read: entries.length, last: entries.at(-1) ?? null, byAssignment, runs };
  },
});

const NOBODY: Scorings = new Map();

/**
 * How each paper of an assignment was scored: by whom, when, with what reason, and how long it lay before the marker. What
 * was undone counts as the last touch. `course` is what the reading is kept with: the session, or the journal itself.
 */
export const scoringsOf = (entries: readonly Entry[], course: object, assignmentId: AssignmentId): Scorings =>
  readingOf(entries, course).byAssignment.get(assignmentId) ?? NOBODY;

interface Collecting {
  readonly byAssignment: Map<string, Map<StudentId, Scoring>>;
  readonly runs: Map<MarkerId, Run>;
  /** Assignments whose map is this reading's own and may be written to. */
  readonly fresh: Set<string>;
}

function readEntry({ seq, change }: Entry, { byAssignment, runs, fresh }: Collecting): void {
  const judged = change.patches.filter(isJudgement);
  const papers = new Set(judged.map(({ id }) => paperOf(id)));
  const run = runAfter(runs.get(change.by), change, papers);
  runs.set(change.by, run);
  for (const paper of papers) {
    const [assignmentId = "", studentId = ""] = paper.split("/");
    let own = byAssignment.get(assignmentId);
    if (!own || !fresh.has(assignmentId)) {
      own = new Map(own);
      byAssignment.set(assignmentId, own);
      fresh.add(assignmentId);
    }
    const before = own.get(studentId as StudentId);
    const setByHand = judged.some(
      ({ id, before: was, after }) => id === paper && field(was, "setByHand") !== field(after, "setByHand"),
    );
    own.set(studentId as StudentId, {
      by: change.by,
      at: change.at,
      seq,
      // The reason of a figure set by hand stands until that figure is another one.
      reason: setByHand ? (change.reason ?? null) : (before?.reason ?? change.reason ?? null),
      seconds: secondsOf(run),
    });
  }
}

/** The whole paper must have been judged in one go, by several criteria, before its time tells anything. */
function secondsOf({ since, until, criteria }: Run): number | null {
  if (criteria.size < 2 || since === null) return null;
  const seconds = (milliseconds(until) - milliseconds(since)) / 1000;
  // A clock that was set back tells nothing.
  return seconds < 0 ? null : seconds;
}

function runAfter(before: Run | undefined, change: Entry["change"], papers: ReadonlySet<string>): Run {
  const [paper = ""] = papers.size === 1 ? papers : [];
  const criteria = change.patches.flatMap(({ table, id }) => (table === "judgements" ? [id] : []));
  if (before && paper !== "" && before.paper === paper) {
    return { ...before, until: change.at, criteria: new Set([...before.criteria, ...criteria]) };
  }
  return { paper, since: before?.until ?? null, until: change.at, criteria: new Set(criteria) };
}

const paperOf = (id: string): string => id.split("/", 2).join("/");

const TABLES: ReadonlySet<string> = new Set(["results", "judgements", "answers"]);
const field = (record: Patch["before"], name: string): unknown => record?.[name] ?? null;

function isJudgement({ table, before, after }: Patch): boolean {
  return TABLES.has(table) && SCORE_FIELDS.some((name) => field(before, name) !== field(after, name));
}
