import { useState } from "react";
import { useBlocker } from "react-router";
import { writeCsv } from "#core/formats";
import type { StudentId } from "#core/kernel";
import { fullName, type CourseState } from "#core/model";
import type { CopyLock } from "../../workers/protocol";
import { Ask } from "../ui/ask";
import { counted } from "../ui/counted";
import { saveAs } from "../ui/save-as";
import { useUnkept } from "../ui/use-unkept";

const HEAD = ["Student number", "Name", "Passphrase"];

/** The list of passphrases as CSV, by student. */
function listOf(state: CourseState, locks: ReadonlyMap<StudentId, CopyLock>): string {
  const rows = [...locks].flatMap(([id, { passphrase }]) => {
    const student = state.students[id];
    return student ? [[student.number, fullName(student), passphrase]] : [];
  });
  return writeCsv([HEAD, ...rows].map((cells) => cells.map((text) => ({ text }))));
}

/**
 * The passphrases of the copies just made. They are saved by themselves and kept nowhere, so leaving before that is
 * asked about. Give it a `key` that changes with the copies.
 */
export function PassphraseList(props: {
  readonly state: CourseState;
  readonly locks: ReadonlyMap<StudentId, CopyLock>;
}) {
  const { state, locks } = props;
  const [saved, setSaved] = useState(false);
  const open = locks.size > 0 && !saved;
  useUnkept(open);
  const leaving = useBlocker(
    ({ currentLocation, nextLocation }) => open && currentLocation.pathname !== nextLocation.pathname,
  );
  if (locks.size === 0) return null;
  const save = () => {
    saveAs(new Blob([listOf(state, locks)], { type: "text/csv;charset=utf-8" }), "passphrases.csv");
    setSaved(true);
  };
  return (
    <section aria-label="Passphrases" className="mt-2 rounded border border-rule bg-ochre-wash px-4 py-3 text-[14px]">
      <p>
        {saved
          ? "The list was saved as passphrases.csv. Keep it in another place than the copies, and tell each student theirs another way than you send the copy."
          : `The passphrases of ${counted(locks.size, "copy", "copies")} are kept nowhere. Save the list in another place than the copies; without it nobody opens them.`}
      </p>
      <button type="button" className={saved ? "link mt-1" : "act mt-2"} onClick={save}>
        {saved ? "Save it again" : "Save the list of passphrases"}
      </button>
      <Ask
        open={leaving.state === "blocked"}
        title="Leave without the passphrases?"
        action="Leave without them"
        onClose={() => leaving.reset?.()}
        onAct={() => leaving.proceed?.()}
      >
        They are kept nowhere. The copies just made cannot be opened without them; new ones can be made at any time.
      </Ask>
    </section>
  );
}
