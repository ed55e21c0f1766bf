import { useEffect, useState } from "react";
import { newPassphrase } from "../../../locks/passphrase";
import { STRENGTH_WORDS, type Strength } from "../../../locks/strength-words";
import { MaskedInput } from "../../../ui/fields/masked-input";
import { Tick } from "../../../ui/fields/tick";

interface NewPassphraseProps {
  /** What somebody who knows the course would try first. */
  readonly known: readonly string[];
  readonly label?: string;
  readonly passphrase: string;
  readonly again: string;
  readonly onPassphrase: (passphrase: string, again: string) => void;
}

const loadJudge = () => import("../../../locks/strength");

/** A passphrase that is chosen now: typed twice, or made up, and judged in plain words. */
export function NewPassphrase({ known, label = "Passphrase", passphrase, again, onPassphrase }: NewPassphraseProps) {
  const [isShown, setShown] = useState(false);
  const strength = useStrength(passphrase, known);
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-end gap-4">
        <PassphraseField
          label={label}
          shown={isShown}
          value={passphrase}
          onChange={(typed) => {
            onPassphrase(typed, again);
          }}
        />
        <PassphraseField
          label="Once more"
          shown={isShown}
          value={again}
          onChange={(typed) => {
            onPassphrase(passphrase, typed);
          }}
        />
      </div>
      <p role="status" className="min-h-5 text-[14px] text-soft">
        {again !== "" && again !== passphrase && <span className="text-wax">The two are not the same. </span>}
        {strength && STRENGTH_WORDS[strength]}
      </p>
      <p className="flex flex-wrap items-center gap-5 text-[14px]">
        <Tick checked={isShown} onChange={setShown}>
          Show what is typed
        </Tick>
        <button
          type="button"
          className="link"
          onClick={() => {
            const made = newPassphrase();
            setShown(true);
            onPassphrase(made, made);
          }}
        >
          Make one up
        </button>
      </p>
    </div>
  );
}

/** How strong it is; null while nothing is typed or the lists are on their way. */
function useStrength(passphrase: string, known: readonly string[]): Strength | null {
  const [judge, setJudge] = useState<Awaited<ReturnType<typeof loadJudge>> | null>(null);
  const isTyped = passphrase !== "";
  useEffect(() => {
    if (isTyped) void loadJudge().then(setJudge);
  }, [isTyped]);
  return judge && isTyped ? judge.judged(passphrase, known) : null;
}

/** One field for a passphrase. */
export function PassphraseField({
  label,
  shown = false,
  value,
  onChange,
}: {
  readonly label: string;
  readonly shown?: boolean;
  readonly value: string;
  readonly onChange: (typed: string) => void;
}) {
  return (
    <label>
      <span className="block text-[13px] text-soft">{label}</span>
      <MaskedInput
        shown={shown}
        className="w-64"
        value={value}
        onChange={(event) => {
          onChange(event.target.value);
        }}
      />
    </label>
  );
}
