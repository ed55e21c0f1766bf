import { useState } from "react";
import { MERGE_FIELDS, mergeFields, type MergeValues } from "#core/formats";
import type { StudentId } from "#core/kernel";
import { counted } from "#core/words";
import { AsYouLeftIt } from "../fields/as-you-left-it";
import { useTyped, type Typed } from "../fields/drafts";

/** Someone a letter goes to. */
export interface Addressee {
  readonly id: StudentId;
  readonly name: string;
  readonly email: string;
  readonly values: MergeValues;
}

/** A letter filled in for one student. */
export interface FilledLetter {
  readonly studentId: StudentId;
  readonly to: string;
  readonly subject: string;
  readonly body: string;
}

const FIELD_WORDS: Readonly<Record<(typeof MERGE_FIELDS)[number], string>> = {
  given: "given name",
  name: "whole name",
  number: "student number",
  course: "course",
  assignment: "assignment",
  due: "due date",
  score: "score, where released",
  total: "course total, where shown",
};

/** The words of a letter among the drafts. */
function readLetter(stored: unknown): Words | null {
  if (typeof stored !== "object" || stored === null || !("subject" in stored) || !("body" in stored)) return null;
  const { subject, body } = stored;
  return typeof subject === "string" && typeof body === "string" ? { subject, body } : null;
}

interface Words {
  readonly subject: string;
  readonly body: string;
}

/** A letter as it reads for one person, with the fields that could not be filled. */
interface Filled {
  readonly person: Addressee;
  readonly subject: ReturnType<typeof mergeFields>;
  readonly body: ReturnType<typeof mergeFields>;
}

const lackingOf = (one: Filled | undefined) => (one ? [...new Set([...one.subject.lacking, ...one.body.lacking])] : []);

/** A letter to many: its words with fields, and how it reads for each of them before it goes anywhere. */
export function LetterWriter({
  place: draftPlace,
  people,
  subject: startSubject,
  body: startBody,
  busy,
  draftsWords = "Save as e-mail drafts",
  onSend,
  onDrafts,
}: {
  /** What the letter is about, for what is half-typed. */
  readonly place: string;
  readonly people: readonly Addressee[];
  readonly subject: string;
  readonly body: string;
  readonly busy: boolean;
  readonly draftsWords?: string;
  readonly onSend: (letters: readonly FilledLetter[]) => void;
  readonly onDrafts: (letters: readonly FilledLetter[]) => void;
}) {
  const start = { subject: startSubject, body: startBody };
  const letter = useTyped(draftPlace, start, readLetter);
  const { subject, body } = letter.value;
  const filled = people.map((person): Filled => ({
    person,
    subject: mergeFields(subject, person.values),
    body: mergeFields(body, person.values),
  }));
  const lacking = filled.filter((one) => lackingOf(one).length > 0).length;
  const letters = filled.map(({ person, ...letter }): FilledLetter => ({
    studentId: person.id,
    to: person.email,
    subject: letter.subject.text,
    body: letter.body.text,
  }));
  const blocked = busy || people.length === 0 || subject.trim() === "" || body.trim() === "" || lacking > 0;
  const withoutAddress = people.filter(({ email }) => email === "").length;
  return (
    <div className="mt-4 grid grid-cols-1 gap-6 lg:grid-cols-2">
      <LetterFields letter={letter} start={start} />
      <Reading filled={filled} />
      <div className="flex flex-wrap items-center gap-3 lg:col-span-2">
        <button
          type="button"
          className="act act-first"
          disabled={blocked}
          onClick={() => {
            onSend(letters);
          }}
        >
          Send to {counted(people.length, "student")} by the post office
        </button>
        <button
          type="button"
          className="act act-quiet"
          disabled={blocked}
          onClick={() => {
            onDrafts(letters);
          }}
        >
          {draftsWords}
        </button>
        <span className="text-[13.5px] text-soft">
          {lacking > 0
            ? `${counted(lacking, "letter")} with a field that cannot be filled. Take the field out, or these students.`
            : withoutAddress > 0
              ? `${counted(withoutAddress, "student")} without an e-mail address; their drafts have none.`
              : ""}
        </span>
      </div>
    </div>
  );
}

/** The words of the letter, and the fields that can stand in them. */
function LetterFields({ letter, start }: { readonly letter: Typed<Words>; readonly start: Words }) {
  const { subject, body } = letter.value;
  return (
    <div>
      <label className="block text-[13px] text-soft">
        Subject
        <input
          className="field text-[15px] text-ink"
          value={subject}
          maxLength={200}
          onChange={(event) => {
            letter.set({ subject: event.target.value, body });
          }}
        />
      </label>
      <label className="mt-3 block text-[13px] text-soft">
        Text
        <textarea
          className="field min-h-48 font-serif text-[16px] text-ink"
          spellCheck
          value={body}
          onChange={(event) => {
            letter.set({ subject, body: event.target.value });
          }}
        />
      </label>
      <p className="mt-1 flex flex-wrap gap-x-3 gap-y-1 text-[13px] text-soft">
        Fields:
        {MERGE_FIELDS.map((field) => (
          <button
            key={field}
            type="button"
            className="link"
            data-hint={FIELD_WORDS[field]}
            onClick={() => {
              letter.set({ subject, body: `${body}{${field}}` });
            }}
          >{`{${field}}`}</button>
        ))}
      </p>
      {letter.isLeft && <AsYouLeftIt />}
      {(subject !== start.subject || body !== start.body) && (
        <button type="button" className="link mt-1 text-[13px]" onClick={letter.clear}>
          Back to the words it began with
        </button>
      )}
    </div>
  );
}

/** How the letter reads for each person, one after the other. */
function Reading({ filled }: { readonly filled: readonly Filled[] }) {
  const [place, setPlace] = useState(0);
  const at = Math.min(place, filled.length - 1);
  const shown = filled[at];
  return (
    <section aria-label="How it reads">
      <div className="flex items-center justify-between text-[13.5px]">
        <span className="text-soft">
          {shown ? `To ${shown.person.name}${shown.person.email ? `, ${shown.person.email}` : ""}` : "Nobody chosen"}
        </span>
        <span className="figures flex gap-4">
          <button
            type="button"
            className="link disabled:opacity-40"
            disabled={at <= 0}
            onClick={() => {
              setPlace(at - 1);
            }}
          >
            before
          </button>
          {filled.length === 0 ? 0 : at + 1} of {filled.length}
          <button
            type="button"
            className="link disabled:opacity-40"
            disabled={at >= filled.length - 1}
            onClick={() => {
              setPlace(at + 1);
            }}
          >
            next
          </button>
        </span>
      </div>
      <div className="mt-1 min-h-48 border border-rule bg-sheet px-6 py-5">
        {shown && (
          <>
            <p className="font-semibold">{shown.subject.text}</p>
            <p className="mt-3 font-serif text-[16px] leading-relaxed whitespace-pre-wrap">{shown.body.text}</p>
          </>
        )}
      </div>
      {lackingOf(shown).length > 0 && (
        <p className="mt-1 text-[13.5px] text-wax">
          Nothing to put in here for{" "}
          {lackingOf(shown)
            .map((field) => `{${field}}`)
            .join(", ")}
          .
        </p>
      )}
    </section>
  );
}
