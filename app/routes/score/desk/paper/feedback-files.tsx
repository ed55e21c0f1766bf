import { Mic, Paperclip, Video } from "lucide-react";
import { useState, type ReactNode } from "react";
import type { ChangeResult, Command } from "#core/changes";
import type { Repository } from "#storage";
import { useFileChoice } from "../../../../ui/files/use-file-choice";
import { Attached } from "../../../../ui/letter/attached";
import { Recorder } from "../../../../ui/letter/recorder";
import { issueWords } from "../../../../ui/words/words";
import { takeInFiles } from "../../../../keep-files";
import type { JudgedRows } from "../rows";

interface FeedbackFilesProps {
  readonly slot: string;
  readonly rows: JudgedRows;
  readonly repository: Repository;
  readonly send: (command: Command) => Promise<ChangeResult>;
}

/** Feedback beside the words: files, and sound or video recorded here. */
export function FeedbackFiles({ slot, rows, repository, send }: FeedbackFilesProps) {
  const [recording, setRecording] = useState<"sound" | "video" | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
  const add = async (files: readonly File[]) => {
    for (const one of files) {
      const words = await takeInFiles(repository, slot, [one], async ([file]) => {
        const outcome = file && (await send({ type: "addFeedbackFile", ...place, file }));
        return !outcome || outcome.ok ? null : issueWords(outcome.issue);
      });
      setTrouble(words);
      if (words !== null) return;
    }
  };
  const chooser = useFileChoice({ label: "A file as feedback", multiple: true, onFiles: (files) => void add(files) });
  return (
    <div className="space-y-1.5">
      <Attached
        files={rows.feedbackFiles}
        read={(file) => repository.readFile(slot, file.id)}
        onRemove={(file) => void send({ type: "removeFeedbackFile", ...place, fileId: file.id })}
      />
      {recording ? (
        <Recorder
          key={recording}
          kind={recording}
          onKeep={(blob) => {
            setRecording(null);
            const ending = blob.type.includes("mp4")
              ? recording === "sound"
                ? "m4a"
                : "mp4"
              : recording === "sound"
                ? "weba"
                : "webm";
            const count = rows.feedbackFiles.length + 1;
            void add([new File([blob], `Feedback ${String(count)}.${ending}`, { type: blob.type })]);
          }}
          onClose={() => {
            setRecording(null);
          }}
        />
      ) : (
        <div className="flex gap-1 text-[13.5px]">
          <Way words="File" onClick={chooser.choose} mark={<Paperclip size={14} aria-hidden="true" />} />
          <Way
            words="Sound"
            onClick={() => {
              setRecording("sound");
            }}
            mark={<Mic size={14} aria-hidden="true" />}
          />
          <Way
            words="Video"
            onClick={() => {
              setRecording("video");
            }}
            mark={<Video size={14} aria-hidden="true" />}
          />
        </div>
      )}
      {chooser.field}
      {trouble && (
        <p role="alert" className="text-[13px] text-wax">
          {trouble}
        </p>
      )}
    </div>
  );
}

function Way({
  words,
  onClick,
  mark,
}: {
  readonly words: string;
  readonly onClick: () => void;
  readonly mark: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={`Add feedback: ${words.toLowerCase()}`}
      className="flex items-center gap-1.5 rounded px-1.5 py-0.5 text-soft hover:bg-table hover:text-ink"
      onClick={onClick}
    >
      {mark} {words}
    </button>
  );
}
