import { Link } from "react-router";
import { courseOf, rosterName } from "#core/model";
import { unreadReplies } from "#core/release";
import { waitingPapers } from "#core/totals";
import { counted, momentText } from "#core/words";
import { openCourse } from "../../../course/open-course";
import { deskAddress, inAddress } from "../../../ui/address";
import { useSearchChoice } from "../../../ui/hooks/use-search-choice";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const { state } = session;
  const { timeZone } = courseOf(state);
  const papers = waitingPapers(state).map(({ assignment, student, at }) => ({
    assignmentId: assignment.id,
    assignment: assignment.name,
    studentId: student.id,
    student: rosterName(state, student),
    sectionId: student.sectionId,
    section: student.sectionId ? (state.sections[student.sectionId]?.name ?? "") : "",
    at: at ? momentText(at, timeZone) : "",
  }));
  const sections = Object.values(state.sections).sort((a, b) => a.order - b.order);
  const replies = unreadReplies(state).map(({ assignment, student, count }) => ({
    assignmentId: assignment.id,
    assignment: assignment.name,
    studentId: student.id,
    student: rosterName(state, student),
    count,
  }));
  return { papers, replies, sections: sections.map(({ id, name }) => ({ id: inAddress(id), name })) };
}

/** Everything that waits to be scored, over all assignments, the oldest first. */
export default function WaitingPage({ loaderData, params }: Route.ComponentProps) {
  const { papers, replies, sections } = loaderData;
  const [text, set] = useSearchChoice();
  const [section, assignment] = [text("section"), text("assignment")];
  const assignments = [...new Map(papers.map(({ assignmentId, assignment: name }) => [assignmentId, name]))];
  const shown = papers.filter(
    (paper) =>
      (section === "" || inAddress(paper.sectionId ?? "") === section) &&
      (assignment === "" || inAddress(paper.assignmentId) === assignment),
  );
  const first = shown[0];
  return (
    <main className="mx-auto w-full max-w-[1000px] px-[30px] pt-6 pb-16">
      <title>Waiting · Upright Quill</title>
      <div className="flex items-center gap-4">
        <h1 className="page-title">
          {papers.length === 0 ? "Nothing waits" : `${counted(shown.length, "paper")} waiting`}
        </h1>
        <select
          aria-label="Assignment"
          className="field ms-auto !w-56 text-[14px]"
          value={assignment}
          onChange={(event) => {
            set("assignment", event.target.value);
          }}
        >
          <option value="">All assignments</option>
          {assignments.map(([id, name]) => (
            <option key={id} value={inAddress(id)}>
              {name}
            </option>
          ))}
        </select>
        {sections.length > 0 && (
          <select
            aria-label="Section"
            className="field !w-44 text-[14px]"
            value={section}
            onChange={(event) => {
              set("section", event.target.value);
            }}
          >
            <option value="">All sections</option>
            {sections.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        )}
        {first && (
          <Link className="act act-first" to={deskAddress(params.slot, first.assignmentId, first.studentId)}>
            Score the oldest
          </Link>
        )}
      </div>
      {replies.length > 0 && (
        <section aria-label="Unread replies" className="mt-4 border-y border-rule py-2 text-[14.5px]">
          <h2 className="font-semibold">Students wrote</h2>
          <ul>
            {replies.map((reply) => (
              <li key={`${reply.assignmentId}/${reply.studentId}`} className="py-0.5">
                <Link className="link" to={deskAddress(params.slot, reply.assignmentId, reply.studentId)}>
                  {reply.student}
                </Link>{" "}
                on {reply.assignment}: {counted(reply.count, "unread reply", "unread replies")}
              </li>
            ))}
          </ul>
        </section>
      )}
      {shown.length === 0 ? (
        <p className="mt-6 text-soft">
          {papers.length === 0
            ? "Everything that came in is scored, or decided."
            : "Nothing of this waits. Choose another section or assignment."}
        </p>
      ) : (
        <table className="mt-4 w-full text-sm">
          <thead>
            <tr className="border-b border-ink text-left">
              <th className="py-1 font-semibold">Came in</th>
              <th className="font-semibold">Student</th>
              <th className="font-semibold">Section</th>
              <th className="font-semibold">Assignment</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((paper) => (
              <tr key={`${paper.assignmentId}/${paper.studentId}`} className="border-b border-rule">
                <td className="figures py-1.5 text-soft">{paper.at || "on paper"}</td>
                <td>
                  <Link
                    className="font-semibold hover:underline"
                    to={deskAddress(params.slot, paper.assignmentId, paper.studentId)}
                  >
                    {paper.student}
                  </Link>
                </td>
                <td>{paper.section}</td>
                <td>{paper.assignment}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </main>
  );
}
