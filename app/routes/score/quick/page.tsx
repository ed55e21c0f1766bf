import { Link } from "react-router";
import { pointsWords } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { fromAddress } from "../../../ui/address";
import { useChange } from "../../../course/use-change";
import type { Route } from "./+types/page";
import { quickRows } from "./rows";
import { inMark } from "../../../ui/words/figures";
import { PageTitle } from "../../../ui/parts/page-title";
import { QuickLine } from "./quick-line";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  return { shown: live(session, (state) => quickRows(state, assignmentId)) };
}

/** All students of one assignment with a score and a comment each, for short work: Tab goes on from field to field. */
export default function QuickPage({ loaderData, params }: Route.ComponentProps) {
  const { assignment, rows } = useLive(loaderData.shown);
  const change = useChange();
  return (
    <main className="mx-auto w-full max-w-[1000px] px-[30px] pt-6 pb-16">
      <PageTitle about={assignment.name}>Quick list</PageTitle>
      <h1 className="page-title">{assignment.name}: quick list</h1>
      <p className="figures mt-1 text-[14px] text-soft">
        {assignment.bonus ? "Bonus" : `Of ${inMark(pointsWords(assignment.points))}`} · 18 l2 late · m missing · x
        excused · - clears · Tab goes on
      </p>
      {rows.length === 0 ? (
        <p className="mt-6 text-soft">
          Nobody is on the roster yet. Add students under{" "}
          <Link className="link" to={`/courses/${params.slot}/plan/course`}>
            Course and roster
          </Link>
          .
        </p>
      ) : (
        <ul aria-label="Students" className="mt-4">
          {rows.map((row) => (
            <QuickLine key={row.studentId} slot={params.slot} assignment={assignment} row={row} send={change} />
          ))}
        </ul>
      )}
    </main>
  );
}
