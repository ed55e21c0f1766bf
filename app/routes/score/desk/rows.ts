import { fromDecimal, pointsText, toNumber, type Decimal, type StudentId } from "#core/kernel";
import {
  courseOf,
  rosterName,
  groupOf,
  handInOf,
  initials,
  judgementOf,
  answerOf,
  messagesOf,
  ownPosts,
  postsOf,
  questionsOf,
  notesOf,
  resultOf,
  rubricOf,
  studentsOf,
  type Assignment,
  type CourseState,
  type Criterion,
  type Message,
  type Note,
  type Question,
  type ResultRecord,
  type Student,
  type ThreadedPost,
  type WorkFile,
  type Zone,
  zonesFor,
} from "#core/model";
import { lackingEvidence, outcomeRows, rulerEnds, type OutcomeRow } from "#core/scoring";
import { entryText } from "#core/changes";
import { answerPoints, figuresOf, keyPoints, type Figure } from "#core/totals";
import { momentText } from "#core/words";
import type { PileOrder } from "../../../course/choices";
import { criterionColour } from "../../../ui/colours";
import type { BesidePost, PostContext } from "../../../ui/work/text/with-threads";
import { arithmeticWords } from "./judgement/arithmetic";
import { inMark } from "../../../ui/words/figures";

export type PaperMark = "scored" | "waiting" | "missing" | "excused" | "not in";

/** One sheet of the pile. */
export interface Sheet {
  readonly studentId: StudentId;
  readonly initials: string;
  readonly name: string;
  readonly mark: PaperMark;
}

/** A criterion with all that its ruler shows. */
export interface CriterionRow {
  readonly criterion: Criterion;
  readonly colour: string;
  readonly points: Decimal | null;
  readonly notApplicable: boolean;
  readonly comment: string;
  readonly privateNote: string;
  readonly maximum: Decimal;
  /** Places of the other papers of the class on the ruler, from 0 to 1. */
  readonly others: readonly number[];
  readonly evidence: readonly { readonly noteId: string; readonly label: string }[];
  /** A level was given without the passage the rubric asks for. */
  readonly lacksEvidence: boolean;
  /** Where on the paper it is answered first; null where nobody said. */
  readonly zone: Zone | null;
}

/** The group a paper belongs to, with every member's standing beside the one in hand. */
export interface GroupRows {
  readonly name: string;
  readonly members: readonly {
    readonly studentId: StudentId;
    readonly name: string;
    readonly total: string;
    readonly adjustment: string;
    /** Judged otherwise than the one in hand, on some criterion. */
    readonly differs: boolean;
  }[];
}

export interface DeskRows {
  readonly assignment: Assignment;
  readonly student: Student;
  readonly name: string;
  readonly section: string;
  readonly figure: Figure;
  readonly attempts: number;
  readonly channel: Assignment["channel"];
  readonly criteria: readonly CriterionRow[];
  /** Outcomes judged beside the score. */
  readonly outcomes: readonly OutcomeRow[];
  readonly arithmetic: { readonly first: string; readonly second: string; readonly total: string };
  readonly entry: string;
  readonly decision: "missing" | "excused" | null;
  /** Until when and why, where the student has a due time of their own; else null. */
  readonly moreTime: string | null;
  readonly overallComment: string;
  readonly feedbackFiles: readonly WorkFile[];
  readonly messages: readonly Message[];
  /** Somebody else has the course: nothing is written to a student from here. */
  readonly isPacket: boolean;
  readonly group: GroupRows | null;
  readonly privateNote: string;
  readonly files: readonly (WorkFile & { readonly attempt: number })[];
  /** The threads of a discussion that the student's posts stand in, one for each post. */
  readonly threads: readonly PostContext[] | undefined;
  readonly answers: readonly AnswerRow[];
  readonly notes: readonly Note[];
  readonly pile: readonly Sheet[];
  readonly before: StudentId | null;
  readonly after: StudentId | null;
  readonly nextWaiting: StudentId | null;
  readonly scored: number;
  readonly classMean: string | null;
}

function markOf(figure: Figure): PaperMark {
  if (figure.standing === "missing" || figure.standing === "excused") return figure.standing;
  if (figure.counted !== null) return "scored";
  return figure.waiting ? "waiting" : "not in";
}

