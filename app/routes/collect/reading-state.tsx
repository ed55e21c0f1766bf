import { counted } from "#core/words";
import { DROP_REMARK_WORDS } from "../../course/drop-remark-words";
import { useSyncExternalStore } from "react";
import type { Reading, TrayReading } from "../../course/tray-reading";

const TROUBLES: Readonly<Record<NonNullable<Reading["trouble"]>, string>> = {
  no_room:
    "There is no room left in this browser. What was read so far is in the tray; free some space and drop the rest.",
  not_written: "The browser could not keep it. What was read so far is in the tray; drop the rest again.",
  not_read: "Reading ended early. What was read so far is in the tray; drop the rest again.",
};

/** How far reading has come, with a way to stop it, and what was passed over. */
export function ReadingState({ reading }: { readonly reading: TrayReading }) {
  const { progress, looking, remarks, trouble } = useSyncExternalStore(reading.subscribe, () => reading.state);
  const stop = () => {
    reading.stop();
  };
  return (
    <div role="status" className="text-[14px]">
      {progress && (
        <p className="figures mt-2 flex items-center gap-3">
          <progress className="w-48" max={progress.all} value={progress.done} aria-label="Reading what came in" />
          Reading {progress.done} of {counted(progress.all, "file")}
          <button type="button" className="link" onClick={stop}>
            Stop
          </button>
        </p>
      )}
      {looking && (
        <p className="figures mt-2 flex items-center gap-3">
          <progress className="w-48" max={looking.all} value={looking.done} aria-label="Looking for codes" />
          Looking for codes on {looking.name}: page {looking.done} of {looking.all}
          <button type="button" className="link" onClick={stop}>
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
                <strong className="font-semibold">{path}</strong> {DROP_REMARK_WORDS[code]}
              </li>
            ))}
          </ul>
          <button
            type="button"
            className="link"
            onClick={() => {
              reading.acknowledge();
            }}
          >
            Read
          </button>
        </div>
      )}
    </div>
  );
}
