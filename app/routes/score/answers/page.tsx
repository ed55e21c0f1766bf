import { useCallback, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import type { FileId } from "#core/kernel";
import { keep, namesHidden } from "../../../course/choices";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { fromAddress, inAddress } from "../../../ui/address";
import { useAsking } from "../../../ui/dialogs/use-asking";
import { useSearchChoice } from "../../../ui/hooks/use-search-choice";
import { PageTitle } from "../../../ui/parts/page-title";
import { useChange } from "../../../course/use-change";
import { freshShuffle } from "../fresh-shuffle";
import { AnswersHead } from "./answers-head";
import { AnswerLine } from "./answer-line";
import { answerSheets, togetherAlike, type AlikeAnswers } from "./rows";
import { useAnswerKeys } from "./use-answer-keys";
import type { Route } from "./+types/page";

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
  const [text, set] = useSearchChoice();
  const { send, sendTyped, notice } = useAsking(useChange());
  const [current, setCurrent] = useState(() =>
    Math.max(
      0,
      togetherAlike(rows?.sheets ?? [], new Set()).findIndex(({ points }) => points === null),
    ),
  );
  const [typing, setTyping] = useState(false);
  const [takenApart, setTakenApart] = useState<ReadonlySet<string>>(() => new Set());
  const isTogether = text("equal") !== "apart";
  const sheets = useMemo(
    () => togetherAlike(rows?.sheets ?? [], isTogether ? takenApart : "all"),
    [rows, isTogether, takenApart],
  );
  const list = useRef<HTMLOListElement>(null);
  const read = useCallback((fileId: FileId) => repository.readFile(params.slot, fileId), [repository, params.slot]);
  const goTo = (place: number) => {
    if (!rows) return;
    const next = Math.min(sheets.length - 1, Math.max(0, place));
    setCurrent(next);
    setTyping(false);
    list.current?.children[next]?.scrollIntoView({ block: "nearest" });
  };
  const where = ({ studentId, alike }: AlikeAnswers) => ({
    assignmentId: assignment.id,
    studentId,
    ...(alike.length > 0 && { alike: alike.map((one) => one.studentId) }),
    questionId: rows?.question.id ?? fromAddress("question", ""),
  });
  const showNames = (shown: boolean) => {
    keep(repository, "names-hidden", !shown);
    set("names", shown ? "shown" : "hidden");
  };
  const choose = (by: number) => {
    if (!rows) return;
    const next = rows.questions[(rows.place + by + rows.questions.length) % rows.questions.length];
    if (next) set("question", inAddress(next.id));
    setCurrent(0);
  };
  const sheet = sheets[current];
  useAnswerKeys({
    maximum: Number(rows?.question.points ?? 0),
    points: (digit) => {
      if (!sheet) return;
      // On at once: the next key is for the next answer, however long this one takes to be kept. A refusal leads back.
      const place = current;
      goTo(place + 1);
      void send({ type: "judgeAnswer", ...where(sheet), text: String(digit) }).then((outcome) => {
        if (!outcome.ok && outcome.issue.code !== "nothing_to_change") goTo(place);
      });
    },
    open: () => sheet && void send({ type: "judgeAnswer", ...where(sheet), text: "-" }),
    move: (by) => {
      goTo(current + by);
    },
    type: () => {
      setTyping(true);
    },
    question: choose,
    names: () => {
      showNames(nameless);
    },
  });
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
  return (
    <main className="flex h-[calc(100vh-46px)] flex-col">
      <PageTitle about={assignment.name}>Answers</PageTitle>
      <AnswersHead
        questionsAt={questionsAt}
        title={assignment.name}
        rows={rows}
        isNameless={nameless}
        isShuffled={text("shuffle") !== ""}
        isTogether={isTogether}
        onNames={(hidden) => {
          showNames(!hidden);
        }}
        onShuffle={(on) => {
          set("shuffle", on ? freshShuffle() : "");
          setCurrent(0);
        }}
        onTogether={(on) => {
          set("equal", on ? "" : "apart");
          setTakenApart(new Set());
          setCurrent(0);
        }}
        onQuestion={(id) => {
          set("question", inAddress(id));
          setCurrent(0);
        }}
      />
      {notice && (
        <p role="alert" className="border-b border-rule px-[18px] py-1.5 text-[14px] text-wax">
          {notice}
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
            typing={typing && place === current}
            onChoose={() => {
              setCurrent(place);
            }}
            onApart={() => {
              setTakenApart(new Set([...takenApart, item.reading]));
            }}
            onPoints={(points, confirmed) =>
              sendTyped({ type: "judgeAnswer", ...where(item), text: points, confirmed })
            }
            onTyped={(kept) => {
              setTyping(false);
              if (kept) goTo(place + 1);
            }}
            onComment={(comment, seen) =>
              sendTyped({ type: "judgeAnswer", ...where(item), comment: { text: comment, seen } })
            }
          />
        ))}
      </ol>
    </main>
  );
}
