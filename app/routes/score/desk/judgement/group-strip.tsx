import { Link } from "react-router";
import type { ChangeResult, Command } from "#core/changes";
import { deskAddress } from "../../../../ui/address";
import { useTypedField } from "../../../../ui/fields/use-typed-field";
import { issueWords } from "../../../../ui/words/words";
import type { GroupRows, JudgedRows } from "../rows";

interface GroupStripProps {
  readonly slot: string;
  readonly rows: JudgedRows;
  readonly group: GroupRows;
  readonly whole: boolean;
  readonly onWhole: (whole: boolean) => void;
  readonly send: (command: Command) => Promise<ChangeResult>;
  readonly sendTyped: (command: Command) => Promise<ChangeResult>;
}

/** The group a paper is of: judged as one, or this member alone; each with a part of their own. */
export function GroupStrip({ slot, rows, group, whole, onWhole, sendTyped }: GroupStripProps) {
  const others = group.members.filter(({ studentId, differs }) => studentId !== rows.student.id && differs);
  const choice = (on: boolean) =>
    `rounded-[3px] border px-2 py-0.5 text-[13.5px] ${on ? "border-ink bg-sheet font-semibold" : "border-rule"}`;
  return (
    <section aria-label={`Group: ${group.name}`} className="mx-4 mt-2.5 border border-rule px-2.5 py-2 text-[14px]">
      <div className="flex flex-wrap items-center gap-1.5">
        <h2 className="me-auto font-semibold">{group.name}</h2>
        <button
          type="button"
          aria-pressed={whole}
          className={choice(whole)}
          onClick={() => {
            onWhole(true);
          }}
        >
          For all
        </button>
        <button
          type="button"
          aria-pressed={!whole}
          className={choice(!whole)}
          onClick={() => {
            onWhole(false);
          }}
        >
          {rows.name} alone
        </button>
      </div>
      <ul className="mt-1.5">
        {group.members.map((member) => (
          <li key={member.studentId} className="flex items-center gap-2 py-0.5">
            {member.studentId === rows.student.id ? (
              <span className="min-w-0 flex-1 truncate font-semibold">{member.name}</span>
            ) : (
              <Link
                className="link min-w-0 flex-1 truncate"
                to={deskAddress(slot, rows.assignment.id, member.studentId)}
              >
                {member.name}
              </Link>
            )}
            {member.differs && member.studentId !== rows.student.id && (
              <span className="text-[13px] text-plum">by themselves</span>
            )}
            <OwnPart key={member.adjustment} rows={rows} member={member} sendTyped={sendTyped} />
            <strong className="figures w-16 text-right">{member.total}</strong>
          </li>
        ))}
      </ul>
      {whole && others.length > 0 && (
        <p className="mt-1 text-[13px] text-soft">Who was judged by themselves keeps what they were given.</p>
      )}
    </section>
  );
}

/** A member's own part of the group's score: points added, or taken off with a minus. */
function OwnPart({
  rows,
  member,
  sendTyped,
}: Pick<GroupStripProps, "rows" | "sendTyped"> & { readonly member: GroupRows["members"][number] }) {
  const { trouble, props } = useTypedField(
    member.adjustment,
    async (text) => {
      const outcome = await sendTyped({
        type: "adjustMember",
        assignmentId: rows.assignment.id,
        studentId: member.studentId,
        text,
      });
      return outcome.ok || outcome.issue.code === "nothing_to_change" ? null : issueWords(outcome.issue);
    },
    { leaves: true, place: `own-part/${rows.assignment.id}/${member.studentId}` },
  );
  return (
    <input
      aria-label={`Own part of ${member.name}`}
      data-hint={trouble ?? "Points added to the group's score, or taken off with a minus"}
      placeholder="± 0"
      className={`figures w-12 border-b bg-transparent text-right ${trouble ? "border-wax text-wax" : "border-rule"}`}
      {...props}
    />
  );
}
