import { useMemo, useState } from "react";
import type { Command } from "#core/changes";
import { readRosterTable, rosterFrom, type RosterRole } from "#core/formats";
import { counted } from "#core/words";
import { AsYouLeftIt } from "../../../ui/fields/as-you-left-it";
import { readTextDraft, useTyped } from "../../../ui/fields/drafts";
import { isArchive, readSet } from "../../../exports/read-set";
import { readText } from "../../../ui/files/read-text";
import { FileButton } from "../../../ui/files/file-button";
import { ColumnPreview, RosterIssues } from "./roster-preview";

/** Students typed, pasted, or read from a CSV file: columns are matched and looked at before anything is added. */
export function RosterEntry({
  taken,
  first,
  send,
}: {
  readonly taken: readonly string[];
  readonly first: boolean;
  readonly send: (command: Command) => Promise<string | null>;
}) {
  const typed = useTyped("roster", "", readTextDraft);
  const { value: text, set: setText } = typed;
  const [chosen, setChosen] = useState<readonly RosterRole[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const table = useMemo(() => readRosterTable(text), [text]);
  const roles = chosen?.length === table.roles.length ? chosen : table.roles;
  const { students, issues } = useMemo(() => rosterFrom(table, roles, new Set(taken)), [table, roles, taken]);

  const set = (next: string) => {
    setText(next);
    setChosen(null);
    setTrouble(null);
  };
  const read = async (file: File) => {
    const { roster, words } = await rosterOf(file);
    if (roster !== null) set(roster);
    else setTrouble(words);
  };
  const add = async () => {
    if (students.length === 0) return;
    const words = await send({ type: "addStudents", students });
    setTrouble(words);
    if (words === null) set("");
  };

  return (
    <section aria-label="Add students">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Add students</h2>
      <textarea
        aria-label="Students, one a line"
        className="field mt-2 field-sizing-content max-h-64 min-h-24 text-[14px]"
        placeholder={"One a line, or pasted from a spreadsheet:\n1042, Ilse Tarnowe\n1043, Jorun Nakade"}
        spellCheck={false}
        autoFocus={first}
        value={text}
        onChange={(event) => {
          set(event.target.value);
        }}
        onKeyDown={(event) => {
          if (event.key !== "Enter" || !(event.ctrlKey || event.metaKey)) return;
          event.preventDefault();
          void add();
        }}
      />
      {text.trim() !== "" && table.roles.length > 1 && (
        <ColumnPreview table={table} roles={roles} onRoles={setChosen} />
      )}
      <RosterIssues issues={issues} />
      <div className="mt-2 flex items-center gap-3">
        <button type="button" className="act act-first" disabled={students.length === 0} onClick={() => void add()}>
          {students.length === 0 ? "Add students" : `Add ${counted(students.length, "student")}`}
        </button>
        <FileButton
          words="Read a file: CSV, or a roster-and-results set"
          kind="roster"
          look="link text-[14px]"
          onFiles={([file]) => {
            if (file) void read(file);
          }}
        />
        <span className="text-[13px] text-soft">Ctrl Enter adds</span>
      </div>
      {typed.isLeft && <AsYouLeftIt onClear={typed.clear} />}
      {trouble && (
        <p role="alert" className="mt-2 text-[14px] text-wax">
          {trouble}
        </p>
      )}
    </section>
  );
}

/** The roster that a file holds, as it would be pasted; null with words where there is none. */
async function rosterOf(file: File): Promise<{ readonly roster: string | null; readonly words: string }> {
  if (!(await isArchive(file))) return { roster: await readText(file), words: "" };
  const { roster } = await readSet(file);
  return {
    roster,
    words: `${file.name} holds no students: a roster-and-results set has a file "users.csv". Nothing was changed.`,
  };
}
