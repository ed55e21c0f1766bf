import type { ClassFiguresCopy, CommentsCopy, RubricCopy, ScoreCopy } from "#core/model";
import type { FeedbackSheet, SheetPassage } from "#core/formats";
import { plainWords } from "../formatted";
import { scoreWords } from "../score-words";

interface SheetContent {
  readonly title: string;
  readonly course: string;
  readonly name: string;
  readonly score: ScoreCopy | null;
  readonly rubric: RubricCopy | null;
  readonly comments: CommentsCopy | null;
  readonly classFigures?: ClassFiguresCopy | null;
}

/** What stands on the page behind a marked paper; comments on criteria stand by themselves where the rubric is sealed. */
export function feedbackSheet({
  title,
  course,
  name,
  score,
  rubric,
  comments,
  classFigures,
}: SheetContent): FeedbackSheet {
  const rows = rubric?.rows ?? comments?.criteria.map((row) => ({ ...row, ...NOT_SHOWN })) ?? [];
  const notes = comments?.notes ?? [];
  const listed = new Set<string | null>(rows.map(({ criterionId }) => criterionId));
  const passage = ({ target, body }: (typeof notes)[number]): SheetPassage => ({
    quote: target.kind === "passage" ? target.exact : "",
    words: body,
  });
  const said = notes.filter(({ target, body }) => body !== "" || target.kind === "passage");
  return {
    title,
    course,
    name,
    score: score && scoreWords(score),
    scoreNote: [
      score?.beforeDeduction ? `${score.beforeDeduction} before the deduction for being late` : "",
      classFigures
        ? `The class, ${String(classFigures.students)} papers: mean ${classFigures.mean}, median ${classFigures.median} of ${classFigures.maximum}`
        : "",
    ]
      .filter(Boolean)
      .join(". "),
    overall: plainWords(comments?.overall ?? ""),
    criteria: rows.map((row) => ({
      name: row.name,
      points: row.maximum === "" ? "" : row.notApplicable ? "does not apply" : `${row.points ?? "–"} / ${row.maximum}`,
      level: [row.level, row.descriptor].filter(Boolean).join(": "),
      comment: comments?.criteria.find(({ criterionId }) => criterionId === row.criterionId)?.comment ?? "",
      passages: said.filter((note) => note.criterionId === row.criterionId).map(passage),
    })),
    answers: (rubric?.answers ?? []).map(({ prompt, text, points, maximum, comment }) => ({
      prompt,
      text: text || "no answer",
      points: `${points ?? "–"} / ${maximum}`,
      comment,
    })),
    others: said.filter((note) => !listed.has(note.criterionId)).map(passage),
  };
}

const NOT_SHOWN = { points: null, maximum: "", level: null, descriptor: "", notApplicable: false } as const;
