import type { Message, WorkFile } from "#core/model";
import type { VisibleAssignment } from "#core/release";
import { Conversation } from "../../ui/letter/conversation";
import { Letter } from "../../ui/letter/letter";
import type { SendChange } from "../../course/use-change";
import { MarkedWork } from "./marked-work";

/** One assignment's letter with what belongs to reading it. */
export interface LetterData extends VisibleAssignment {
  readonly messages: readonly Message[];
  /** The student can write about it. */
  readonly writes: boolean;
}

/** A letter, the marked work behind it, and the conversation about it. */
export function LetterSection({
  letter,
  studentId,
  name,
  courseTitle,
  timeZone,
  nameOf,
  read,
  blobs,
  change,
}: {
  readonly letter: LetterData;
  readonly studentId: Message["studentId"];
  readonly name: string;
  readonly courseTitle: string;
  readonly timeZone: string;
  readonly nameOf: (message: Message) => string;
  readonly read: (file: WorkFile) => Promise<Blob | null>;
  /** The bytes of the files that stand in it, as far as they are read. */
  readonly blobs: ReadonlyMap<string, Blob | null>;
  readonly change: SendChange;
}) {
  const place = { assignmentId: letter.assignment.id, studentId };
  return (
    <section className="mt-6 border border-rule bg-sheet px-6 py-10">
      <div className="mx-auto max-w-[560px]">
        <Letter title={letter.assignment.name} courseTitle={courseTitle} name={name} {...letter} read={read} />
      </div>
      {letter.comments &&
        letter.comments.files.map((file) => {
          const blob = blobs.get(file.id);
          return blob && <MarkedWork key={file.id} file={file} blob={blob} comments={letter.comments} />;
        })}
      {letter.writes && (
        <section
          aria-label={`Conversation on ${letter.assignment.name}`}
          className="mx-auto mt-6 max-w-[560px] border-t border-rule pt-4"
        >
          <Conversation
            place={`reply/${place.assignmentId}/${place.studentId}`}
            messages={letter.messages}
            side="student"
            nameOf={nameOf}
            timeZone={timeZone}
            placeholder="Answer, or ask"
            onSend={(text) => change({ type: "replyAsStudent", ...place, text, files: [] })}
          />
          {letter.messages.some(({ from, readAt }) => from === "marker" && readAt === null) && (
            <button
              type="button"
              className="link mt-2 text-[14px]"
              onClick={() => void change({ type: "readMessages", ...place, side: "student" })}
            >
              Mark as read
            </button>
          )}
        </section>
      )}
    </section>
  );
}
