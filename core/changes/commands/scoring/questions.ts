import { z } from "zod/mini";
import { compare, fromDecimal, ok, refuse, toNumber, type Id, type Result } from "#core/kernel";
import {
  answerOf,
  commentField,
  idField,
  instantField,
  ownHandInOf,
  questionSchema,
  questionsOf,
  resultKey,
  type Question,
} from "#core/model";
import { readNumber } from "#core/scoring";
import { counted } from "#core/words";
import type { ChangeIssue, CommandKind } from "../../engine/change";
import {
  assignmentAt,
  checkSeen,
  excerpt,
  finish,
  paperAt,
  put,
  readFigure,
  removeAll,
} from "../../engine/command-parts";
import { noLongerMissing } from "../collect/no-longer-missing";

const saveInput = z.object({
  assignmentId: idField("assignment"),
  questions: z
    .array(
      z.extend(z.omit(questionSchema, { assignmentId: true, order: true }), { id: z.nullable(idField("question")) }),
    )
    .check(z.maxLength(200)),
});

/**
 * Keeps the questions of an assignment with their keys, in the order given. Figures that rest on a key follow it at once;
 * points given by hand stay. A question that is left out goes with its answers.
 */
export const saveQuestions: CommandKind<z.infer<typeof saveInput>> = {
  input: saveInput,
  prepare: (state, { assignmentId, questions }, { fresh }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    for (const question of questions) {
      const sound = checkKey(question);
      if (!sound.ok) return sound;
    }
    const records = questions.map((question, order): Question => ({
      ...question,
      id: question.id ?? (`question:${fresh()}` as Id<"question">),
      assignmentId,
      order,
    }));
    const kept = new Set<string>(records.map(({ id }) => id));
    const gone = questionsOf(state, assignmentId).filter(({ id }) => !kept.has(id));
    const goneIds = new Set<string>(gone.map(({ id }) => id));
    const answers = Object.values(state.answers[assignmentId] ?? {}).filter(({ questionId }) =>
      goneIds.has(questionId),
    );
    return finish(
      `${found.value.name}: ${counted(records.length, "question")}`,
      ...removeAll(state, "questions", gone),
      ...removeAll(state, "answers", answers),
      ...records.map((record) => put(state, "questions", record)),
    );
  },
};

/** Whether a question's key can judge: its right options are among its options, its number is one. */
function checkKey({ prompt, key, points }: Pick<Question, "prompt" | "key" | "points">): Result<null, ChangeIssue> {
  const fault = (what: "right_option" | "number" | "points"): Result<null, ChangeIssue> =>
    refuse({ code: "key_at_fault", question: excerpt(prompt), what });
  if (toNumber(fromDecimal(points)) < 0) return fault("points");
  if (key.kind === "choice" && key.right.some((place) => place >= key.options.length)) return fault("right_option");
  if (key.kind === "numeric") {
    const [value, tolerance] = [readNumber(key.value), key.tolerance === "" ? null : readNumber(key.tolerance)];
    if (!value || (key.tolerance !== "" && (!tolerance || tolerance.n < 0n))) return fault("number");
  }
  return ok(null);
}

const takeInInput = z.object({
  assignmentId: idField("assignment"),
  /** When they came in; null where nobody wrote it down. */
  at: z.nullable(instantField),
  answers: z
    .array(z.object({ studentId: idField("student"), questionId: idField("question"), text: commentField }))
    .check(z.minLength(1), z.maxLength(200_000)),
});

/** Takes in answers. They stand in the place of earlier ones of the same students; points given by hand stay. */
export const takeInAnswers: CommandKind<z.infer<typeof takeInInput>> = {
  input: takeInInput,
  prepare: (state, { assignmentId, at, answers }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    for (const { studentId, questionId } of answers) {
      if (!state.students[studentId]) return refuse({ code: "unknown_record", what: "student", id: studentId });
      if (!state.questions[questionId]) return refuse({ code: "unknown_record", what: "question", id: questionId });
    }
    const students = [...new Set(answers.map(({ studentId }) => studentId))];
    return finish(
      `${found.value.name}: answers of ${counted(students.length, "student")} taken in`,
      ...students.map((studentId) => {
        if (ownHandInOf(state, assignmentId, studentId)) return null;
        const id = resultKey(assignmentId, studentId);
        return put(state, "handIns", { id, assignmentId, studentId, attempts: [{ number: 1, at, files: [] }] });
      }),
      ...noLongerMissing(
        state,
        students.map((studentId) => ({ assignmentId, studentId })),
      ),
      ...answers.map(({ studentId, questionId, text }) =>
        put(state, "answers", { ...answerOf(state, assignmentId, studentId, questionId), text }),
      ),
    );
  },
};

const judgeInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  questionId: idField("question"),
  /** Points as typed; nothing or `-` goes back to what the key gives. */
  text: z.optional(z.string().check(z.maxLength(60))),
  comment: z.optional(z.object({ text: commentField, seen: z.string() })),
  /** Students who gave the same answer: what is said here holds for them too. */
  alike: z.optional(z.array(idField("student")).check(z.maxLength(5_000))),
  confirmed: z.optional(z.boolean()),
});

/** Judges one answer by hand, or writes to the student about it; equal answers of others may be judged with it. */
export const judgeAnswer: CommandKind<z.infer<typeof judgeInput>> = {
  input: judgeInput,
  prepare: (state, { questionId, text, comment, alike = [], confirmed = false, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const question = state.questions[questionId];
    if (question?.assignmentId !== where.assignmentId) {
      return refuse({ code: "unknown_record", what: "question", id: questionId });
    }
    for (const studentId of alike) {
      const other = paperAt(state, { ...where, studentId });
      if (!other.ok) return other;
    }
    const ids = [...new Set([where.studentId, ...alike])];
    const answers = ids.map((id) => answerOf(state, where.assignmentId, id, questionId));
    const answer = answerOf(state, where.assignmentId, where.studentId, questionId);
    const who =
      ids.length === 1 ? paper.value.title : `${counted(ids.length, "equal answer")}, ${paper.value.assignment.name}`;
    const title = `${who}, ${excerpt(question.prompt)}`;
    if (comment) {
      const known = checkSeen(comment.seen, answer.comment);
      if (!known.ok) return known;
      return finish(
        `${title}: comment "${excerpt(comment.text)}"`,
        // Who was written to by themselves keeps those words.
        ...answers
          .filter((one) => one.comment === answer.comment || one.comment === "")
          .map((one) => put(state, "answers", { ...one, comment: comment.text })),
      );
    }
    const figure = readFigure(text ?? "");
    if (!figure.ok) return figure;
    const points = figure.value;
    if (points !== null) {
      if (toNumber(fromDecimal(points)) < 0) return refuse({ code: "points_below_zero", points });
      if (compare(fromDecimal(points), fromDecimal(question.points)) > 0 && !confirmed) {
        return refuse({ code: "score_above_maximum", text: points, maximum: question.points, canConfirm: true });
      }
    }
    return finish(
      `${title}: ${points ?? "as the key gives"}`,
      ...answers.map((one) => put(state, "answers", { ...one, points })),
    );
  },
};
