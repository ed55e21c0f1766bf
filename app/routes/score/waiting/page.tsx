import { useMemo } from "react";
import { Link } from "react-router";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { deskAddress, inAddress } from "../../../ui/address";
import { useSearchChoice } from "../../../ui/ways/use-search-choice";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import type { Route } from "./+types/page";
import { Choice } from "../../../ui/fields/choice";
import { waitingRows } from "./rows";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { shown: live(session, waitingRows) };
}

type Paper = ReturnType<typeof waitingRows>["papers"][number];

const columnsOf = (slot: string): readonly RecordColumn<Paper>[] => [
  {
    id: "at",
    head: "Came in",
    by: ({ since }) => since,
    cell: ({ at }) => at || "on paper",
    className: "figures text-soft",
  },
  {
    id: "student",
    head: "Student",
    by: ({ student }) => student,
    cell: ({ assignmentId, studentId, student }) => (
      <Link className="font-semibold hover:underline" to={deskAddress(slot, assignmentId, studentId)}>
        {student}
      </Link>
    ),
  },
  { id: "section", head: "Section", by: ({ section }) => section, cell: ({ section }) => section },
  { id: "assignment", head: "Assignment", by: ({ assignment }) => assignment, cell: ({ assignment }) => assignment },
];

/** Everything that waits to be scored, over all assignments, the oldest first. */
export default function WaitingPage({ loaderData, params }: Route.ComponentProps) {
  const { papers, replies, sections } = useLive(loaderData.shown);
  const [text, set] = useSearchChoice();
  const [section, assignment] = [text("section"), text("assignment")];
  const assignments = [...new Map(papers.map(({ assignmentId, assignment: name }) => [assignmentId, name]))];
  const shown = useMemo(
    () =>
      papers.filter(
        (paper) =>
          (section === "" || inAddress(paper.sectionId ?? "") === section) &&
          (assignment === "" || inAddress(paper.assignmentId) === assignment),
      ),
    [papers, section, assignment],
  );
  const columns = useMemo(() => columnsOf(params.slot), [params.slot]);
  const first = shown[0];
  return (
    <main className="mx-auto w-full max-w-[1000px] px-[30px] pt-6 pb-16">
      <title>Waiting · Upright Quill</title>
      <div className="flex items-center gap-4">
        <h1 className="page-title">
          {papers.length === 0 ? "Nothing waits" : `${counted(shown.length, "paper")} waiting`}
        </h1>
        <Choice
          label="Assignment"
          className="ms-auto !w-56 text-[14px]"
          value={assignment}
          onChoose={(picked) => {
            set("assignment", picked);
          }}
          options={[["", "All assignments"], ...assignments.map(([id, name]) => [inAddress(id), name] as const)]}
        />
        {sections.length > 0 && (
          <Choice
            label="Section"
            className="!w-44 text-[14px]"
            value={section}
            onChoose={(picked) => {
              set("section", picked);
            }}
            options={[["", "All sections"], ...sections.map(({ id, name }) => [id, name] as const)]}
          />
        )}
        {first && (
          <Link className="act act-first" to={deskAddress(params.slot, first.assignmentId, first.studentId)}>
            Score the oldest
          </Link>
        )}
      </div>
      {replies.length > 0 && <Replies slot={params.slot} replies={replies} />}
      {shown.length === 0 ? (
        <p className="mt-6 text-soft">
          {papers.length === 0
            ? "Everything that came in is scored, or decided."
            : "Nothing of this waits. Choose another section or assignment."}
        </p>
      ) : (
        <RecordTable
          className="mt-4"
          label="Papers that wait"
          records={shown}
          columns={columns}
          keyOf={({ assignmentId, studentId }) => `${assignmentId}/${studentId}`}
        />
      )}
    </main>
  );
}

interface RepliesProps {
  readonly slot: string;
  readonly replies: ReturnType<typeof waitingRows>["replies"];
}

/** What students wrote that nobody has read. */
function Replies({ slot, replies }: RepliesProps) {
  return (
    <section aria-label="Unread replies" className="mt-4 border-y border-rule py-2 text-[14.5px]">
      <h2 className="font-semibold">Students wrote</h2>
      <ul>
        {replies.map((reply) => (
          <li key={`${reply.assignmentId}/${reply.studentId}`} className="py-0.5">
            <Link className="link" to={deskAddress(slot, reply.assignmentId, reply.studentId)}>
              {reply.student}
            </Link>{" "}
            on {reply.assignment}: {counted(reply.count, "unread reply", "unread replies")}
          </li>
        ))}
      </ul>
    </section>
  );
}
