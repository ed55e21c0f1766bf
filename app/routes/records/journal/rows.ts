import { isUndone, type Entry } from "#core/changes";
import { writeCsv, type Cell } from "#core/formats";
import { milliseconds, type AssignmentId, type MarkerId, type StudentId } from "#core/kernel";
import { courseOf, fullName, plainText, rosterName, type CourseState } from "#core/model";
import { momentText } from "#core/words";

/** What the journal is asked to show. */
export interface JournalFilter {
  readonly student: StudentId | null;
  readonly assignment: AssignmentId | null;
  readonly kind: string;
  /** Who made the change. */
  readonly who: MarkerId | null;
  /** Local dates, `2026-10-23`, both included; empty for no end. */
  readonly from: string;
  readonly to: string;
  readonly find: string;
}

/** One line of the journal. */
export interface JournalLine {
  readonly seq: number;
  readonly changeId: Entry["change"]["id"];
  readonly when: string;
  readonly who: string;
  readonly line: string;
  readonly reason: string;
  readonly fields: readonly { readonly what: string; readonly before: string; readonly after: string }[];
  readonly more: number;
  readonly state: "standing" | "undone" | "step";
}

/** Kinds of change by what they are about, in the order they are offered. */
export const JOURNAL_KINDS: readonly (readonly [kind: string, words: string, types: RegExp])[] = [
  [
    "scores",
    "Scores and standings",
    /^(setScore|enterScores|setByHand|adjustScores|setStanding|setLateness|scoreAttempt|scoreGroup|adjustMember|judge|judgeAnswer|setAttainment|scaleAssignment)$/,
  ],
  [
    "comments",
    "Comments and notes",
    /^(setComment|setCriterionComment|addNote|editNote|removeNote|takeInNotes|takeInMarkedPapers)$/,
  ],
  [
    "release",
    "Release",
    /^(release|releaseDue|seal|sealTotal|releaseTotals|restTotals|timeRelease|holdAssignment|holdResult|noteDelivery|noteInstructorCopy|keepGradeExport|openLetter)$/,
  ],
  ["post", "Post", /^(sendMails|openMail)$/],
  ["plan", "Plan and rules", /(Assignment|Assignments|Category|Rubric|Scale|Term|Course|Plan|Groups)$/],
  ["roster", "Students and sections", /(Student|Students|Section)$/],
  ["handIns", "Hand-ins", /^(addHandIn|takeIn|discardAttempt|giveMoreTime|setZones)$/],
];

/** Fields that only say which record it is. */
const PLACE = new Set(["id", "assignmentId", "studentId", "criterionId"]);
/** Fields of one change that are spelled out. */
const FIELDS = 6;

/** Ids of students and assignments whose names hold some words, so that a change of many papers is found by each of them. */
function namedBy(state: CourseState, wanted: string): ReadonlySet<string> {
  const students = Object.values(state.students).filter((one) =>
    plainText(`${rosterName(state, one)} ${fullName(one)} ${one.number}`).includes(wanted),
  );
  const work = Object.values(state.assignments).filter(({ name }) => plainText(name).includes(wanted));
  return new Set([...students, ...work].map(({ id }) => id));
}

/** Whether the words stand in a line, in its reason, in who made it, or in the name of something it touches. */
function holdsWords(
  state: CourseState,
  { line, reason, by, patches }: Entry["change"],
  wanted: string,
  named: ReadonlySet<string>,
): boolean {
  const own = [line, reason ?? "", state.markers[by]?.name ?? ""];
  return (
    own.some((words) => plainText(words).includes(wanted)) ||
    patches.some(({ id }) => id.split("/").some((part) => named.has(part)))
  );
}

/** Entries that a filter lets through, the newest first; what was made at one moment in the order it was made. */
export function journalEntries(state: CourseState, entries: readonly Entry[], filter: JournalFilter): Entry[] {
  const { timeZone } = courseOf(state);
  const types = JOURNAL_KINDS.find(([kind]) => kind === filter.kind)?.[2];
  const wanted = plainText(filter.find.trim());
  const named = wanted ? namedBy(state, wanted) : new Set<string>();
  const day = new Intl.DateTimeFormat("sv-SE", { dateStyle: "short", timeZone });
  return entries
    .filter(({ change }) => {
      if (types && !types.test(change.type)) return false;
      if (filter.who && change.by !== filter.who) return false;
      if (wanted && !holdsWords(state, change, wanted, named)) return false;
      if (filter.from || filter.to) {
        const date = day.format(new Date(change.at));
        if ((filter.from && date < filter.from) || (filter.to && date > filter.to)) return false;
      }
      const names = ({ id, before, after }: Entry["change"]["patches"][number], wantedId: string) =>
        id.split("/").includes(wantedId) || Object.values({ ...before, ...after }).includes(wantedId);
      const { student, assignment } = filter;
      if (student && !change.patches.some((patch) => names(patch, student))) return false;
      return !assignment || change.patches.some((patch) => names(patch, assignment));
    })
    .sort((a, b) => milliseconds(b.change.at) - milliseconds(a.change.at) || b.seq - a.seq);
}

/** An entry as a line, with what changed from what to what. */
export function journalLine(state: CourseState, all: readonly Entry[], { seq, kind, change }: Entry): JournalLine {
  const fields = change.patches.flatMap(({ before, after }) =>
    Object.keys(after ?? before ?? {})
      .filter((field) => !PLACE.has(field))
      .map((field) => ({
        what: fieldWords(field),
        before: valueText(before?.[field]),
        after: valueText(after?.[field]),
      })),
  );
  return {
    seq,
    changeId: change.id,
    when: momentText(change.at, courseOf(state).timeZone),
    who: state.markers[change.by]?.name ?? "",
    line: change.line,
    reason: change.reason ?? "",
    fields: fields.slice(0, FIELDS),
    more: Math.max(0, fields.length - FIELDS),
    state: kind !== "change" ? "step" : isUndone(all, change.id) ? "undone" : "standing",
  };
}

/** `overallComment` -> overall comment. */
const fieldWords = (field: string): string =>
  field.replace(/Id$/, "").replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

/** Longest value spelled out, in characters. */
const LONG = 80;

function valueText(value: unknown): string {
  if (value === null || value === undefined || value === "") return "nothing";
  const text = typeof value === "string" ? value : JSON.stringify(value);
  return text.length > LONG ? `${text.slice(0, LONG - 3)}...` : text;
}

/** The journal as CSV: one line for each field that changed. */
export function journalCsv(state: CourseState, entries: readonly Entry[]): string {
  const text = (value: string): Cell => ({ text: value });
  const head = ["Number", "When", "Who", "What", "Reason", "Record", "Field", "Before", "After"].map(text);
  const rows = entries.flatMap(({ seq, change }) =>
    change.patches.flatMap(({ table, id, before, after }) =>
      Object.keys(after ?? before ?? {})
        .filter((field) => !PLACE.has(field))
        .map((field): Cell[] => [
          { figure: String(seq) },
          text(change.at),
          text(state.markers[change.by]?.name ?? ""),
          text(change.line),
          text(change.reason ?? ""),
          text(`${table} ${id}`),
          text(field),
          text(whole(before?.[field])),
          text(whole(after?.[field])),
        ]),
    ),
  );
  return writeCsv([head, ...rows], courseOf(state).decimalMark);
}

const whole = (value: unknown): string =>
  value === null || value === undefined ? "" : typeof value === "string" ? value : JSON.stringify(value);