/** What a paper is judged by. Neither the remarks on the work nor the rest of the pile is in it: they change by themselves. */
export type JudgedRows = Omit<
  DeskRows,
  "notes" | "threads" | "pile" | "before" | "after" | "nextWaiting" | "scored" | "classMean"
>;

export function judgedRows(rows: DeskRows): JudgedRows {
  // oxlint-disable-next-line eslint/no-unused-vars -- what is left out
  const { notes, threads, pile, before, after, nextWaiting, scored, classMean, ...judged } = rows;
  return judged;
}

/** One paper by name, to tell what belongs to it from what belongs to another. */
export const paperOf = ({ assignment, student }: Pick<DeskRows, "assignment" | "student">): string =>
  `${assignment.id}/${student.id}`;

export function deskRows(state: CourseState, assignment: Assignment, student: Student, order: PileOrder): DeskRows {
  const { figure: figureAt } = figuresOf(state);
  const figure = figureAt(assignment.id, student.id);
  const result = resultOf(state, assignment.id, student.id);
  const attempts = handInOf(state, assignment.id, student.id)?.attempts ?? [];
  const notes = notesOf(state, assignment.id, student.id);
  const pile = pileOf(state, assignment, order);
  const place = pile.findIndex((sheet) => sheet.studentId === student.id);
  const onward = [...pile.slice(place + 1), ...pile.slice(0, place)];
  const counted = studentsOf(state).flatMap(({ id }) => {
    const value = figureAt(assignment.id, id);
    return value.counted && value.standing === "handedIn" ? [toNumber(value.counted)] : [];
  });
  return {
    assignment,
    student,
    name: rosterName(state, student),
    section: student.sectionId ? (state.sections[student.sectionId]?.name ?? "") : "",
    figure,
    attempts: attempts.length,
    channel: assignment.channel,
    criteria: criterionRows(state, assignment, student.id, notes),
    outcomes: outcomeRows(state, assignment, student),
    arithmetic: arithmeticWords(figure, assignment, courseOf(state).lateRule?.unitHours ?? 24),
    entry: entryText(state, assignment.id, student.id),
    decision: result.decision,
    moreTime: result.moreTime && moreTimeWords(result.moreTime, courseOf(state).timeZone),
    overallComment: result.overallComment,
    feedbackFiles: result.feedbackFiles,
    messages: messagesOf(state, assignment.id, student.id),
    isPacket: courseOf(state).packet !== null,
    group: groupRows(state, assignment, student.id),
    privateNote: result.privateNote,
    files: attempts.flatMap(({ number, files }) => files.map((file) => ({ ...file, attempt: number }))),
    threads: assignment.channel === "discussion" ? threadsOf(state, assignment, student.id) : undefined,
    answers: answerRows(state, assignment, student.id),
    notes,
    pile,
    before: pile[place - 1]?.studentId ?? null,
    after: pile[place + 1]?.studentId ?? null,
    nextWaiting: onward.find((sheet) => sheet.mark === "waiting")?.studentId ?? null,
    scored: pile.filter((sheet) => sheet.mark === "scored").length,
    classMean:
      counted.length === 0
        ? null
        : inMark((counted.reduce((sum, value) => sum + value, 0) / counted.length).toFixed(1)),
  };
}

function pileOf(state: CourseState, assignment: Assignment, order: PileOrder): Sheet[] {
  const { figure } = figuresOf(state);
  const sheets = studentsOf(state).map((student) => ({
    studentId: student.id,
    initials: initials(student),
    name: rosterName(state, student),
    number: student.number,
    mark: markOf(figure(assignment.id, student.id)),
    at: handInOf(state, assignment.id, student.id)?.attempts.at(-1)?.at ?? "9",
  }));
  const rank: Readonly<Record<PaperMark, number>> = { waiting: 0, "not in": 1, scored: 2, missing: 3, excused: 4 };
  if (order === "waiting") sheets.sort((a, b) => rank[a.mark] - rank[b.mark]);
  if (order === "time") sheets.sort((a, b) => a.at.localeCompare(b.at));
  if (order === "number") sheets.sort((a, b) => a.number.localeCompare(b.number, "en", { numeric: true }));
  return sheets;
}

const moreTimeWords = ({ until, reason }: NonNullable<ResultRecord["moreTime"]>, timeZone: string): string =>
  `more time, until ${momentText(until, timeZone)}${reason === "" ? "" : `: ${reason}`}`;

