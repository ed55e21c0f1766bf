import { useCallback, useState, type ReactNode } from "react";
import { DialogFrame, LeaveAsItIs } from "./dialog-frame";

/** A question for the passphrase of one file, and where its answer goes. */
interface Asked {
  readonly name: string;
  /** The passphrase before was another one. */
  readonly isAgain: boolean;
  readonly answer: (passphrase: string | null) => void;
}

/** Asks for passphrases of locked files: `ask` answers what was typed, or null where it was left. */
export function usePassphrase(): {
  readonly ask: (name: string, isAgain: boolean) => Promise<string | null>;
  readonly dialog: ReactNode;
} {
  const [asked, setAsked] = useState<Asked | null>(null);
  const ask = useCallback(
    (name: string, isAgain: boolean) =>
      new Promise<string | null>((resolve) => {
        setAsked({
          name,
          isAgain,
          answer: (passphrase) => {
            setAsked(null);
            resolve(passphrase);
          },
        });
      }),
    [],
  );
  return { ask, dialog: asked && <PassphraseDialog key={String(asked.isAgain)} asked={asked} /> };
}

function PassphraseDialog({ asked: { name, isAgain, answer } }: { readonly asked: Asked }) {
  const [passphrase, setPassphrase] = useState("");
  return (
    <DialogFrame
      title="Unlock"
      detail={`${name} is locked with a passphrase. It is not kept.`}
      onClose={() => {
        answer(null);
      }}
    >
      <form
        className="mt-3 grid gap-3 text-[14.5px]"
        onSubmit={(event) => {
          event.preventDefault();
          if (passphrase !== "") answer(passphrase);
        }}
      >
        <label>
          <span className="block text-[13px] text-soft">Its passphrase</span>
          <input
            className="field"
            type="password"
            autoComplete="off"
            value={passphrase}
            onChange={(event) => {
              setPassphrase(event.target.value);
            }}
          />
        </label>
        {isAgain && (
          <p role="alert" className="text-wax">
            This is not its passphrase, or the file is damaged.
          </p>
        )}
        <p className="flex justify-end gap-3">
          <LeaveAsItIs />
          <button type="submit" className="act act-first" disabled={passphrase === ""}>
            Unlock
          </button>
        </p>
      </form>
    </DialogFrame>
  );
}
