import type { z } from "zod/mini";
import { atOnce, ok, refuse, type Id, type Result, type Steps } from "#core/kernel";
import type { CourseState } from "#core/model";
import { addHandIn } from "../commands/collect/add-hand-in";
import type { Change, ChangeIssue, CommandKind, Context, SteppedKind } from "./change";
import { judge, setCriterionComment } from "../commands/scoring/judge";
import { carryNotes, discardAttempt } from "../commands/collect/attempts";
import { giveMoreTime } from "../commands/collect/more-time";
import { setZones } from "../commands/collect/zones";
import { takeIn } from "../commands/collect/take-in";
import { drawStroke } from "../commands/notes/ink";
import { addNote, editNote, removeNote } from "../commands/notes/notes";
import { setAttainment } from "../commands/scoring/outcomes";
import { inputIssue } from "./input-issue";
import { applyPatches } from "./patch";
import { adjustMember, formGroups, scoreGroup } from "../commands/people/group-work";
import { holdAssignment, holdResult } from "../commands/release/hold";
import {
  keepGradeExport,
  noteDelivery,
  noteInstructorCopy,
  openLetter,
  openMail,
  sendMails,
} from "../commands/talk/mailing";
import { releaseTotals, restTotals, sealTotal } from "../commands/release/seal-totals";
import { adjustScores, setByHand } from "../commands/scoring/set-by-hand";
import {
  addAssignment,
  addAssignments,
  duplicateAssignment,
  editAssignment,
  placeAssignment,
  removeAssignments,
} from "../commands/plan/assignments";
import { addCategory, editCategory, placeCategory, removeCategory } from "../commands/plan/categories";
import { copyPlan } from "../commands/plan/copy-plan";
import { editCourse, removeTerm, saveTerm, startCourse } from "../commands/plan/course-rules";
import { enterScores } from "../commands/scoring/enter-scores";
import {
  addSection,
  addStudents,
  editSection,
  editStudent,
  removeSection,
  removeStudents,
  setLeft,
} from "../commands/people/roster";
import { removeRubric, saveRubric } from "../commands/plan/rubrics";
import { addScale, editScale, removeScale } from "../commands/plan/scales";
import { release, releaseDue, seal, timeRelease } from "../commands/release/release";
import { scaleAssignment } from "../commands/scoring/scale-assignment";
import { endModeration, setModeration } from "../commands/moderate/moderation";
import { forgetPacket, handOverPacket, takeBackPacket } from "../commands/moderate/packets";
import { commentSecond, judgeSecond, scoreSecond } from "../commands/moderate/second-mark";
import { settle, unsettle } from "../commands/moderate/settle";
import { setAside, takeFromAside } from "../commands/scoring/set-aside";
import { keepPhrase, removePhrase } from "../commands/notes/phrases";
import { scoreAttempt } from "../commands/scoring/score-attempt";
import { setScore } from "../commands/scoring/set-score";
import { addFeedbackFile, removeFeedbackFile } from "../commands/notes/feedback-files";
import { readMessages, replyAsStudent, sendMessage } from "../commands/talk/messages";
import { takeInPosts } from "../commands/collect/posts";
import { judgeAnswer, saveQuestions, takeInAnswers } from "../commands/scoring/questions";
import { takeInMarkedPapers, takeInNotes } from "../commands/notes/take-in-notes";
import { setComment, setLateness, setStanding } from "../commands/scoring/set-standing";

