import { useState } from "react";
import { Link } from "react-router";
import { counted } from "#core/words";
import { deskAddress, inAddress } from "../../../../ui/address";
import { saveAs } from "../../../../ui/save-as";
import { sizeWords } from "../../../../ui/words/size-words";
import type { DeskRows } from "../rows";
import { useArchiveParts, type ArchivePart } from "./use-archive-parts";

/** Most files of one attempt. */
const MOST_FILES = 50;

interface ArchiveWorkProps {
  readonly slot: string;
  readonly rows: DeskRows;
  readonly file: DeskRows["files"][number];
  readonly blob: Blob;
  /** Takes parts out as files of the hand-in. Answers what went wrong, or null. */
  readonly onOpen: (files: readonly File[]) => Promise<string | null>;
}

/**
 * An archive on the desk: a list whose parts open. A part that is opened stands beside the archive as a file of the same
 * attempt, so that it is read and written on like any other.
 */
export function ArchiveWork({ slot, rows, file, blob, onOpen }: ArchiveWorkProps) {
  const { parts, remarks, isRead } = useArchiveParts(file.name, blob);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const beside = rows.files.filter(({ attempt, id }) => attempt === file.attempt && id !== file.id);
  const openOf = (part: ArchivePart) =>
    beside.find(({ name, size }) => name === part.file.name && size === part.file.size);
  const closed = parts.filter((part) => !openOf(part));
  const isLast = file.attempt === rows.files.at(-1)?.attempt;
  const fits = closed.length + beside.length + 1 <= MOST_FILES;
  const open = async (chosen: readonly ArchivePart[]) => {
    setBusy(true);
    setTrouble(await onOpen(chosen.map((part) => part.file)));
    setBusy(false);
  };
  return (
    <div className="h-full overflow-auto px-5 py-[18px]">
      <section
        aria-label={`What lies in ${file.name}`}
        className="mx-auto max-w-[700px] border border-rule bg-sheet px-8 py-6"
      >
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
          <h2 className="font-serif text-[19px] font-semibold">{file.name}</h2>
          <p role="status" className="figures text-[14px] text-soft">
            {isRead ? counted(parts.length, "file") : `Reading, ${counted(parts.length, "file")} so far`}
          </p>
          <span className="ms-auto flex gap-2">
            <button
              type="button"
              className="act act-quiet"
              onClick={() => {
                saveAs(blob, file.name);
              }}
            >
              Save it
            </button>
            {isLast && closed.length > 1 && fits && (
              <button
                type="button"
                className="act act-first"
                disabled={busy || !isRead}
                onClick={() => void open(closed)}
              >
                Open all {closed.length}
              </button>
            )}
          </span>
        </div>
        <p className="mt-1 text-[14px] text-soft">
          {isLast
            ? "What is opened stands beside the archive as a file of this attempt, to be read and written on."
            : "It belongs to an earlier attempt: save it, or open the archive of the last one."}
        </p>
        <PartList
          {...{ parts, openOf, open }}
          isLocked={busy || !isLast || beside.length + 2 > MOST_FILES}
          addressOf={(id) => `${deskAddress(slot, rows.assignment.id, rows.student.id)}?file=${inAddress(id)}`}
        />
        {isRead && parts.length === 0 && remarks.length === 0 && (
          <p className="mt-3 text-soft">There is no file in it.</p>
        )}
        {remarks.map((words) => (
          <p key={words} className="mt-2 text-[14px] text-ochre">
            {words}
          </p>
        ))}
        {trouble && (
          <p role="alert" className="mt-3 text-[14px] text-wax">
            {trouble}
          </p>
        )}
      </section>
    </div>
  );
}

interface PartListProps {
  readonly parts: readonly ArchivePart[];
  /** The file of the hand-in that a part was opened as. */
  readonly openOf: (part: ArchivePart) => DeskRows["files"][number] | undefined;
  readonly open: (parts: readonly ArchivePart[]) => Promise<void>;
  /** Nothing can be opened, or not now. */
  readonly isLocked: boolean;
  readonly addressOf: (fileId: string) => string;
}

function PartList({ parts, openOf, open, isLocked, addressOf }: PartListProps) {
  return (
    <ul aria-label="Files in the archive" className="mt-3">
      {parts.map((part) => {
        const shown = openOf(part);
        return (
          <li key={part.path} className="flex items-baseline gap-3 border-t border-rule py-1.5 text-[14.5px]">
            <span className="min-w-0 break-words">{part.path}</span>
            <span className="figures ms-auto text-[13px] whitespace-nowrap text-soft">{sizeWords(part.file.size)}</span>
            {shown ? (
              <Link className="link w-24 text-right whitespace-nowrap" to={addressOf(shown.id)}>
                Read<span className="sr-only"> {part.path}</span>
              </Link>
            ) : (
              <button
                type="button"
                className="link w-24 text-right whitespace-nowrap disabled:text-soft"
                disabled={isLocked}
                onClick={() => void open([part])}
              >
                Open<span className="sr-only"> {part.path}</span>
              </button>
            )}
          </li>
        );
      })}
    </ul>
  );
}
