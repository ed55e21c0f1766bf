import { useState } from "react";
import type { Command, Context } from "#core/changes";
import type { StudentId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { AskChange } from "./ask-change";
import type { ChosenRow } from "../rows";

/** Holds an assignment for the board, or one student back, with a reason; and lets them go again. */
export function HoldButtons({
  row,
  state,
  context,
  studentId,
  nameOf,
  send,
}: {
  readonly row: ChosenRow;
  readonly state: CourseState;
  readonly context: Context;
  /** The one student it is about, where it is about one. */
  readonly studentId: StudentId | null;
  readonly nameOf: (id: string) => string;
  readonly send: (command: Command, words: string) => Promise<string | null>;
}) {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  const { assignment, heldBack } = row;
  const one = studentId === null ? undefined : heldBack.find(({ id }) => id === studentId);
  const held = studentId === null ? assignment.held : one !== undefined;
  const who = studentId === null ? assignment.name : nameOf(studentId);
  const command: Command =
    studentId === null
      ? { type: "holdAssignment", assignmentId: assignment.id, held: !held, reason }
      : { type: "holdResult", assignmentId: assignment.id, studentId, held: !held, reason };
  const words = held ? `Let ${who} go` : studentId === null ? "Hold for the board" : `Hold ${who} back`;
  return (
    <>
      <button
        type="button"
        className="act act-quiet"
        onClick={() => {
          setReason("");
          setAsking(true);
        }}
      >
        {words}
      </button>
      {heldBack.length > 0 && (
        <p className="basis-full text-[14px] text-soft">
          Held back: {heldBack.map(({ id, reason: why }) => `${nameOf(id)}${why ? ` (${why})` : ""}`).join(", ")}
        </p>
      )}
      {asking && (
        <AskChange
          title={words}
          detail={
            held
              ? "What is released becomes visible again at once."
              : "Seals stay as they are; nothing of it is visible while it is held."
          }
          action={words}
          state={state}
          context={context}
          command={command}
          nameOf={nameOf}
          onSend={(wish) => send(wish, held ? "Let go." : "Held.")}
          onClose={() => {
            setAsking(false);
          }}
        >
          {!held && (
            <label className="mt-3 block text-[14px]">
              <span className="text-soft">Reason, for you and the board; students never see it</span>
              <input
                className="field"
                value={reason}
                maxLength={500}
                onChange={(event) => {
                  setReason(event.target.value);
                }}
              />
            </label>
          )}
        </AskChange>
      )}
    </>
  );
}
