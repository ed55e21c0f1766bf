import { useState } from "react";
import type { AssignmentId, StudentId } from "#core/kernel";
import { courseOf, mailsOf, rosterName, studentsOf, type CourseState } from "#core/model";
import { visibleTo } from "#core/release";
import { counted } from "#core/words";
import { locksFor, type Locking } from "../../../locks/copy-locks";
import { PassphraseLists } from "../../../locks/passphrase-lists";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { addresseesOf } from "../../../ui/letter/addressees";
import { fromAddress } from "../../../ui/address";
import { LetterWriter, type FilledLetter } from "../../../ui/letter/letter-writer";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { useJob } from "../../../ui/hooks/use-job";
import { troubleOf } from "../../../ui/hooks/use-command";
import { useSearchChoice } from "../../../ui/ways/use-search-choice";
import { UnderStep } from "../../../ui/parts/under-step";
import { useChange } from "../../../course/use-change";
import { SentList } from "./sent-list";
import type { Route } from "./+types/page";
import { WhomFields } from "./whom-fields";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  return { repository, shown: live(session, (state) => ({ state, at: session.now() })) };
}

const SUBJECT = "{course}: something new for you to read";
const BODY = `Dear {given},

something new of {course} is ready for you to read. You find it in your student window.

If anything in it is not clear, answer there.`;

export default function PostPage({ loaderData, params }: Route.ComponentProps) {
  const { repository } = loaderData;
  const { state, at } = useLive(loaderData.shown);
  const [text, set] = useSearchChoice();
  const [attach, setAttach] = useState<Locking | "">("");
  const [lists, setLists] = useState<readonly ReturnType<typeof locksFor>[]>([]);
  const job = useJob();
  const change = useChange();
  const about = text("assignment");
  const assignmentId: AssignmentId | null = about ? fromAddress("assignment", about) : null;
  const section = text("section");
  const people = addresseesOf(state, readersOf(state, section, assignmentId), () =>
    assignmentId ? [assignmentId] : [],
  );
  const aboutWords = (assignmentId && state.assignments[assignmentId]?.name) ?? courseOf(state).shortTitle;

  const send = (letters: readonly FilledLetter[]) =>
    job.run(async () => {
      const trouble = troubleOf(
        await change({ type: "sendMails", kind: "results", about: aboutWords, mails: [...letters] }),
      );
      if (trouble) throw new Error(trouble);
      return `Sent to ${counted(letters.length, "student")}. The post office delivered it into their windows.`;
    });
  const drafts = (letters: readonly FilledLetter[]) =>
    job.run(async (signal, tell) => {
      const { saveDrafts } = await import("../../../exports/mail-files");
      if (attach === "") return `${await saveDrafts(state, letters, at, signal)} was saved.`;
      const { makeCopies } = await import("../../../exports/student-copies");
      const studentIds: StudentId[] = letters.map(({ studentId }) => studentId);
      const made = locksFor(attach, studentIds);
      const lockOf = (id: StudentId) => made.get(id) ?? null;
      const wish = { state, repository, slot: params.slot, studentIds, lockOf, signal, tell };
      const copies = await makeCopies(wish, (all) =>
        Promise.resolve(new Map(all.map(({ studentId, files }) => [studentId, files]))),
      );
      const name = await saveDrafts(state, letters, at, signal, copies);
      // The files have left from here on: their passphrases must be at hand whatever follows.
      setLists((before) => [...before, made]);
      const trouble = troubleOf(await change({ type: "noteDelivery", locked: attach !== "none", studentIds }));
      if (trouble) throw new Error(trouble);
      return `${name} was saved, each draft with its student's copy.`;
    });

  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <title>Post office · Upright Quill</title>
      <UnderStep step="Release" to={`/courses/${params.slot}/release`} title="Post office" />
      <p className="mt-1 text-soft">
        It stands in for the post of your institution: what is sent here arrives in the student windows, and nothing
        leaves this computer. E-mail drafts are files that you send yourself.
      </p>
      <WhomFields {...{ state, about, section, set, attach }} onAttach={setAttach} />
      {people.length === 0 ? (
        <p className="mt-6 text-soft">Nobody can see anything of this yet. Release it first, then write about it.</p>
      ) : (
        <LetterWriter
          place="letter/results"
          people={people}
          subject={SUBJECT}
          body={BODY}
          busy={job.progress !== null}
          onSend={(letters) => void send(letters)}
          onDrafts={(letters) => void drafts(letters)}
        />
      )}
      <JobStatus job={job} />
      <PassphraseLists state={state} lists={lists} />
      <SentList
        mails={mailsOf(state)}
        timeZone={courseOf(state).timeZone}
        nameOf={(id) => {
          const student = state.students[id];
          return student ? rosterName(state, student) : "";
        }}
      />
    </main>
  );
}

/** Students of a section, or of all where it is empty, who can see something of the work, or of any. */
const readersOf = (state: CourseState, section: string, assignmentId: AssignmentId | null): readonly StudentId[] =>
  studentsOf(state)
    .filter(({ sectionId }) => section === "" || sectionId === `section:${section}`)
    .filter(({ id }) => {
      const letters = visibleTo(state, id);
      return assignmentId ? letters.some(({ assignment }) => assignment.id === assignmentId) : letters.length > 0;
    })
    .map(({ id }) => id);
