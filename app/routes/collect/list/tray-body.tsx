import { useState } from "react";
import type { Piece, PieceId } from "#core/collect";
import type { AssignmentId } from "#core/kernel";
import type { Assignment, CourseState, WorkFile } from "#core/model";
import type { Tray } from "#storage";
import type { TrayReading } from "../../../course/tray-reading";
import { inAddress } from "../../../ui/address";
import { namedAssignment } from "../likely-assignment";
import type { TrayRows } from "../rows";
import { ForOtherWork } from "./for-other-work";
import { PutToOther } from "./put-to-other";
import { TrayList } from "./tray-list";
import { UnlockPiece } from "./unlock-piece";

interface TrayBodyProps {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly tray: Tray;
  readonly reading: TrayReading;
  readonly groups: TrayRows["groups"];
  /** Pieces for other work, by that work. */
  readonly elsewhere: ReadonlyMap<AssignmentId, readonly Piece[]>;
  readonly readFile: (file: Pick<WorkFile, "id">) => Promise<Blob | null>;
  readonly onInto: (assignmentId: AssignmentId, source: string) => void;
}

/** The pieces of the tray, and what can be done with each of them. */
export function TrayBody(props: TrayBodyProps) {
  const { state, assignment, tray, reading, groups, elsewhere, readFile, onInto } = props;
  const [moving, setMoving] = useState<Piece | null>(null);
  const [locked, setLocked] = useState<Piece | null>(null);
  // What is shown of a piece may say more than what is kept of it.
  const kept = (id: PieceId) => tray.pieces.find((piece) => piece.id === id);
  return (
    <>
      <TrayList
        state={state}
        groups={groups}
        sheetAddress={(piece) => {
          const into = namedAssignment(state, [piece]) ?? assignment;
          return `sheet/${inAddress(piece.id)}?into=${inAddress(into.id)}`;
        }}
        readFile={readFile}
        pileAddress={(piece) => `pile/${inAddress(piece.id)}?into=${inAddress(assignment.id)}`}
        onDecide={({ id }, decision) => {
          const piece = kept(id);
          if (piece?.decision?.kind === "cut") void reading.unCut(piece);
          else if (piece) void tray.change({ ...piece, decision });
        }}
        onPutToOther={setMoving}
        onUnlock={setLocked}
      />
      <ForOtherWork state={state} elsewhere={elsewhere} onLook={onInto} />
      {locked && (
        <UnlockPiece
          piece={locked}
          onUnlock={async (password) => {
            const piece = kept(locked.id);
            const isOpen = piece && (await reading.unlock(piece, password).catch(() => null));
            if (isOpen === false) return "This is not its password. Ask the student for it, or for a PDF without one.";
            return isOpen ? null : "It could not be unlocked. Ask the student for a PDF without a password.";
          }}
          onClose={() => {
            setLocked(null);
          }}
        />
      )}
      {moving && (
        <PutToOther
          state={state}
          piece={moving}
          assignment={assignment}
          onPut={(assignmentId) => {
            const piece = kept(moving.id);
            if (piece) void tray.change({ ...piece, assignmentId, decision: null });
            setMoving(null);
          }}
          onClose={() => {
            setMoving(null);
          }}
        />
      )}
    </>
  );
}
