import { useState } from "react";
import type { Piece } from "#core/collect";
import { DialogFrame, LeaveAsItIs } from "../../../ui/dialogs/dialog-frame";

/** Asks for the password of a PDF, and puts it without one in its place. */
export function UnlockPiece({
  piece,
  onUnlock,
  onClose,
}: {
  readonly piece: Piece;
  /** Answers words of trouble, or null where it is open. */
  readonly onUnlock: (password: string) => Promise<string | null>;
  readonly onClose: () => void;
}) {
  const [password, setPassword] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isUnderWay, setUnderWay] = useState(false);
  return (
    <DialogFrame
      title="Unlock"
      detail={`${piece.file.name} asks for a password. It lies in the tray without one afterwards; the password is not kept.`}
      onClose={onClose}
    >
      <form
        className="mt-3 grid gap-3 text-[14.5px]"
        onSubmit={(event) => {
          event.preventDefault();
          if (isUnderWay) return;
          setUnderWay(true);
          void onUnlock(password).then((words) => {
            setTrouble(words);
            setUnderWay(false);
            if (words === null) onClose();
          });
        }}
      >
        <label>
          <span className="block text-[13px] text-soft">Its password</span>
          <input
            className="field"
            type="password"
            autoComplete="off"
            value={password}
            onChange={(event) => {
              setPassword(event.target.value);
            }}
          />
        </label>
        {trouble && (
          <p role="alert" className="text-wax">
            {trouble}
          </p>
        )}
        <p className="flex justify-end gap-3">
          <LeaveAsItIs />
          <button type="submit" className="act act-first" disabled={password === "" || isUnderWay}>
            {isUnderWay ? "Unlocking…" : "Unlock"}
          </button>
        </p>
      </form>
    </DialogFrame>
  );
}