function criterionRows(
  state: CourseState,
  assignment: Assignment,
  studentId: StudentId,
  notes: readonly Note[],
): CriterionRow[] {
  const rubric = rubricOf(state, assignment);
  const { id: assignmentId } = assignment;
  const students = studentsOf(state);
  const judgement = (criterion: Criterion) => judgementOf(state, assignmentId, studentId, criterion.id);
  const lacking = rubric ? lackingEvidence(rubric, judgement, notes) : [];
  return (rubric?.criteria ?? []).map((criterion, index) => {
    const { points, notApplicable, comment, privateNote } = judgement(criterion);
    const { maximum } = rulerEnds(criterion);
    const top = toNumber(fromDecimal(maximum));
    const others = students.flatMap(({ id }) => {
      const given = id === studentId ? null : judgementOf(state, assignmentId, id, criterion.id).points;
      return given === null || top === 0 ? [] : [toNumber(fromDecimal(given)) / top];
    });
    return {
      criterion,
      colour: criterionColour(index),
      points,
      notApplicable,
      comment,
      privateNote,
      maximum,
      others,
      lacksEvidence: lacking.includes(criterion),
      zone: zonesFor(state, assignment, studentId, criterion.id)[0] ?? null,
      evidence: notes
        .filter((note) => note.criterionId === criterion.id)
        .map((note) => ({
          noteId: note.id,
          label: note.target.kind === "passage" ? quoteOf(note.target.exact) : "pinned",
        })),
    };
  });
}

/** One question with what was answered and what it earned. */
export interface AnswerRow {
  readonly question: Question;
  readonly text: string;
  /** By hand or by the key; null while it waits. */
  readonly points: string | null;
  readonly setByHand: boolean;
  /** What the key gives, where it gives anything. */
  readonly byKey: string | null;
  readonly comment: string;
}

const answerRows = (state: CourseState, assignment: Assignment, studentId: StudentId): AnswerRow[] =>
  questionsOf(state, assignment.id).map((question) => {
    const answer = answerOf(state, assignment.id, studentId, question.id);
    const [points, byKey] = [answerPoints(state, question, answer), keyPoints(state, question, answer)];
    return {
      question,
      text: answer.text,
      points: points && pointsText(points),
      setByHand: answer.points !== null,
      byKey: byKey && pointsText(byKey),
      comment: answer.comment,
    };
  });

function threadsOf(state: CourseState, assignment: Assignment, studentId: StudentId): PostContext[] {
  const { timeZone } = courseOf(state);
  const beside = ({ post, depth }: ThreadedPost): BesidePost => {
    const student = state.students[post.studentId];
    return {
      name: student ? rosterName(state, student) : "",
      when: post.at ? momentText(post.at, timeZone) : "",
      text: post.text,
      depth,
      own: post.studentId === studentId,
    };
  };
  return ownPosts(postsOf(state, assignment.id), studentId).map(({ before, after }) => ({
    before: before.map(beside),
    after: after.map(beside),
  }));
}

function groupRows(state: CourseState, assignment: Assignment, studentId: StudentId): GroupRows | null {
  const group = groupOf(state, assignment.id, studentId);
  if (!group) return null;
  const { figure } = figuresOf(state);
  const criteria = rubricOf(state, assignment)?.criteria ?? [];
  const standsAs = (member: StudentId) =>
    criteria.every(({ id }) => {
      const [own, theirs] = [studentId, member].map((who) => judgementOf(state, assignment.id, who, id));
      return own?.points === theirs?.points && own?.notApplicable === theirs?.notApplicable;
    });
  return {
    name: group.name,
    members: group.memberIds.flatMap((member) => {
      const student = state.students[member];
      if (!student) return [];
      const { counted, standing } = figure(assignment.id, member);
      const total = standing === "missing" || standing === "excused" ? standing : counted ? pointsText(counted) : "–";
      const adjustment = resultOf(state, assignment.id, member).adjustment ?? "";
      return [{ studentId: member, name: rosterName(state, student), total, adjustment, differs: !standsAs(member) }];
    }),
  };
}

/** First words of a passage, in quotes. */
function quoteOf(text: string): string {
  const words = text.trim();
  return `“${words.length > 26 ? `${words.slice(0, 24).trimEnd()}...` : words}”`;
}