/** Every kind of change there is, by name. */
const commandKinds = {
  addAssignment,
  addAssignments,
  addCategory,
  addFeedbackFile,
  addHandIn,
  takeIn,
  giveMoreTime,
  setZones,
  addNote,
  drawStroke,
  addScale,
  addSection,
  addStudents,
  adjustMember,
  adjustScores,
  carryNotes,
  copyPlan,
  discardAttempt,
  duplicateAssignment,
  editAssignment,
  editCategory,
  editCourse,
  editNote,
  editScale,
  editSection,
  editStudent,
  enterScores,
  formGroups,
  holdAssignment,
  holdResult,
  judge,
  judgeAnswer,
  keepGradeExport,
  keepPhrase,
  noteDelivery,
  noteInstructorCopy,
  openLetter,
  openMail,
  placeAssignment,
  placeCategory,
  readMessages,
  release,
  releaseDue,
  releaseTotals,
  restTotals,
  removeAssignments,
  removeCategory,
  removeFeedbackFile,
  removeNote,
  removePhrase,
  removeRubric,
  removeScale,
  removeSection,
  removeStudents,
  removeTerm,
  replyAsStudent,
  saveQuestions,
  saveRubric,
  saveTerm,
  scaleAssignment,
  setAside,
  setModeration,
  endModeration,
  handOverPacket,
  forgetPacket,
  takeBackPacket,
  judgeSecond,
  scoreSecond,
  commentSecond,
  settle,
  unsettle,
  takeFromAside,
  scoreAttempt,
  scoreGroup,
  seal,
  sealTotal,
  sendMails,
  sendMessage,
  setAttainment,
  setByHand,
  setComment,
  setCriterionComment,
  setLateness,
  setLeft,
  setScore,
  setStanding,
  startCourse,
  takeInAnswers,
  takeInNotes,
  takeInMarkedPapers,
  takeInPosts,
  timeRelease,
} as const;

/** The name of a kind of change. */
export type CommandType = keyof typeof commandKinds;
type InputOf<T extends CommandType> = z.input<(typeof commandKinds)[T]["input"]>;
/** A command as data: its type and the fields of its input. */
export type Command = { [T in CommandType]: { readonly type: T } & InputOf<T> }[CommandType];

const isCommandType = (value: unknown): value is CommandType =>
  typeof value === "string" && Object.hasOwn(commandKinds, value);

/** Checks the shape of a command that comes from outside. */
export function parseCommand(data: unknown): Result<Command, ChangeIssue> {
  const type: unknown = typeof data === "object" && data !== null && "type" in data ? data.type : undefined;
  if (!isCommandType(type)) return refuse({ code: "input_not_valid", path: "type", fault: { kind: "not_understood" } });
  const parsed = commandKinds[type].input.safeParse(data);
  if (parsed.success) return ok({ type, ...parsed.data } as Command);
  return refuse(inputIssue(parsed.error));
}

/** Whether a kind of change is worked out in steps. */
export const isStepped = ({ type }: Command): boolean => "prepareInSteps" in commandKinds[type];

/** Works out what a command would do to a state, as a change that can be applied, kept and undone; or why not. */
export function* changeInSteps(
  state: CourseState,
  command: Command,
  context: Context,
): Steps<Result<Change, ChangeIssue>> {
  const { type, ...input } = command;
  const kind = commandKinds[type] as CommandKind<unknown> | SteppedKind<unknown>;
  const prepared =
    "prepareInSteps" in kind ? yield* kind.prepareInSteps(state, input, context) : kind.prepare(state, input, context);
  if (!prepared.ok) return prepared;
  const id = `change:${context.fresh()}` as Id<"change">;
  return ok({ id, type, at: context.at, by: context.by, ...prepared.value });
}

/** The same, without a pause. */
export const prepareChange = (state: CourseState, command: Command, context: Context): Result<Change, ChangeIssue> =>
  atOnce(changeInSteps(state, command, context));

/** Prepares and applies in one go. */
export function* runInSteps(
  state: CourseState,
  command: Command,
  context: Context,
): Steps<Result<{ readonly state: CourseState; readonly change: Change }, ChangeIssue>> {
  const change = yield* changeInSteps(state, command, context);
  if (!change.ok) return change;
  const next = applyPatches(state, change.value.patches);
  return next.ok ? ok({ state: next.value, change: change.value }) : next;
}

/** The same, without a pause. */
export const runCommand = (state: CourseState, command: Command, context: Context) =>
  atOnce(runInSteps(state, command, context));
