import { useMemo, useState } from "react";
import type { Command } from "#core/changes";
import { readRosterTable, ROSTER_ROLES, rosterFrom, type RosterRole } from "#core/formats";
import { counted } from "#core/words";
import { AsYouLeftIt } from "../../../ui/fields/as-you-left-it";
import { readTextDraft, useTyped } from "../../../ui/fields/drafts";
import { rosterWords } from "../../../ui/words/words";
import { isArchive, readSet } from "../../../exports/read-set";
import { readText } from "../../../ui/files/read-text";
import { FileButton } from "../../../ui/files/file-button";
import { Choice } from "../../../ui/fields/choice";

const ROLE_WORDS: Readonly<Record<RosterRole, string>> = {
  number: "Student number",
  name: "Whole name",
  given: "Given name",
  family: "Family name",
  section: "Section",
  email: "E-mail",
  ignore: "Leave out",
};

/** Lines of the preview shown. */
const SHOWN = 6;

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
    if (!(await isArchive(file))) {
      set(await readText(file));
      return;
    }
    const { roster } = await readSet(file);
    if (roster !== null) set(roster);
    else
      setTrouble(
        `${file.name} holds no students: a roster-and-results set has a file "users.csv". Nothing was changed.`,
      );
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

type RosterTable = ReturnType<typeof readRosterTable>;

/** The first lines of a roster under what each column is taken for, which can be said otherwise. */
function ColumnPreview({
  table,
  roles,
  onRoles,
}: {
  readonly table: RosterTable;
  readonly roles: readonly RosterRole[];
  readonly onRoles: (roles: readonly RosterRole[]) => void;
}) {
  const lines = table.rows.length;
  return (
    <>
      <table className="mt-3 w-full text-[13.5px]">
        <caption className="sr-only">The columns of the roster and what they hold</caption>
        <thead>
          <tr>
            {roles.map((role, index) => (
              <th key={index} className="pe-2 pb-1 text-left font-normal">
                <Choice
                  label={`Column ${String(index + 1)}${table.head?.[index] ? `, ${table.head[index]}` : ""}`}
                  className="!py-1 text-[13px]"
                  value={role}
                  onChoose={(next) => {
                    onRoles(roles.map((one, place) => (place === index ? next : one === next ? "ignore" : one)));
                  }}
                  options={ROSTER_ROLES.map((one) => [one, ROLE_WORDS[one]] as const)}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.slice(0, SHOWN).map((row, line) => (
            <tr key={line} className="border-b border-rule">
              {row.map((cell, index) => (
                <td key={index} className={`py-0.5 pe-2 ${roles[index] === "ignore" ? "text-soft line-through" : ""}`}>
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {lines > SHOWN && (
        <p className="mt-1 text-[13px] text-soft">and {counted(lines - SHOWN, "more line", "more lines")}</p>
      )}
    </>
  );
}

function RosterIssues({ issues }: { readonly issues: ReturnType<typeof rosterFrom>["issues"] }) {
  return (
    <>
      {issues.slice(0, SHOWN).map((issue) => (
        <p key={issue.line} className="mt-1 text-[13.5px] text-ochre">
          {rosterWords(issue)}
        </p>
      ))}
      {issues.length > SHOWN && <p className="text-[13px] text-soft">and {counted(issues.length - SHOWN, "more")}</p>}
    </>
  );
}
