import { useState } from "react";
import { Link } from "react-router";
import type { FileId } from "#core/kernel";
import { handInOf, moderationOf, secondMarkOf } from "#core/model";
import { moderatedPapers } from "#core/totals";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { useChange } from "../../../course/use-change";
import { fromAddress, inAddress } from "../../../ui/address";
import { DraftField } from "../../../ui/fields/draft-field";
import { useGoTo } from "../../../ui/ways/use-go-to";
import { useKeys } from "../../../ui/keys/use-keys";
import { namelessFile } from "../../../ui/beside/nameless-file";
import { PageTitle } from "../../../ui/parts/page-title";
import { SecondCriteria } from "./second-criteria";
import { secondRows, type SecondRows } from "./second-rows";
import type { Route } from "./+types/page";
import { WorkOfPaper } from "./work-of-paper";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  const studentId = fromAddress("student", params.studentId);
  const shown = live(session, (state) => {
    const assignment = orMissing(state.assignments[assignmentId], "assignment");
    const moderation = orMissing(moderationOf(state, assignmentId), "second marking");
    orMissing(moderation.studentIds.includes(studentId) ? true : undefined, "paper of the sample");
    const rows = secondRows(state, assignment, moderation, studentId);
    const file = handInOf(state, assignmentId, studentId)?.attempts.at(-1)?.files.at(-1) ?? null;
    return {
      rows,
      mark: secondMarkOf(state, assignmentId, studentId),
      file: file && rows.isBlind ? namelessFile(file, rows.title) : file,
      papers: moderatedPapers(state, assignment),
    };
  });
  return { shown, read: (id: FileId) => repository.readFile(params.slot, id) };
}

export default function SecondPage(props: Route.ComponentProps) {
  // Each paper begins at its first criterion.
  return <SecondPaper key={props.params.studentId} {...props} />;
}

function SecondPaper({ loaderData, params }: Route.ComponentProps) {
  const { rows, mark, file, papers } = useLive(loaderData.shown);
  const home = `/courses/${params.slot}/check?assignment=${params.assignmentId}&view=second`;
  const goTo = useGoTo();
  const addressOf = (studentId: string) =>
    `/courses/${params.slot}/check/second/${params.assignmentId}/${inAddress(studentId)}`;
  const go = (step: number) => {
    const next = papers[rows.place + step];
    if (next) goTo(addressOf(next.studentId));
  };
  const change = useChange();
  const { assignmentId, studentId } = rows;
  const [marked, setMarked] = useState(0);
  useKeys("second", {
    level: (digit) => {
      const row = rows.criteria[marked];
      if (!row) return;
      // On at once: the next key is for the next criterion, however long this one takes to be kept. A refusal leads back.
      setMarked(Math.min(marked + 1, rows.criteria.length - 1));
      void change({
        type: "judgeSecond",
        assignmentId,
        studentId,
        criterionId: row.criterion.id,
        verdict: { kind: "level", digit },
      }).then((outcome) => {
        if (!outcome.ok && outcome.issue.code !== "nothing_to_change") setMarked(marked);
      });
    },
    criterionBefore: () => {
      setMarked(Math.max(0, marked - 1));
    },
    criterionAfter: () => {
      setMarked(Math.min(rows.criteria.length - 1, marked + 1));
    },
    nextPaper: () => {
      go(1);
    },
    paperBefore: () => {
      go(-1);
    },
  });
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[380px_minmax(0,1fr)]">
      <PageTitle about={rows.title}>Second marking</PageTitle>
      <div className="overflow-y-auto border-e border-rule pb-8">
        <SecondHead {...{ rows, home, go }} of={papers.length} />
        <SecondCriteria rows={rows} marked={marked} onMark={setMarked} />
        <div className="px-4 pt-4">
          <DraftField
            place={`second-comment/${assignmentId}/${studentId}`}
            label="To the first marker; no student sees it"
            value={mark?.comment ?? ""}
            rows={3}
            onKeep={(comment) => change({ type: "commentSecond", assignmentId, studentId, comment })}
          />
        </div>
      </div>
      <WorkOfPaper rows={rows} file={file} read={loaderData.read} />
    </main>
  );
}

interface SecondHeadProps {
  readonly rows: SecondRows;
  readonly home: string;
  readonly go: (step: number) => void;
  readonly of: number;
}

/** Whose judgement it is, of which paper, and the way to the papers beside it. */
function SecondHead({ rows, home, go, of }: SecondHeadProps) {
  return (
    <div className="px-4 pt-3">
      <p className="text-[14px]">
        <Link className="link" to={home}>
          Second marking
        </Link>
      </p>
      <h1 className="font-serif text-[20px] font-semibold">{rows.title}</h1>
      <p className="figures text-[14px] text-soft">
        {rows.marker}, paper {rows.place + 1} of {of}
        {rows.isBlind ? ", blind" : ""} · {rows.sumWords}
      </p>
      <div className="my-2 flex gap-2">
        <button
          type="button"
          className="act act-quiet"
          disabled={rows.place === 0}
          onClick={() => {
            go(-1);
          }}
        >
          Paper before
        </button>
        <button
          type="button"
          className="act"
          disabled={rows.place + 1 >= of}
          onClick={() => {
            go(1);
          }}
        >
          Next paper
        </button>
      </div>
    </div>
  );
}
