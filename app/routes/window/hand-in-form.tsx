import { useState } from "react";
import { useFetcher } from "react-router";
import type { Announced, HandingIn } from "#core/release";
import { counted, latenessWords, momentText, spanWords } from "#core/words";
import { FileButton } from "../../ui/files/file-button";
import { inMark } from "../../ui/words/figures";

/** What the window's action answers to a hand-in. */
export interface Receipt {
  readonly assignmentId: string;
  readonly trouble: string | null;
  readonly at: string | null;
  /** Names with their sizes in bytes and the SHA-256 of their bytes. */
  readonly files: readonly { readonly name: string; readonly size: number; readonly sum: string }[];
}

/** Handing in one piece of work, as its student would: what is known of it, files and words, and a receipt. */
export function HandInForm({
  work,
  about,
  timeZone,
  isStudent,
}: {
  readonly work: Announced;
  readonly about: HandingIn;
  readonly timeZone: string;
  /** The window is open as the student, not only looked at. */
  readonly isStudent: boolean;
}) {
  const fetcher = useFetcher<Receipt>();
  const answer = fetcher.data;
  return (
    <section aria-label={`Hand in ${work.name}`} className="mt-4 border-t border-rule pt-3 text-[14.5px]">
      <p className={`figures ${about.late ? "text-wax" : "text-soft"}`}>{dueWords(about)}</p>
      {about.attempts.length > 0 && (
        <ul className="figures mt-1 text-[13.5px] text-soft">
          {about.attempts.map(({ number, at, files: handed }) => (
            <li key={number}>
              Attempt {number}
              {at ? `, ${momentText(at, timeZone)}` : ""}: {handed.map(({ name }) => name).join(", ") || "on paper"}
            </li>
          ))}
        </ul>
      )}
      {about.left === 0 ? (
        <p className="mt-1">No attempt is left.</p>
      ) : (
        isStudent && (
          <HandInFields
            // What was handed in is cleared; what was refused stays.
            key={about.attempts.length}
            isUnderWay={fetcher.state !== "idle"}
            onSend={(form) => {
              form.set("assignmentId", work.id);
              void fetcher.submit(form, { method: "post", encType: "multipart/form-data" });
            }}
          />
        )
      )}
      <div role="status">
        {answer?.trouble && <p className="mt-2 text-wax">{answer.trouble}</p>}
        {answer?.at && (
          <div className="mt-2 border-s-2 border-green ps-3">
            <p>Received {momentText(answer.at, timeZone)}. Keep this receipt.</p>
            <ul className="figures text-[13px] break-all text-soft">
              {answer.files.map(({ name, size, sum }) => (
                <li key={name}>
                  {name}, {counted(size, "byte")}, SHA-256 {sum}
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
    </section>
  );
}

function dueWords({ until, late, left }: HandingIn): string {
  const attempts = left === null ? "" : ` ${counted(left, "attempt")} left.`;
  if (until === null) return `No due time.${attempts}`;
  if (late) {
    const cost = `${late.ofScore ? "up to " : ""}${inMark(`${late.points} points of ${late.maximum}`)} would be taken off`;
    return `${latenessWords(late.units, late.unitHours)} late: ${cost}.${attempts}`;
  }
  return until >= 0 ? `Closes in ${spanWords(until)}.${attempts}` : `Over since ${spanWords(-until)}.${attempts}`;
}

function HandInFields({
  isUnderWay,
  onSend,
}: {
  readonly isUnderWay: boolean;
  readonly onSend: (form: FormData) => void;
}) {
  const [files, setFiles] = useState<readonly File[]>([]);
  const [text, setText] = useState("");
  return (
    <>
      <textarea
        aria-label="Words to hand in"
        className="field mt-2 field-sizing-content min-h-16"
        placeholder="Words, or a link"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
        }}
      />
      <p className="mt-2 flex flex-wrap items-center gap-3">
        <FileButton
          words="Add files"
          multiple
          onFiles={(chosen) => {
            setFiles([...files, ...chosen]);
          }}
        />
        <span className="text-soft">{files.map(({ name }) => name).join(", ")}</span>
        <button
          type="button"
          className="act act-first ms-auto"
          disabled={(files.length === 0 && text.trim() === "") || isUnderWay}
          onClick={() => {
            const form = new FormData();
            form.set("text", text);
            for (const file of files) form.append("files", file);
            onSend(form);
          }}
        >
          Hand in
        </button>
      </p>
    </>
  );
}
