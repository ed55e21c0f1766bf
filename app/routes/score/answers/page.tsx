import { useCallback } from "react";
import { Link } from "react-router";
import type { FileId } from "#core/kernel";
import { namesHidden } from "../../../course/choices";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { fromAddress, inAddress } from "../../../ui/address";
import { keysFollowSearch } from "../../../ui/keys/use-keys-wait";
import { PageTitle } from "../../../ui/parts/page-title";
import { AnswersHead } from "./answers-head";
import { AnswerLine } from "./answer-line";
import { answerSheets } from "./rows";
import { useAnswers } from "./use-answers";
import type { Route } from "./+types/page";

/** Keys judge by the question that the search names. */
export const handle = keysFollowSearch;

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  const search = new URL(request.url).searchParams;
  const question = search.get("question");
  const nameless = await namesHidden(repository, search);
  const looking = {
    question: question && fromAddress("question", question),
    nameless,
    shuffle: Number(search.get("shuffle") ?? 0) || 0,
  };
  const shown = live(session, (state) => {
    const assignment = orMissing(state.assignments[assignmentId], "assignment");
    return { assignment, rows: answerSheets(state, assignment, looking) };
  });
  return { shown, nameless, repository };
}

/** One question over all answers: a digit gives the points and goes on to the next answer. */
export default function AnswersPage({ loaderData, params }: Route.ComponentProps) {
  const { nameless, repository } = loaderData;
  const { rows, assignment } = useLive(loaderData.shown);
  const { list, ...answers } = useAnswers(rows, assignment, { isNameless: nameless, repository });
  const read = useCallback((fileId: FileId) => repository.readFile(params.slot, fileId), [repository, params.slot]);
  const questionsAt = `/courses/${params.slot}/plan/assignments/${inAddress(assignment.id)}/questions`;
  if (!rows) {
    return (
      <main className="p-8 text-soft">
        {assignment.name} has no questions yet. Write them under{" "}
        <Link className="link" to={questionsAt}>
          Plan, questions
        </Link>
        .
      </main>
    );
  }
  const { looking, sheets, current } = answers;
  return (
    <main className="flex h-[calc(100vh-46px)] flex-col">
      <PageTitle about={assignment.name}>Answers</PageTitle>
      <AnswersHead
        questionsAt={questionsAt}
        title={assignment.name}
        rows={rows}
        chosen={looking.chosen}
        isNameless={nameless}
        isShuffled={looking.isShuffled}
        isTogether={answers.isTogether}
        onNames={(hidden) => {
          looking.showNames(!hidden);
        }}
        onShuffle={looking.shuffle}
        onTogether={(on) => {
          answers.setTakenApart(new Set());
          looking.putTogether(on);
        }}
        onQuestion={looking.choose}
      />
      {answers.notice && (
        <p role="alert" className="border-b border-rule px-[18px] py-1.5 text-[14px] text-wax">
          {answers.notice}
        </p>
      )}
      <ol ref={list} aria-label="Answers" className="min-h-0 flex-1 overflow-auto">
        {sheets.length === 0 && <li className="p-8 text-soft">No answers are in yet.</li>}
        {sheets.map((item, place) => (
          <AnswerLine
            key={item.studentId}
            answer={`${assignment.id}/${item.studentId}/${rows.question.id}`}
            sheet={item}
            maximum={rows.question.points}
            read={read}
            current={place === current}
            typing={answers.typing && place === current}
            onChoose={() => {
              answers.setCurrent(place);
            }}
            onApart={() => {
              answers.setTakenApart(new Set([...answers.takenApart, item.reading]));
            }}
            onPoints={(points, confirmed) =>
              answers.sendTyped({ type: "judgeAnswer", ...answers.where(item), text: points, confirmed })
            }
            onTyped={(kept) => {
              answers.setTyping(false);
              if (kept) answers.goTo(place + 1);
            }}
            onComment={(comment, seen) =>
              answers.sendTyped({ type: "judgeAnswer", ...answers.where(item), comment: { text: comment, seen } })
            }
          />
        ))}
      </ol>
    </main>
  );
}
