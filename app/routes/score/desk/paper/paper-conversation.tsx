import { useState } from "react";
import type { ChangeResult, Command } from "#core/changes";
import type { Message } from "#core/model";
import { counted } from "#core/words";
import { Conversation } from "../../../../ui/letter/conversation";
import type { JudgedRows } from "../rows";

interface PaperConversationProps {
  readonly rows: JudgedRows;
  readonly send: (command: Command) => Promise<ChangeResult>;
  readonly nameOf: (message: Message) => string;
  readonly timeZone: string;
}

/** The conversation with the student: folded until it is looked at, because looking at it is reading it. */
export function PaperConversation({ rows, send, nameOf, timeZone }: PaperConversationProps) {
  const [open, setOpen] = useState(false);
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
  const unread = rows.messages.filter(({ from, readAt }) => from === "student" && readAt === null).length;
  const words =
    rows.messages.length === 0 ? `Write to ${rows.student.givenName}` : counted(rows.messages.length, "message");
  return (
    <section aria-label="Conversation with the student">
      <button
        type="button"
        aria-expanded={open}
        className="flex items-center gap-2 text-[13.5px] text-soft hover:text-ink"
        onClick={() => {
          setOpen(!open);
          if (!open && unread > 0) void send({ type: "readMessages", ...place, side: "marker" });
        }}
      >
        <span aria-hidden="true">{open ? "▾" : "▸"}</span> {words}
        {unread > 0 && <strong className="text-ochre">{counted(unread, "unread reply", "unread replies")}</strong>}
      </button>
      {open && (
        <div className="mt-1.5">
          <Conversation
            place={`message/${place.assignmentId}/${place.studentId}`}
            messages={rows.messages}
            side="marker"
            nameOf={nameOf}
            timeZone={timeZone}
            placeholder={`To ${rows.student.givenName}; goes out with the comments`}
            onSend={(text) => send({ type: "sendMessage", ...place, text, files: [] })}
          />
        </div>
      )}
    </section>
  );
}
