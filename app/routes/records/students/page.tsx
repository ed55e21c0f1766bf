import { Link } from "react-router";
import { roundToText } from "#core/kernel";
import { courseOf, rosterName, studentsOf } from "#core/model";
import { visibleTo } from "#core/release";
import { figuresOf } from "#core/totals";
import { openCourse } from "../../../course/open-course";
import { studentAddress, windowAddress } from "../../../ui/address";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const { state } = session;
  const { percentPlaces } = courseOf(state);
  return studentsOf(state).map((student) => {
    const { now, letter } = figuresOf(state).totals(student.id);
    return {
      id: student.id,
      name: rosterName(state, student),
      number: student.number,
      section: student.sectionId ? (state.sections[student.sectionId]?.name ?? "") : "",
      now: now ? roundToText(now, percentPlaces) : "",
      letter: letter ?? "",
      visible: visibleTo(state, student.id).length,
    };
  });
}

export default function StudentsPage({ loaderData, params }: Route.ComponentProps) {
  return (
    <main className="mx-auto w-full max-w-[1000px] px-[30px] pt-6 pb-16">
      <title>Students · Upright Quill</title>
      <div className="flex items-baseline justify-between">
        <h1 className="page-title">Students</h1>
        <Link className="link text-[14px]" to={`/courses/${params.slot}/outcomes`}>
          Outcomes over all work
        </Link>
      </div>
      {loaderData.length === 0 ? (
        <p className="mt-6 text-soft">
          Nobody is on the roster yet. Add students under{" "}
          <Link className="link" to={`/courses/${params.slot}/plan`}>
            Plan
          </Link>
          .
        </p>
      ) : (
        <table className="mt-4 w-full text-sm">
          <thead>
            <tr className="border-b border-ink text-left">
              <th className="py-1 font-semibold">Name</th>
              <th className="font-semibold">Number</th>
              <th className="font-semibold">Section</th>
              <th className="text-right font-semibold">Total now, %</th>
              <th className="ps-6 font-semibold">Letter</th>
              <th className="font-semibold">What they see</th>
            </tr>
          </thead>
          <tbody>
            {loaderData.map((student) => (
              <tr key={student.id} className="border-b border-rule">
                <td className="py-1.5">
                  <Link className="font-semibold hover:underline" to={studentAddress(params.slot, student.id)}>
                    {student.name}
                  </Link>
                </td>
                <td className="text-soft">{student.number}</td>
                <td className="text-soft">{student.section}</td>
                <td className="text-right">{student.now}</td>
                <td className="ps-6">{student.letter}</td>
                <td>
                  <Link className="link" to={windowAddress(params.slot, student.id)}>
                    Student window<span className="sr-only"> of {student.name}</span>
                  </Link>{" "}
                  <span className="text-soft">
                    {student.visible === 0 ? "nothing released" : `${String(student.visible)} released`}
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </main>
  );
}
