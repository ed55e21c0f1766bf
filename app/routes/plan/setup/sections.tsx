import type { Command } from "#core/changes";
import { counted } from "#core/words";
import { InlineField } from "../../../ui/fields/inline-field";
import type { SetupRows } from "./rows";

/** The sections of the roster. */
export function Sections({
  sections,
  send,
}: {
  readonly sections: SetupRows["sections"];
  readonly send: (command: Command) => Promise<string | null>;
}) {
  return (
    <section aria-label="Sections">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Sections</h2>
      {sections.map(({ id, name, students }) => (
        <div key={id} className="mt-2 flex items-center gap-3">
          <InlineField
            label={`Name of section ${name}`}
            labelHidden
            className="flex-1"
            value={name}
            onKeep={(text) => send({ type: "editSection", sectionId: id, name: text })}
          />
          <span className="figures w-24 text-[13px] text-soft">{counted(students, "student")}</span>
          <button
            type="button"
            className="link text-[13px]"
            onClick={() => void send({ type: "removeSection", sectionId: id })}
          >
            Remove<span className="sr-only"> section {name}</span>
          </button>
        </div>
      ))}
      <InlineField
        label="Add a section"
        className="mt-2"
        placeholder="Heron"
        value=""
        onKeep={(name) => (name === "" ? Promise.resolve(null) : send({ type: "addSection", name }))}
      />
    </section>
  );
}
