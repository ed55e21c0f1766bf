import { useState } from "react";
import { useFetcher } from "react-router";
import { NewPassphrase, PassphraseField } from "./new-passphrase";

export function ChangePassphrase({ known }: { readonly known: readonly string[] }) {
  const fetcher = useFetcher<Outcome>();
  const [present, setPresent] = useState("");
  const [typed, setTyped] = useState({ passphrase: "", again: "" });
  const isReady = present !== "" && typed.passphrase !== "" && typed.passphrase === typed.again;
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isReady) return;
        const { passphrase } = typed;
        void fetcher.submit({ present, passphrase }, { method: "post" }).then(() => {
          setPresent("");
          setTyped({ passphrase: "", again: "" });
        });
      }}
    >
      <PassphraseField label="The present passphrase" value={present} onChange={setPresent} />
      <NewPassphrase
        label="The new passphrase"
        known={known}
        {...typed}
        onPassphrase={(passphrase, again) => {
          setTyped({ passphrase, again });
        }}
      />
      <p className="flex items-center gap-4">
        <button type="submit" className="act" disabled={!isReady || fetcher.state !== "idle"}>
          Change the passphrase
        </button>
        <OutcomeLine outcome={fetcher.data} />
      </p>
    </form>
  );
}

/** What came of a form that was sent. */
export interface Outcome {
  readonly trouble: string | null;
  readonly done: string;
}

export function OutcomeLine({ outcome }: { readonly outcome: Outcome | undefined }) {
  return (
    <span role="status" className={`text-[14px] ${outcome?.trouble ? "text-wax" : "text-soft"}`}>
      {outcome && (outcome.trouble ?? outcome.done)}
    </span>
  );
}
