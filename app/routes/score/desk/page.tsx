import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { phrasesOf } from "#core/changes";
import { courseOf, fullName, type Message, type WorkFile } from "#core/model";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { deskAddress, fromAddress } from "../../../ui/address";
import { useChange } from "../../../course/use-change";
import { sweepRows } from "../../../ui/beside/sweep-rows";
import { NearPapers } from "./paper/near-papers";
import { JudgementColumn } from "./judgement/judgement-column";
import { keep, keepIn, known, PILE_ORDERS } from "../../../course/choices";
import { besideFile, draftPaper, loadAhead, shownFile } from "./paper/load-work";
import { phrasesAtHand } from "./phrases-at-hand";
import { Pile } from "./pile";
import { DeskColumns } from "./desk-columns";
import { deskRows } from "./rows";
import { PhrasesAtHand } from "../../../ui/letter/phrases";
import { useAsking } from "../../../ui/dialogs/use-asking";
import { PageTitle } from "../../../ui/parts/page-title";
import { useDeskAddress } from "./use-desk-address";
import { useDeskKeys } from "./use-desk-keys";
import { useHandIn } from "./paper/use-hand-in";
import { usePaper } from "./paper/use-paper";
import { useWorkAhead } from "./paper/use-work-ahead";
import { WholeRubric } from "./judgement/whole-rubric";
import { WorkArea } from "./paper/work-area";
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
  const shown = live(session, (state) => {
    const assignment = orMissing(state.assignments[assignmentId], "assignment");
    const student = orMissing(state.students[studentId], "student");
    const rows = deskRows(state, assignment, student, order);
    return {
      rows,
      phrases: phrasesOf(state),
      timeZone: courseOf(state).timeZone,
      nameOf: ({ by }: Message) => (by ? (state.markers[by]?.name ?? "") : fullName(student)),
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
  // Each paper gets a desk of its own, so that nothing half typed moves on to the next.
  return <Desk key={`${params.assignmentId}/${params.studentId}`} loaderData={loaderData} slot={params.slot} />;
}

function Desk({
  loaderData,
  slot,
}: {
  readonly loaderData: Route.ComponentProps["loaderData"];
  readonly slot: string;
}) {
  const { order, layout, marginWidth, repository } = loaderData;
  const shown = useLive(loaderData.shown);
  const { rows, phrases, unitHours } = shown;
  const change = useChange();
  const navigate = useNavigate();
  useWorkAhead(shown.ahead);
  const asked = useDeskAddress();
  const { work, beside } = usePaper(rows, asked.search, loaderData.bytes, loaderData.read);
  const [chosen, setChosen] = useState<string | null>(null);
  const [comparing, setComparing] = useState<number | null>(null);
  const [wholeGroup, setWholeGroup] = useState(true);
  const [pileShown, setPileShown] = useState(true);
  const [hand, setHand] = useState(loaderData.hand);
  const overall = useRef<HTMLTextAreaElement>(null);
  const privateNote = useRef<HTMLTextAreaElement>(null);
  const outcomes = useRef<HTMLDivElement>(null);
  const late = useRef<HTMLInputElement>(null);
  const done = useRef<HTMLButtonElement>(null);
  const handIn = useHandIn(repository, slot, rows);

  const { send, sendTyped, notice } = useAsking(change);
  const goTo = (studentId: string | null) => {
    void navigate(studentId ? deskAddress(slot, rows.assignment.id, studentId) : `/courses/${slot}`);
  };
  const next = () => {
    goTo(rows.after);
  };
  const keys = useDeskKeys(
    rows,
    send,
    {
      next,
      before: () => {
        if (rows.before) goTo(rows.before);
      },
      nextWaiting: () => {
        goTo(rows.nextWaiting);
      },
      togglePile: () => {
        setPileShown((shown) => !shown);
      },
      focusOverall: () => overall.current?.focus(),
      focusPrivate: () => privateNote.current?.focus(),
      wholeRubric: () => {
        asked.showRubric(true);
      },
      focusOutcomes: () => outcomes.current?.focus(),
      focusLate: () => late.current?.focus(),
      focusDone: () => done.current?.focus(),
      compare: (place) => {
        setComparing((now) => (now === null ? place : null));
      },
      letGo: () => {
        setChosen(null);
        setComparing(null);
        return false;
      },
    },
    rows.group !== null && wholeGroup,
  );

  const comparedCriterion = comparing === null ? undefined : rows.criteria[keys.marked];
  const atHand = phrasesAtHand(rows, phrases, send);
  const judgement = (
    <JudgementColumn
      slot={slot}
      rows={rows}
      unitHours={unitHours}
      timeZone={shown.timeZone}
      repository={repository}
      markerName={shown.nameOf}
      wholeGroup={wholeGroup}
      onWholeGroup={setWholeGroup}
      keys={keys}
      send={send}
      sendTyped={sendTyped}
      notice={notice}
      onEvidence={setChosen}
      outcomesRef={outcomes}
      onLastOutcome={() => done.current?.focus()}
      overallRef={overall}
      privateRef={privateNote}
      lateRef={late}
    />
  );
  return (
    <main className="flex h-[calc(100vh-46px)] flex-col">
      <PageTitle about={`${rows.name}, ${rows.assignment.shortName}`}>Desk</PageTitle>
      <PhrasesAtHand value={atHand}>
        <DeskColumns
          hand={hand}
          layout={layout}
          onLayout={(changed) => {
            keep(repository, "desk-layout", changed);
          }}
          judgement={judgement}
          near={
            comparedCriterion && (
              <NearPapers
                key={comparedCriterion.criterion.id}
                row={comparedCriterion}
                own={rows.student.id}
                rowsOf={shown.nearPapers}
                read={(fileId) => repository.readFile(slot, fileId)}
                onClose={() => {
                  setComparing(null);
                }}
              />
            )
          }
        >
          <WorkArea
            slot={slot}
            rows={rows}
            work={work}
            beside={beside}
            onAlone={asked.endComparison}
            send={send}
            chosen={chosen}
            onChoose={setChosen}
            handIn={handIn}
            wholeGroup={rows.group !== null && wholeGroup}
            draft={shown.draft}
            zone={rows.criteria[keys.marked]?.zone ?? null}
            repository={repository}
            marginWidth={marginWidth}
            onMarginWidth={(width) => {
              keep(repository, "margin-width", width);
            }}
          />
        </DeskColumns>
      </PhrasesAtHand>
      {asked.search.get("rubric") === "whole" && rows.criteria.length > 0 && (
        <WholeRubric
          title={rows.assignment.name}
          criteria={rows.criteria}
          onClose={() => {
            asked.showRubric(false);
          }}
        />
      )}
      {pileShown && (
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
          onNext={next}
          doneRef={done}
        />
      )}
    </main>
  );
}
