import { useState } from "react";
import type { FileId } from "#core/kernel";
import { moderationOf } from "#core/model";
import { useChange } from "../../../course/use-change";
import { Ask } from "../../../ui/dialogs/ask";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import type { Looked } from "../rows";
import { AgreementView } from "./agreement-view";
import { SampleForm } from "./sample-form";

/** Second marking of one assignment: choose a sample, mark it, see how both agree, settle. */
export function SecondView({
  slot,
  looked,
  read,
}: {
  readonly slot: string;
  readonly looked: Looked;
  readonly read: (id: FileId) => Promise<Blob | null>;
}) {
  const { state, assignment } = looked;
  const moderation = moderationOf(state, assignment.id);
  const [isChoosing, setIsChoosing] = useState(false);
  const [isEnding, setIsEnding] = useState(false);
  const send = useTroubleOf(useChange());
  return (
    <section aria-label="Second marking">
      {!moderation && (
        <p className="max-w-prose text-[14px] text-soft">
          A second marker judges a sample of the papers. Second scores stay beside the first, what lies too far apart is
          settled, and until then nothing of the assignment is released.
        </p>
      )}
      {!moderation || isChoosing ? (
        <SampleForm
          looked={looked}
          onDone={() => {
            setIsChoosing(false);
          }}
        />
      ) : (
        <>
          <AgreementView slot={slot} looked={looked} moderation={moderation} read={read} />
          <p className="mt-8 flex gap-5 text-[14px]">
            <button
              type="button"
              className="link"
              onClick={() => {
                setIsChoosing(true);
              }}
            >
              Choose other papers
            </button>
            <button
              type="button"
              className="link"
              onClick={() => {
                setIsEnding(true);
              }}
            >
              End second marking
            </button>
          </p>
          <Ask
            open={isEnding}
            title="End second marking"
            action="End it"
            onClose={() => {
              setIsEnding(false);
            }}
            onAct={() => {
              setIsEnding(false);
              void send({ type: "endModeration", assignmentId: assignment.id });
            }}
          >
            Second judgements go, and what was settled falls back to the first scores. Undo brings them back.
          </Ask>
        </>
      )}
    </section>
  );
}
