import { useMemo, useState } from "react";
import { Link, useNavigation } from "react-router";
import type { AssignmentId, StudentId } from "#core/kernel";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { fromAddress, inAddress } from "../../../ui/address";
import { useGoTo } from "../../../ui/ways/use-go-to";
import { troubleOf } from "../../../ui/hooks/use-command";
import { useChange } from "../../../course/use-change";
import { Done } from "./done";
import { PileField } from "./pile-field";
import { pileRows } from "./rows";
import type { Route } from "./+types/page";
import { Choice } from "../../../ui/fields/choice";
import { PageTitle } from "../../../ui/parts/page-title";
import { NotEntered } from "./not-entered";
import type { Command } from "#core/changes";
import type { Assignment, CourseState } from "#core/model";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  const shown = live(session, (state) => ({
    state,
    assignment: orMissing(state.assignments[assignmentId], "assignment"),
  }));
  return { shown };
}

export default function PilePage({ loaderData, params }: Route.ComponentProps) {
  const { state, assignment } = useLive(loaderData.shown);
  const rows = useMemo(() => pileRows(state, assignment), [state, assignment]);
  const go = useGoTo();
  const { location: next } = useNavigation();
  const address = (id: AssignmentId) => `/courses/${params.slot}/pile/${inAddress(id)}`;

  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <PageTitle about={assignment.name}>Pile</PageTitle>
      <div className="flex items-baseline justify-between gap-6">
        <h1 className="page-title">{assignment.name}: from the pile</h1>
        <Choice
          label="Assignment"
          className="!w-56 text-[14px]"
          // What was chosen stands in its list at once, also while its page is still on its way.
          value={rows.assignments.find(({ id }) => address(id) === next?.pathname)?.id ?? assignment.id}
          onChoose={(picked) => {
            go(address(picked));
          }}
          options={rows.assignments.map(({ id, name }) => [id, name] as const)}
        />
      </div>
      {rows.students.length === 0 ? (
        <p className="mt-6 text-soft">
          Nobody is on the roster yet. Add students under{" "}
          <Link className="link" to={`/courses/${params.slot}/plan/course`}>
            Course and roster
          </Link>
          .
        </p>
      ) : (
        <Pile key={assignment.id} state={state} assignment={assignment} rows={rows} />
      )}
    </main>
  );
}

interface PileProps {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly rows: ReturnType<typeof pileRows>;
}

/** The pile of one assignment: its line, what is entered, the newest on top, and who is left. */
function Pile({ state, assignment, rows }: PileProps) {
  const change = useChange();
  const [order, setOrder] = useState<readonly StudentId[]>([]);
  const entered = rows.students.length - rows.left.length;
  const listed = [
    ...order.flatMap((id) => rows.students.find(({ studentId }) => studentId === id) ?? []),
    ...rows.students.filter(({ studentId, entered: text }) => text !== "" && !order.includes(studentId)),
  ];
  return (
    <>
      <HowFar unit={rows.unit} entered={entered} of={rows.students.length} />
      <PileField
        state={state}
        assignment={assignment}
        onEnter={async (cell, confirmed) => {
          const words = troubleOf(
            await change({ type: "enterScores", how: "entered from the pile", cells: [cell], confirmed }),
          );
          if (words === null) setOrder((before) => [cell.studentId, ...before.filter((id) => id !== cell.studentId)]);
          return words;
        }}
      />
      <div className="mt-6 grid gap-10 lg:grid-cols-[minmax(0,1fr)_300px]">
        <Done
          students={listed}
          fresh={order}
          onChange={async (studentId, text, seen, confirmed) =>
            troubleOf(
              await change({
                type: "setScore",
                assignmentId: assignment.id,
                studentId,
                text,
                seen,
                confirmed,
              }),
            )
          }
        />
        <NotEntered
          left={rows.left}
          hasSome={entered > 0}
          onMissing={() => void change(allMissing(assignment.id, rows.left))}
        />
      </div>
    </>
  );
}

const unitWords = (unit: string): string => (unit === "percent" ? "In percent" : `Points ${unit}`);

interface HowFarProps {
  readonly unit: string;
  readonly entered: number;
  readonly of: number;
}

function HowFar({ unit, entered, of }: HowFarProps) {
  const share = of === 0 ? 0 : entered / of;
  return (
    <>
      <p className="figures mt-1 text-sm text-soft">
        {unitWords(unit)} · {entered} of {counted(of, "student")} entered
      </p>
      <div aria-hidden="true" className="mt-2 h-1.5 bg-rule">
        <div className="h-full bg-green" style={{ width: `${String(share * 100)}%` }} />
      </div>
    </>
  );
}

const allMissing = (assignmentId: AssignmentId, left: ReturnType<typeof pileRows>["left"]): Command => ({
  type: "enterScores",
  how: "set missing",
  cells: left.map(({ studentId }) => ({ assignmentId, studentId, text: "m" })),
});
