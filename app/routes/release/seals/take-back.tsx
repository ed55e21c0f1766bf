import { useState } from "react";
import type { Command, Context } from "#core/changes";
import type { CourseState } from "#core/model";
import { counted } from "#core/words";
import { AskChange } from "./ask-change";
import { scopeOf, togetherWith, type ReleasePlace } from "../place";
import { namesWords } from "../preview-list";
import type { ChosenRow } from "../rows";

/** Seals again what is out or timed, after saying who had already seen it. */
export function TakeBack({
  row,
  state,
  context,
  place,
  nameOf,
  send,
}: {
  readonly row: ChosenRow;
  readonly state: CourseState;
  readonly context: Context;
  readonly place: ReleasePlace;
  readonly nameOf: (id: string) => string;
  readonly send: (command: Command, words: string) => Promise<string | null>;
}) {
  const [asking, setAsking] = useState(false);
  const open = row.facets.filter(
    ({ facet, release }) => row.wanted.includes(facet) && (release.state !== "sealed" || release.waves.length > 0),
  );
  if (open.length === 0) return null;
  const { opened, older } = row.readers;
  const seen = [...opened, ...older].filter((id) => place.studentId === null || id === place.studentId);
  const command: Command = {
    type: "seal",
    assignmentId: row.assignment.id,
    facets: open.map(({ facet }) => facet),
    ...(place.wholeCategory && { together: togetherWith(state, row.assignment) }),
    ...scopeOf(place),
  };
  return (
    <>
      <button
        type="button"
        className="act act-quiet !text-wax"
        onClick={() => {
          setAsking(true);
        }}
      >
        Take back and seal
      </button>
      {asking && (
        <AskChange
          title={`Take back ${row.assignment.name}`}
          detail={
            seen.length === 0
              ? "Nobody has opened it in the student window."
              : `${counted(seen.length, "student has", "students have")} already seen it, and taking it back does not undo that: ${namesWords(seen, nameOf)}.`
          }
          action="Take back and seal"
          state={state}
          context={context}
          command={command}
          nameOf={nameOf}
          onSend={(one) => send(one, "Sealed. Students see it no longer; what they had seen stays in the journal.")}
          onClose={() => {
            setAsking(false);
          }}
        />
      )}
    </>
  );
}
