import { useState } from "react";
import { Link } from "react-router";
import { courseOf, fullName, type Message, type WorkFile } from "#core/model";
import { canReply, visibleMessages, visibleTo } from "#core/release";
import { openCourse, orMissing } from "../../open-course";
import { fromAddress } from "../../ui/address";
import { criterionColour } from "../../ui/colours";
import { Conversation } from "../../ui/conversation";
import { Letter } from "../../ui/letter";
import { useChange } from "../../use-change";
import { WorkView } from "../../ui/work/work-view";
import type { Route } from "./+types/page";

/** Reads fixed copies only: nothing of the course's present state goes to this page but names. */
export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const student = orMissing(session.state.students[fromAddress("student", params.studentId)], "student");
  const letters = await Promise.all(
    visibleTo(session.state, student.id).map(async (letter) => {
      const files = letter.comments?.files ?? [];
      const blobs = await Promise.all(files.map((file) => repository.readFile(params.slot, file.id)));
      const assignment = orMissing(session.state.assignments[letter.assignment.id], "assignment");
      return {
        ...letter,
        messages: visibleMessages(session.state, assignment, student.id),
        writes: canReply(session.state, assignment, student.id),
        works: files.flatMap((file, index) => (blobs[index] ? [{ file, blob: blobs[index] }] : [])),
      };
    }),
  );
  const { shortTitle, timeZone } = courseOf(session.state);
  return {
    letters,
    studentId: student.id,
    name: fullName(student),
    courseTitle: shortTitle,
    timeZone,
    nameOf: ({ by }: Message) => (by ? (session.state.markers[by]?.name ?? "") : fullName(student)),
    read: (file: WorkFile) => repository.readFile(params.slot, file.id),
  };
}

export default function StudentWindow({ loaderData, params }: Route.ComponentProps) {
  const { letters, studentId, name, courseTitle, timeZone, nameOf, read } = loaderData;
  const change = useChange();
  return (
    <div className="min-h-screen bg-table pb-16">
      <title>{`For ${name} · ${courseTitle}`}</title>
      <header className="flex items-center justify-between border-b border-rule bg-paper px-6 py-2 text-[13.5px] text-soft">
        <p>Student window: a stand-in for what {name} receives</p>
        <Link className="link" to={`/courses/${params.slot}/students`}>
          Back to the course
        </Link>
      </header>
      <main className="mx-auto max-w-[760px] px-5 has-[[aria-expanded=true]]:max-w-[1040px]">
        <h1 className="mt-8 font-serif text-[26px] font-semibold">{courseTitle}</h1>
        <p className="text-soft">For {name}</p>
        {letters.length === 0 ? (
          <p className="mt-8 font-serif text-lg">Nothing has been released to you yet.</p>
        ) : (
          letters.map((letter) => (
            <section key={letter.assignment.id} className="mt-6 border border-rule bg-sheet px-6 py-10">
              <div className="mx-auto max-w-[560px]">
                <Letter title={letter.assignment.name} courseTitle={courseTitle} name={name} {...letter} read={read} />
              </div>
              {letter.comments &&
                letter.works.map(({ file, blob }) => (
                  <MarkedWork key={file.id} file={file} blob={blob} comments={letter.comments} />
                ))}
              {letter.writes && (
                <section
                  aria-label={`Conversation on ${letter.assignment.name}`}
                  className="mx-auto mt-6 max-w-[560px] border-t border-rule pt-4"
                >
                  <Conversation
                    messages={letter.messages}
                    side="student"
                    nameOf={nameOf}
                    timeZone={timeZone}
                    placeholder="Answer, or ask"
                    onSend={(text) =>
                      change({ type: "replyAsStudent", assignmentId: letter.assignment.id, studentId, text, files: [] })
                    }
                  />
                  {letter.messages.some(({ from, readAt }) => from === "marker" && readAt === null) && (
                    <button
                      type="button"
                      className="link mt-2 text-[14px]"
                      onClick={() =>
                        void change({
                          type: "readMessages",
                          assignmentId: letter.assignment.id,
                          studentId,
                          side: "student",
                        })
                      }
                    >
                      Mark as read
                    </button>
                  )}
                </section>
              )}
            </section>
          ))
        )}
      </main>
    </div>
  );
}

type LetterData = Route.ComponentProps["loaderData"]["letters"][number];

function MarkedWork({
  file,
  blob,
  comments,
}: {
  readonly file: WorkFile;
  readonly blob: Blob;
  readonly comments: LetterData["comments"];
}) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const notes = (comments?.notes ?? []).filter((note) => note.fileId === file.id);
  const names = new Map(
    notes.flatMap((note) => (note.criterionId ? [[note.criterionId, note.criterionName ?? ""] as const] : [])),
  );
  const criteria = [...names].map(([id, name], index) => ({ id, name, colour: criterionColour(index) }));
  return (
    <div className="mx-auto mt-5 max-w-[560px] has-[[aria-expanded=true]]:max-w-none">
      <button
        type="button"
        className="act act-quiet"
        aria-expanded={open}
        onClick={() => {
          setOpen(!open);
        }}
      >
        {open ? "Put the work away" : `See the notes on ${file.name}`}
      </button>
      {open && (
        <div className="mt-3 h-[720px] border border-rule">
          <WorkView
            file={file}
            blob={blob}
            notes={notes}
            criteria={criteria}
            actions={null}
            chosen={chosen}
            onChoose={setChosen}
          />
        </div>
      )}
    </div>
  );
}
