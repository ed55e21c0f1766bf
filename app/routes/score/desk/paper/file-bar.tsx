import { Link } from "react-router";
import { type ChangeResult, type Command, notesToCarry } from "#core/changes";
import { counted } from "#core/words";
import { deskAddress, inAddress } from "../../../../ui/address";
import type { DeskRows } from "../rows";

interface FileBarProps {
  readonly slot: string;
  readonly rows: DeskRows;
  readonly current: DeskRows["files"][number];
  readonly send: (command: Command) => Promise<ChangeResult>;
}

/** The files of all attempts, and the remarks of an earlier one that can be brought over. */
export function FileBar({ slot, rows, current, send }: FileBarProps) {
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
  const earlier = rows.files.filter(({ attempt }) => attempt < current.attempt);
  const carried = earlier
    .map((file) => ({ file, notes: notesToCarry(rows.notes, file.id, current.id) }))
    .findLast(({ notes }) => notes.length > 0);
  // The file of the same name, or the last one, of the attempt before.
  const previous = earlier.filter(({ attempt }) => attempt === earlier.at(-1)?.attempt);
  const compared = previous.find(({ name }) => name === current.name) ?? previous.at(-1);
  return (
    <div className="flex items-center gap-4 border-b border-rule px-5 py-1.5 text-[13.5px]">
      <nav aria-label="Files" className="flex min-w-0 gap-4 overflow-x-auto">
        {rows.files.map((item) => (
          <Link
            key={item.id}
            to={`${deskAddress(slot, rows.assignment.id, rows.student.id)}?file=${inAddress(item.id)}`}
            aria-current={item.id === current.id ? "page" : undefined}
            className={`whitespace-nowrap ${item.id === current.id ? "font-semibold" : "text-soft hover:text-ink"}`}
          >
            {rows.attempts > 1 ? `Attempt ${String(item.attempt)}: ` : ""}
            {item.name}
          </Link>
        ))}
      </nav>
      {compared && (
        <Link
          className="link ms-auto whitespace-nowrap"
          to={`${deskAddress(slot, rows.assignment.id, rows.student.id)}?file=${inAddress(current.id)}&beside=${inAddress(compared.id)}`}
        >
          Compare with attempt {compared.attempt}
        </Link>
      )}
      {carried && (
        <button
          type="button"
          className={`link whitespace-nowrap ${compared ? "" : "ms-auto"}`}
          onClick={() => void send({ type: "carryNotes", ...place, from: carried.file.id, to: current.id })}
        >
          Bring {counted(carried.notes.length, "remark")} over from attempt {carried.file.attempt}
        </button>
      )}
    </div>
  );
}
