import type { OutcomesCopy } from "#core/model";
import type { FacetContents } from "#core/release";
import type { FeedbackSheet, SheetPassage } from "../../workers/protocol";
import { classFiguresWords, deductionWords, ofMaximum, scoreWords } from "#core/words";
import { plainWords } from "../ui/letter/formatted";
import { inMark } from "../ui/words/figures";

interface SheetContent extends Omit<FacetContents, "classFigures"> {
  readonly title: string;
  readonly course: string;
  readonly name: string;
  /** Left out on the desk, where one paper is looked at alone. */
  readonly classFigures?: FacetContents["classFigures"];
}

/** What stands on the page behind a marked paper; comments on criteria stand by themselves where the rubric is sealed. */
export function feedbackSheet({
  title,
  course,
  name,
  score,
  rubric,
  comments,
  outcomes,
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
  const rowOf = (row: (typeof rows)[number]) => ({
    name: row.name,
    points: row.maximum === "" ? "" : row.notApplicable ? "does not apply" : inMark(ofMaximum(row.points, row.maximum)),
    level: [row.level, row.descriptor].filter(Boolean).join(": "),
    comment: comments?.criteria.find(({ criterionId }) => criterionId === row.criterionId)?.comment ?? "",
    passages: said.filter((note) => note.criterionId === row.criterionId).map(passage),
  });
  return {
    title,
    course,
    name,
    score: score && inMark(scoreWords(score)),
    scoreNote: [
      score ? inMark(deductionWords(score)) : null,
      classFigures ? inMark(classFiguresWords(classFigures)) : null,
    ]
      .filter(Boolean)
      .join(". "),
    overall: plainWords(comments?.overall ?? ""),
    criteria: [...rows.map(rowOf), ...outcomesOf(outcomes)],
    answers: (rubric?.answers ?? []).map(({ prompt, text, points, maximum, comment }) => ({
      prompt,
      text: text || "no answer",
      points: inMark(ofMaximum(points, maximum)),
      comment,
    })),
    others: said.filter((note) => !listed.has(note.criterionId)).map(passage),
  };
}

/** Outcomes as rows behind the criteria, in levels and without points. */
const outcomesOf = (outcomes: OutcomesCopy | null): FeedbackSheet["criteria"] => [
  ...(outcomes?.rows ?? []).map(({ name, level, descriptor, comment }) => ({
    name: `${name}, apart from the score`,
    points: level ?? "",
    level: descriptor,
    comment,
    passages: [],
  })),
  ...(outcomes?.attainment
    ? [
        {
          name: `${outcomes.attainment.scale}, apart from the score`,
          points: outcomes.attainment.level,
          level: "",
          comment: "",
          passages: [],
        },
      ]
    : []),
];

const NOT_SHOWN = { points: null, maximum: "", level: null, descriptor: "", notApplicable: false } as const;
