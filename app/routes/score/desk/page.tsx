import { memo, useRef, useState } from "react";
import { phrasesOf } from "#core/changes";
import { keepParts } from "#core/kernel";
import { courseOf, type WorkFile } from "#core/model";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { fromAddress } from "../../../ui/address";
import { useChange } from "../../../course/use-change";
import { sweepRows } from "../../../ui/beside/sweep-rows";
import { NearPapers } from "./paper/near-papers";
import { keep, keepIn, known, PILE_ORDERS } from "../../../course/choices";
import { besideFile, draftPaper, loadAhead, shownFile } from "./paper/load-work";
import { phrasesAtHand } from "./phrases-at-hand";
import { Pile } from "./pile";
import { DeskColumns } from "./desk-columns";
import { deskRows, judgedRows, paperOf, type JudgedRows } from "./rows";
import { PhrasesAtHand } from "../../../ui/letter/phrases";
import { useAsking } from "../../../ui/dialogs/use-asking";
import { PageTitle } from "../../../ui/parts/page-title";
import { useDeskAddress } from "./use-desk-address";
import { useDesk } from "./use-desk";
import { useFreshFocus } from "./use-fresh-focus";
import { Judgement, Paper } from "./on-desk";
import { useWorkAhead } from "./paper/use-work-ahead";
import { WholeRubric } from "./judgement/whole-rubric";
import type { Route } from "./+types/page";

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  const studentId = fromAddress("student", params.studentId);
  const search = new URL(request.url).searchParams;
  const [hand, layout, marginWidth, keptOrder] = await Promise.all([
    known(repository, "desk-hand"),
    known(repository, "desk-layout"),
    known(repository, "margin-width"),
    known(repository, "pile-order"),
  ]);
  const order = PILE_ORDERS.find((item) => item === search.get("order")) ?? keptOrder ?? "name";
  let judged: JudgedRows | undefined;
  const shown = live(session, (state) => {
    const assignment = orMissing(state.assignments[assignmentId], "assignment");
    const student = orMissing(state.students[studentId], "student");
    const rows = deskRows(state, assignment, student, order);
    judged = keepParts(judged, judgedRows(rows));
    return {
      rows,
      judged,
      phrases: phrasesOf(state),
      timeZone: courseOf(state).timeZone,
      markers: state.markers,
      unitHours: courseOf(state).lateRule?.unitHours ?? 24,
      nearPapers: (criterionId: string) =>
        sweepRows(state, assignment, [], { criterion: criterionId, nameless: false, shuffle: 0 }),
      draft: () => draftPaper(state, rows),
      ahead: () => loadAhead(repository, params.slot, state, rows),
    };
  });
  keepIn(repository, params.slot, "place", { assignmentId, studentId });
  const { rows } = shown.read().value;
  const files = [shownFile(rows, search.get("file")), besideFile(rows, search.get("beside"))];
  const read = (file: WorkFile) => repository.readFile(params.slot, file.id);
  return {
    shown,
    order,
    repository,
    read,
    bytes: new Map(
      await Promise.all(files.flatMap((file) => (file ? [read(file).then((blob) => [file.id, blob] as const)] : []))),
    ),
    hand: hand ?? "both",
    layout,
    marginWidth: marginWidth ?? undefined,
  };
}

export default function DeskPage({ loaderData, params }: Route.ComponentProps) {
  return <Desk loaderData={loaderData} slot={params.slot} />;
}

type DeskData = Route.ComponentProps["loaderData"];

/**
 * One desk for all papers. What is drawn of a paper is made anew with each, so that nothing half typed moves on to the next;
 * the columns and the pile stay.
 */
const Desk = memo(function Desk({ loaderData, slot }: { readonly loaderData: DeskData; readonly slot: string }) {
  const { order, layout, repository } = loaderData;
  const shown = useLive(loaderData.shown);
  const { rows } = shown;
  const paper = paperOf(rows);
  useWorkAhead(shown.ahead);
  const asked = useDeskAddress();
  const [hand, setHand] = useState(loaderData.hand);
  const asking = useAsking(useChange(), paper);
  const desk = useDesk(slot, rows, asking.send, asked.showRubric);
  const main = useRef<HTMLElement>(null);
  useFreshFocus(main, paper);
  return (
    <main ref={main} className="flex h-[calc(100vh-46px)] flex-col">
      <PageTitle about={`${rows.name}, ${rows.assignment.shortName}`}>Desk</PageTitle>
      <PhrasesAtHand value={phrasesAtHand(rows, shown.phrases, asking.send)}>
        <DeskColumns
          hand={hand}
          layout={layout}
          onLayout={(changed) => {
            keep(repository, "desk-layout", changed);
          }}
          judgement={<Judgement key={paper} {...{ slot, shown, desk, asking, repository }} />}
          near={
            desk.compared && (
              <NearPapers
                key={`${paper}/${desk.compared.criterion.id}`}
                row={desk.compared}
                own={rows.student.id}
                rowsOf={shown.nearPapers}
                read={(fileId) => repository.readFile(slot, fileId)}
                onClose={desk.endComparing}
              />
            )
          }
        >
          <Paper key={paper} {...{ slot, shown, desk, asking, asked, loaderData }} />
        </DeskColumns>
      </PhrasesAtHand>
      {asked.search.get("rubric") === "whole" && rows.criteria.length > 0 && (
        <WholeRubric
          key={paper}
          title={rows.assignment.name}
          criteria={rows.criteria}
          onClose={() => {
            asked.showRubric(false);
          }}
        />
      )}
      {desk.pileShown && (
        <Pile
          slot={slot}
          rows={rows}
          order={order}
          onOrder={(wanted) => {
            keep(repository, "pile-order", wanted);
            asked.putInOrder(wanted);
          }}
          hand={hand}
          onHand={(wanted) => {
            setHand(wanted);
            keep(repository, "desk-hand", wanted);
          }}
          onNext={desk.next}
          doneRef={desk.fields.done}
        />
      )}
    </main>
  );
});
