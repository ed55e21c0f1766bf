import { useEffect, useMemo, useRef } from "react";
import { Link } from "react-router";
import { type ChangeResult, type Command, type Entry, entryText, paperHistory, provenancesFrom } from "#core/changes";
import { pointsText } from "#core/kernel";
import { courseOf, rosterName, resultOf, type CourseState } from "#core/model";
import { explainResult, figuresOf } from "#core/totals";
import { momentText } from "#core/words";
import { AccountTree } from "../../../../ui/parts/account-tree";
import { deskAddress, studentAddress } from "../../../../ui/address";
import type { TextHandle } from "../../../../ui/fields/text-handle";
import { DraftField } from "../../../../ui/fields/draft-field";
import { InlineField } from "../../../../ui/fields/inline-field";
import { nameOfState } from "../../../../ui/words/name-of";
import { troubleOf } from "../../../../ui/hooks/use-command";
import { Pane } from "./pane";
import type { CellPlace } from "../grid/selection";
import { inMark } from "../../../../ui/words/figures";

/** Events of the journal shown. */
const SHOWN = 20;

interface CellPaneProps {
  readonly slot: string;
  readonly state: CourseState;
  readonly entries: readonly Entry[];
  readonly place: CellPlace;
  readonly send: (command: Command) => Promise<ChangeResult>;
  /** Counts up each time the comment is asked for, so that it takes the focus. */
  readonly toComment: number;
  readonly onClose: () => void;
  readonly onBack: () => void;
}

/** The full story of one result: how its figure came about, comments, set by hand and back, and what happened to it. */
export function CellPane({ slot, state, entries, place, send, toComment, onClose, onBack }: CellPaneProps) {
  const { assignmentId, studentId } = place;
  const assignment = state.assignments[assignmentId];
  const student = state.students[studentId];
  const provenances = useMemo(() => provenancesFrom(entries, state), [entries, state]);
  const overall = useRef<TextHandle>(null);
  useEffect(() => {
    if (toComment > 0) overall.current?.focus();
  }, [toComment]);
  if (!assignment || !student) return null;
  const result = resultOf(state, assignmentId, studentId);
  const comment = (facing: "student" | "private") => (text: string, seen: string) =>
    send({ type: "setComment", ...place, facing, text, seen });
  return (
    <Pane
      label="This result"
      title={rosterName(state, student)}
      subtitle={assignment.name}
      onClose={onClose}
      onBack={onBack}
    >
      <p className="mt-1 flex gap-4 text-[13.5px]">
        <Link className="link" to={deskAddress(slot, assignmentId, studentId)}>
          Open on the desk
        </Link>
        <Link className="link" to={studentAddress(slot, studentId)}>
          Whole record
        </Link>
      </p>
      <h3 className="mt-4 border-t-2 border-ink pt-1.5 text-sm font-semibold">How the figure came about</h3>
      <div className="mt-1">
        <AccountTree
          account={explainResult(state, assignment, studentId, provenances)}
          nameOf={nameOfState(state)}
          open={3}
        />
      </div>
      <SetByHand state={state} place={place} send={send} />
      <DraftField
        place={`overall/${assignmentId}/${studentId}`}
        className="mt-3"
        label="Overall comment"
        fieldRef={overall}
        rows={2}
        value={result.overallComment}
        onKeep={comment("student")}
        onDone={onBack}
      />
      <DraftField
        place={`private/${assignmentId}/${studentId}`}
        className="mt-2"
        label="Private note"
        rows={1}
        value={result.privateNote}
        onKeep={comment("private")}
        onDone={onBack}
      />
      <DraftField
        place={`student-note/${studentId}`}
        className="mt-2"
        label="Note about this student, for instructors"
        rows={1}
        value={student.note}
        onKeep={(note) => send({ type: "editStudent", studentId, fields: { note } })}
        onDone={onBack}
      />
      <WhatHappened state={state} entries={entries} place={place} />
    </Pane>
  );
}

/** The figure that stands in the place of the computed one, and the way back. */
function SetByHand({ state, place, send }: Pick<CellPaneProps, "state" | "place" | "send">) {
  const { assignmentId, studentId } = place;
  const result = resultOf(state, assignmentId, studentId);
  const figure = figuresOf(state).figure(assignmentId, studentId);
  const command = async (more: Command) => troubleOf(await send(more));
  return (
    <div className="mt-3 flex items-end gap-3">
      <InlineField
        key={`${assignmentId} ${studentId}`}
        place={`by-hand/${assignmentId}/${studentId}`}
        label="Set by hand, in points"
        className="w-40"
        inputMode="decimal"
        value={result.setByHand ?? ""}
        onKeep={(text) => command({ type: "setByHand", ...place, text, seen: result.setByHand ?? "" })}
      />
      {result.setByHand !== null && (
        <button
          type="button"
          className="link pb-2 text-[13.5px]"
          onClick={() => void command({ type: "setByHand", ...place, text: "" })}
        >
          Back to {figure.computed ? inMark(pointsText(figure.computed)) : "nothing"}
        </button>
      )}
    </div>
  );
}

/** What the journal tells of one result, the newest first. */
function WhatHappened({ state, entries, place }: Pick<CellPaneProps, "state" | "entries" | "place">) {
  const { assignmentId, studentId } = place;
  const { timeZone } = courseOf(state);
  const events = useMemo(() => paperHistory(entries, assignmentId, studentId), [entries, assignmentId, studentId]);
  return (
    <>
      <h3 className="mt-4 border-t-2 border-ink pt-1.5 text-sm font-semibold">What happened</h3>
      {events.length === 0 && (
        <p className="mt-1 text-[13.5px] text-soft">
          Nothing yet. The entry reads {entryText(state, assignmentId, studentId) || "empty"}.
        </p>
      )}
      <ol className="mt-1 text-[13.5px]">
        {events.slice(0, SHOWN).map((event) => (
          <li key={event.seq} className="border-b border-rule py-1">
            <span className="text-soft">
              {momentText(event.at, timeZone)}, {state.markers[event.by]?.name ?? ""}
            </span>
            <br />
            {event.line}
            {event.reason && <span className="block text-soft">Reason: {event.reason}</span>}
          </li>
        ))}
      </ol>
      {events.length > SHOWN && <p className="text-[13px] text-soft">Older ones stand in the journal.</p>}
    </>
  );
}
