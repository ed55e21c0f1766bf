import { counted } from "#core/words";
import type { Reading } from "../../course/tray-reading";

const REMARKS: Readonly<Record<Reading["remarks"][number]["code"], string>> = {
  archive_damaged: "is damaged and cannot be opened. Make it again, or drop its files.",
  archive_locked: "is locked in its archive. Unpack it with its passphrase and drop the file.",
  archive_too_large: "holds more than 2 GB or 20,000 files. Drop it in parts.",
  archive_in_archive: "lies too deep in archives. Unpack the outer one and drop the inner.",
  entry_damaged: "is damaged in its archive, or larger than it says. Make the archive again.",
  path_climbs_out: "would lie outside of its archive and was left out. Rename it and drop it alone.",
  file_too_large: "is larger than 500 MB. Ask for a smaller one.",
  mail_damaged: "is no letter that can be read. Save it again from the mail program.",
  mail_without_work: "has no attachment and says nothing. Ask for the work again.",
};

const TROUBLES: Readonly<Record<NonNullable<Reading["trouble"]>, string>> = {
  no_room:
    "There is no room left in this browser. What was read so far is in the tray; free some space and drop the rest.",
  not_written: "The browser could not keep it. What was read so far is in the tray; drop the rest again.",
  not_read: "Reading ended early. What was read so far is in the tray; drop the rest again.",
};

/** How far reading has come, with a way to stop it, and what was passed over. */
export function ReadingState({
  reading: { progress, looking, remarks, trouble },
  onStop,
  onClose,
}: {
  readonly reading: Reading;
  readonly onStop: () => void;
  readonly onClose: () => void;
}) {
  return (
    <div role="status" className="text-[14px]">
      {progress && (
        <p className="figures mt-2 flex items-center gap-3">
          <progress className="w-48" max={progress.all} value={progress.done} aria-label="Reading what came in" />
          Reading {progress.done} of {counted(progress.all, "file")}
          <button type="button" className="link" onClick={onStop}>
            Stop
          </button>
        </p>
      )}
      {looking && (
        <p className="figures mt-2 flex items-center gap-3">
          <progress className="w-48" max={looking.all} value={looking.done} aria-label="Looking for codes" />
          Looking for codes on {looking.name}: page {looking.done} of {looking.all}
          <button type="button" className="link" onClick={onStop}>
            Stop
          </button>
        </p>
      )}
      {(remarks.length > 0 || trouble) && (
        <div className="mt-2 border-s-2 border-wax ps-3">
          {trouble && <p className="text-wax">{TROUBLES[trouble]}</p>}
          <ul>
            {remarks.map(({ path, code }) => (
              <li key={`${path} ${code}`}>
                <strong className="font-semibold">{path}</strong> {REMARKS[code]}
              </li>
            ))}
          </ul>
          <button type="button" className="link" onClick={onClose}>
            Read
          </button>
        </div>
      )}
    </div>
  );
}
