import { Link } from "react-router";
import { pointsWords } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { deskAddress, fromAddress } from "../../../ui/address";
import { DraftField } from "../../../ui/fields/draft-field";
import { InlineField } from "../../../ui/fields/inline-field";
import { troubleOf } from "../../../ui/hooks/use-command";
import { useChange } from "../../../course/use-change";
import type { Route } from "./+types/page";
import { quickRows } from "./rows";
import { inMark } from "../../../ui/words/figures";
import { PageTitle } from "../../../ui/parts/page-title";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  return { shown: live(session, (state) => quickRows(state, assignmentId)) };
}

const STANDING_WORDS = { expected: "nothing in", handedIn: "", missing: "missing", excused: "excused" } as const;

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
          {rows.map(({ studentId, name, number, entry, comment, standing, posts }) => {
            const place = { assignmentId: assignment.id, studentId };
            return (
              <li
                key={studentId}
                className="flex flex-wrap items-start gap-x-4 border-b border-rule py-1.5 text-[15px]"
              >
                {posts.length > 0 && (
                  <ul
                    aria-label={`Posts of ${name}`}
                    className="order-last w-full ps-56 pb-1 font-serif text-[15.5px] leading-snug"
                  >
                    {posts.map(({ id, text }) => (
                      <li key={id} className="mt-1 border-s-2 border-rule ps-3 whitespace-pre-wrap">
                        {text}
                      </li>
                    ))}
                  </ul>
                )}
                <span className="w-52 shrink-0 truncate pt-1.5">
                  <Link
                    className="font-semibold hover:underline"
                    tabIndex={-1}
                    to={deskAddress(params.slot, assignment.id, studentId)}
                  >
                    {name}
                  </Link>{" "}
                  <span className="figures text-[13px] text-soft">{number}</span>
                </span>
                <InlineField
                  place={`entry/${assignment.id}/${studentId}`}
                  label={`Score of ${name}`}
                  labelHidden
                  className="w-28 shrink-0"
                  value={entry}
                  onKeep={async (text, confirmed) =>
                    troubleOf(
                      await change({
                        type: "setScore",
                        ...place,
                        text: text === "" ? "-" : text,
                        seen: entry,
                        confirmed,
                      }),
                    )
                  }
                />
                <span className="w-20 shrink-0 pt-1.5 text-[13.5px] text-soft">{STANDING_WORDS[standing]}</span>
                <DraftField
                  place={`overall/${place.assignmentId}/${place.studentId}`}
                  label={`Comment to ${name}`}
                  labelHidden
                  className="-mt-0.5 min-w-0 flex-1"
                  value={comment}
                  placeholder="Comment"
                  onKeep={(text, seen) => change({ type: "setComment", ...place, facing: "student", text, seen })}
                />
              </li>
            );
          })}
        </ul>
      )}
    </main>
  );
}
