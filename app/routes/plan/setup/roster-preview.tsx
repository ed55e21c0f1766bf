import type { readRosterTable, rosterFrom } from "#core/formats";
import { ROSTER_ROLES, type RosterRole } from "#core/formats";
import { counted } from "#core/words";
import { rosterWords } from "../../../ui/words/words";
import { Choice } from "../../../ui/fields/choice";

/** The first lines of a roster under what each column is taken for, which can be said otherwise. */
export function ColumnPreview({
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

export function RosterIssues({ issues }: { readonly issues: ReturnType<typeof rosterFrom>["issues"] }) {
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

type RosterTable = ReturnType<typeof readRosterTable>;
