import type { WorkFile } from "#core/model";
import type { FacetContent, FacetContents } from "#core/release";
import { classFiguresWords, deductionWords, ofMaximum, scoreWords } from "#core/words";
import { Attached } from "./attached";
import { formattedHtml } from "./formatted";
import { inMark } from "../words/figures";

interface LetterProps extends FacetContents {
  readonly title: string;
  readonly courseTitle: string;
  readonly name: string;
  /** Reads a file that goes with the comments; left out where they are only named. */
  readonly read?: ((file: WorkFile) => Promise<Blob | null>) | undefined;
}

/** What one student reads of one assignment. It reads as a letter, not as a table of fields. */
export function Letter({
  title,
  courseTitle,
  name,
  score,
  rubric,
  comments,
  outcomes,
  classFigures,
  read,
}: LetterProps) {
  const nothing = !score && !rubric && !comments && !outcomes && !classFigures;
  return (
    <article aria-label={`${title}, for ${name}`} className="text-[15px]">
      <h2 className="font-serif text-[20px] leading-tight font-semibold">{title}</h2>
      <p className="mt-0.5 text-[13.5px] text-soft">
        {courseTitle} · for {name}
      </p>
      {nothing && <p className="mt-4 font-serif text-[16px] text-soft">Nothing of this has been released.</p>}
      {comments?.overall && (
        <div
          className="formatted mt-4 font-serif text-[16.5px] leading-relaxed"
          dangerouslySetInnerHTML={{ __html: formattedHtml(comments.overall) }}
        />
      )}
      {comments && read && (
        <div className="mt-3">
          <Attached files={comments.attachments} read={read} />
        </div>
      )}
      {rubric && <Criteria rubric={rubric} comments={comments} />}
      {score && <ScoreLine score={score} />}
      {classFigures && (
        <p className="figures mt-1 text-[13.5px] text-soft">{inMark(classFiguresWords(classFigures))}</p>
      )}
      {outcomes && <Outcomes outcomes={outcomes} />}
      {!rubric && comments && <CriterionComments comments={comments} />}
      {comments && comments.notes.length > 0 && <Passages comments={comments} />}
    </article>
  );
}

function Criteria({
  rubric,
  comments,
}: {
  readonly rubric: FacetContent["rubric"];
  readonly comments: LetterProps["comments"];
}) {
  return (
    <ul className="mt-4 -mb-3 border-t border-rule">
      {rubric.rows.map((row) => (
        <li key={row.criterionId} className="border-b border-rule py-1.5">
          <div className="flex justify-between gap-4">
            <span>{row.name}</span>
            <strong className="figures whitespace-nowrap">
              {row.notApplicable ? "does not apply" : inMark(ofMaximum(row.points, row.maximum))}
            </strong>
          </div>
          {row.level && (
            <p className="text-[13.5px] text-soft">
              {row.level}
              {row.descriptor && `: ${row.descriptor}`}
            </p>
          )}
          {comments?.criteria
            .filter((comment) => comment.criterionId === row.criterionId)
            .map((comment) => (
              <p key={comment.criterionId} className="mt-1 font-serif">
                {comment.comment}
              </p>
            ))}
        </li>
      ))}
      {rubric.answers.map((answer, index) => (
        <li key={answer.questionId} className="border-b border-rule py-1.5">
          <div className="flex justify-between gap-4">
            <span>
              {index + 1}. {answer.prompt}
            </span>
            <strong className="figures whitespace-nowrap">{inMark(ofMaximum(answer.points, answer.maximum))}</strong>
          </div>
          <p className="font-serif whitespace-pre-wrap text-soft">{answer.text || "no answer"}</p>
          {answer.comment && <p className="mt-1 font-serif">{answer.comment}</p>}
        </li>
      ))}
    </ul>
  );
}

function ScoreLine({ score }: { readonly score: FacetContent["score"] }) {
  const deduction = inMark(deductionWords(score));
  return (
    <div className="mt-3 border-t-2 border-ink pt-1.5">
      <p className="flex justify-between gap-4">
        <span>Score</span>
        <strong className="figures">{inMark(scoreWords(score))}</strong>
      </p>
      {deduction && <p className="figures text-right text-[13.5px] text-soft">{deduction}</p>}
    </div>
  );
}

/** Attainment in words; it says itself that the score does not rest on it. */
function Outcomes({ outcomes }: { readonly outcomes: FacetContent["outcomes"] }) {
  return (
    <section aria-label="Outcomes" className="mt-4">
      <h3 className="text-[13.5px] text-soft">Outcomes, apart from the score</h3>
      <ul>
        {outcomes.rows.map((row) => (
          <li key={row.criterionId} className="border-b border-rule py-1.5">
            <p className="flex justify-between gap-4">
              <span>{row.name}</span>
              <strong>{row.level ?? "–"}</strong>
            </p>
            {row.descriptor && <p className="text-[13.5px] text-soft">{row.descriptor}</p>}
            {row.comment && <p className="mt-1 font-serif">{row.comment}</p>}
          </li>
        ))}
        {outcomes.attainment && (
          <li className="flex justify-between gap-4 border-b border-rule py-1.5">
            <span>{outcomes.attainment.scale}</span>
            <strong>{outcomes.attainment.level}</strong>
          </li>
        )}
      </ul>
    </section>
  );
}

function CriterionComments({ comments }: { readonly comments: FacetContent["comments"] }) {
  return comments.criteria.map((comment) => (
    <p key={comment.criterionId} className="mt-3">
      <span className="block text-[13.5px] text-soft">{comment.name}</span>
      <span className="font-serif">{comment.comment}</span>
    </p>
  ));
}

function Passages({ comments }: { readonly comments: FacetContent["comments"] }) {
  const count = comments.notes.length;
  const names = [...new Set(comments.notes.map((note) => note.criterionName ?? ""))];
  const groups = names.map(
    (name) => [name, comments.notes.filter((note) => (note.criterionName ?? "") === name)] as const,
  );
  return (
    <section className="mt-5">
      <p className="font-serif text-[16.5px]">
        {count === 1 ? "One note stands on your work." : `${String(count)} notes stand on your work.`}
      </p>
      {groups.map(([name, notes]) => (
        <div key={name} className="mt-2">
          {name && <h3 className="text-[13.5px] text-soft">{name}</h3>}
          <ul className="mt-0.5 space-y-1.5">
            {notes.map((note) => (
              <li key={note.id} className="border-s-2 border-rule ps-3">
                {note.target.kind === "passage" && (
                  <q className={`font-serif text-soft ${note.mark === "strikeout" ? "line-through" : ""}`}>
                    {note.target.exact}
                  </q>
                )}
                {note.body && <p>{note.body}</p>}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}
