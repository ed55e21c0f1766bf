import { useState } from "react";
import type { ChangeResult, Command } from "#core/changes";
import type { StudentId } from "#core/kernel";
import type { Assignment } from "#core/model";
import { counted } from "#core/words";
import { troubleOf } from "../../../ui/hooks/use-command";
import type { AssignmentRows } from "./rows";

/** The groups of an assignment: typed beside the names, then formed together. A group once formed stays. */
export function Groups({
  rows,
  assignment,
  send,
}: {
  readonly rows: AssignmentRows;
  readonly assignment: Assignment;
  readonly send: (command: Command) => Promise<ChangeResult>;
}) {
  const [names, setNames] = useState<ReadonlyMap<StudentId, string>>(new Map());
  const [trouble, setTrouble] = useState<string | null>(null);
  const alone = rows.students.filter(({ group }) => group === "");
  const wanted = new Map<string, StudentId[]>();
  for (const { id } of alone) {
    const name = (names.get(id) ?? "").trim();
    if (name !== "") wanted.set(name, [...(wanted.get(name) ?? []), id]);
  }
  const groups = [...wanted].map(([name, memberIds]) => ({ name, memberIds }));
  const inTwos = () => {
    setNames(new Map(alone.map(({ id }, index) => [id, `Group ${String(Math.floor(index / 2) + 1)}`])));
  };
  return (
    <section aria-label="Groups" className="space-y-2">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Groups</h2>
      <p className="text-[14px] text-soft">
        {alone.length === 0
          ? "Everybody is in a group."
          : `${counted(alone.length, "student is", "students are")} in no group.`}
      </p>
      <ul className="max-h-72 overflow-auto text-[14px]">
        {rows.students.map(({ id, name, group }) => (
          <li key={id} className="flex items-center justify-between border-b border-rule py-0.5">
            {name}
            {group === "" ? (
              <input
                aria-label={`Group of ${name}`}
                className="field !w-36 !py-0.5 text-[14px]"
                value={names.get(id) ?? ""}
                onChange={(event) => {
                  setNames(new Map(names).set(id, event.target.value));
                }}
              />
            ) : (
              <span className="text-soft">{group}</span>
            )}
          </li>
        ))}
      </ul>
      {alone.length > 0 && (
        <div className="flex gap-3">
          <button type="button" className="act act-quiet" onClick={inTwos}>
            Propose pairs
          </button>
          <button
            type="button"
            className="act"
            disabled={groups.length === 0}
            onClick={() =>
              void send({ type: "formGroups", assignmentId: assignment.id, groups }).then((outcome) => {
                setTrouble(troubleOf(outcome));
                if (outcome.ok) setNames(new Map());
              })
            }
          >
            Form {counted(groups.length, "group")}
          </button>
        </div>
      )}
      {trouble && (
        <p role="alert" className="text-[13px] text-wax">
          {trouble}
        </p>
      )}
    </section>
  );
}
