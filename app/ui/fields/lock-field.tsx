interface LockFieldProps {
  readonly passphrase: string;
  readonly onPassphrase: (passphrase: string) => void;
}

/** A passphrase for a file that leaves, if wished; in sight, because it has to be told to somebody. */
export function LockField({ passphrase, onPassphrase }: LockFieldProps) {
  return (
    <label className="block text-[13px] text-soft">
      Locked with a passphrase, if wished
      <input
        className="field block w-56 text-[15px] text-ink"
        type="text"
        autoComplete="off"
        spellCheck={false}
        value={passphrase}
        onChange={(event) => {
          onPassphrase(event.target.value);
        }}
      />
    </label>
  );
}
