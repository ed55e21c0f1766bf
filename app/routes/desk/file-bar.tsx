import { useRef } from "react";
import { Link } from "react-router";
import { notesToCarry, type Command } from "#core/changes";
import type { Outcome } from "../../outcomes";
import { deskAddress, inAddress } from "../../ui/address";
import { MoreMenu } from "../../ui/more-menu";
import { counted } from "../../ui/words";
import type { DeskRows } from "./rows";
import type { HandInActions } from "./use-hand-in";

interface FileBarProps {
  readonly slot: string;
  readonly rows: DeskRows;
  readonly current: DeskRows["files"][number];
  readonly send: (command: Command) => Promise<Outcome>;
  readonly handIn: HandInActions;
}

/** The files of all attempts, and what can be done with an attempt as a whole. */
export function FileBar({ slot, rows, current, send, handIn }: FileBarProps) {
  const chooser = useRef<HTMLInputElement>(null);
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
  const earlier = rows.files.filter(({ attempt }) => attempt < current.attempt);
  const carried = earlier
    .map((file) => ({ file, notes: notesToCarry(rows.notes, file.id, current.id) }))
    .findLast(({ notes }) => notes.length > 0);
  return (
    <div className="flex items-center gap-4 border-b border-rule px-5 py-0.5 text-[13.5px]">
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
      {carried && (
        <button
          type="button"
          className="link ms-auto whitespace-nowrap"
          onClick={() => void send({ type: "carryNotes", ...place, from: carried.file.id, to: current.id })}
        >
          Bring {counted(carried.notes.length, "remark")} over from attempt {carried.file.attempt}
        </button>
      )}
      <span className={carried ? "" : "ms-auto"}>
        <MoreMenu
          label="More for the attempts"
          items={[
            {
              words: "Add another attempt",
              onSelect: () => chooser.current?.click(),
            },
            {
              words: `Discard attempt ${String(current.attempt)}`,
              onSelect: () => void send({ type: "discardAttempt", ...place, attempt: current.attempt }),
            },
          ]}
        />
      </span>
      <input
        ref={chooser}
        type="file"
        multiple
        hidden
        aria-label="Files of another attempt"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = "";
          void handIn.addFiles(files);
        }}
      />
    </div>
  );
}
