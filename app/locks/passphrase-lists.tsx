import { useState } from "react";
import { useBlocker } from "react-router";
import { writeCsv } from "#core/formats";
import type { StudentId } from "#core/kernel";
import { fullName, type CourseState } from "#core/model";
import { counted } from "#core/words";
import type { CopyLock } from "../../workers/protocol";
import { Ask } from "../ui/dialogs/ask";
import { saveAs } from "../ui/save-as";
import { useUnkept } from "../ui/fields/use-unkept";

const HEAD = ["Student number", "Name", "Passphrase"];

/** The list of passphrases as CSV, by student. */
function listOf(state: CourseState, locks: ReadonlyMap<StudentId, CopyLock>): string {
  const rows = [...locks].flatMap(([id, { passphrase }]) => {
    const student = state.students[id];
    return student ? [[student.number, fullName(student), passphrase]] : [];
  });
  return writeCsv([HEAD, ...rows].map((cells) => cells.map((text) => ({ text }))));
}

type Locks = ReadonlyMap<StudentId, CopyLock>;

/**
 * The passphrases of copies just made, a list for each time they were made: copies made again do not take the earlier list
 * away. They are saved by themselves and kept nowhere, so leaving before that is asked about.
 */
export function PassphraseLists(props: { readonly state: CourseState; readonly lists: readonly Locks[] }) {
  const { state } = props;
  const lists = props.lists.filter((locks) => locks.size > 0);
  const [saved, setSaved] = useState<ReadonlySet<Locks>>(new Set());
  const open = lists.some((locks) => !saved.has(locks));
  useUnkept(open);
  const leaving = useBlocker(
    ({ currentLocation, nextLocation }) => open && currentLocation.pathname !== nextLocation.pathname,
  );
  return (
    <>
      {lists.map((locks, place) => (
        <PassphraseList
          key={place}
          state={state}
          locks={locks}
          fileName={place === 0 ? "passphrases.csv" : `passphrases-${String(place + 1)}.csv`}
          isSaved={saved.has(locks)}
          onSaved={() => {
            setSaved((before) => new Set([...before, locks]));
          }}
        />
      ))}
      <Ask
        open={leaving.state === "blocked"}
        title="Leave without the passphrases?"
        action="Leave without them"
        onClose={() => leaving.reset?.()}
        onAct={() => leaving.proceed?.()}
      >
        They are kept nowhere. The copies just made cannot be opened without them; new ones can be made at any time.
      </Ask>
    </>
  );
}

interface PassphraseListProps {
  readonly state: CourseState;
  readonly locks: Locks;
  readonly fileName: string;
  readonly isSaved: boolean;
  readonly onSaved: () => void;
}

function PassphraseList({ state, locks, fileName, isSaved, onSaved }: PassphraseListProps) {
  return (
    <section aria-label="Passphrases" className="mt-2 rounded border border-rule bg-ochre-wash px-4 py-3 text-[14px]">
      <p>
        {isSaved
          ? `The list was saved as ${fileName}. Keep it in another place than the copies, and tell each student theirs another way than you send the copy.`
          : `The passphrases of ${counted(locks.size, "copy", "copies")} are kept nowhere. Save the list in another place than the copies; without it nobody opens them.`}
      </p>
      <button
        type="button"
        className={isSaved ? "link mt-1" : "act mt-2"}
        onClick={() => {
          saveAs(new Blob([listOf(state, locks)], { type: "text/csv;charset=utf-8" }), fileName);
          onSaved();
        }}
      >
        {isSaved ? "Save it again" : "Save the list of passphrases"}
      </button>
    </section>
  );
}
