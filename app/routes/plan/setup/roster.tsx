import { useMemo, useState } from "react";
import type { Command } from "#core/changes";
import type { StudentId } from "#core/kernel";
import { counted } from "#core/words";
import { Ask } from "../../../ui/dialogs/ask";
import { ChoiceField } from "../../../ui/fields/choice-field";
import { InlineField } from "../../../ui/fields/inline-field";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import type { RosterRow, SetupRows } from "./rows";

type Send = (command: Command) => Promise<string | null>;

/** The roster; one line at a time can be opened and changed. */
export function Roster({
  rows,
  send,
  onGone,
}: {
  readonly rows: SetupRows;
  readonly send: Send;
  /** Sends that students are off the roster, or left, and says so. */
  readonly onGone: (command: Command) => void;
}) {
  const [open, setOpen] = useState<StudentId | null>(null);
  const [leaving, setLeaving] = useState<RosterRow | null>(null);
  const { students, sections } = rows;
  const columns = useMemo(() => columnsOf(sections, setOpen), [sections]);
  if (students.length === 0) return <p className="mt-6 text-soft">Nobody is on the roster yet.</p>;
  return (
    <section aria-label="Roster" className="mt-8">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">{counted(students.length, "student")}</h2>
      <RecordTable
        className="mt-2"
        label="Students on the roster"
        records={students}
        columns={columns}
        keyOf={({ id }) => id}
        instead={(student) =>
          open === student.id ? (
            <Edit
              student={student}
              sections={sections}
              send={send}
              onLeft={() => {
                onGone({ type: "setLeft", studentIds: [student.id], left: true });
              }}
              onLeave={() => {
                setLeaving(student);
              }}
              onClose={() => {
                setOpen(null);
              }}
            />
          ) : null
        }
      />
      <Ask
        open={leaving !== null}
        title={`Take ${leaving?.name ?? ""} off the roster?`}
        action="Take off the roster"
        onClose={() => {
          setLeaving(null);
        }}
        onAct={() => {
          if (leaving) onGone({ type: "removeStudents", studentIds: [leaving.id] });
        }}
      >
        Everything that is known of this student goes too: hand-ins, scores, comments. Undo brings all of it back. Who
        only leaves the course can be kept instead: Left the course.
      </Ask>
    </section>
  );
}

function columnsOf(
  sections: SetupRows["sections"],
  onOpen: (id: StudentId) => void,
): readonly RecordColumn<RosterRow>[] {
  const sectionOf = ({ sectionId }: RosterRow) => sections.find(({ id }) => id === sectionId)?.name ?? "";
  return [
    { id: "name", head: "Name", by: ({ name }) => name, cell: ({ name }) => name },
    { id: "number", head: "Number", by: ({ number }) => number, cell: ({ number }) => number, className: "text-soft" },
    { id: "section", head: "Section", by: sectionOf, cell: sectionOf, className: "text-soft" },
    {
      id: "change",
      head: "Change",
      quiet: true,
      cell: ({ id, name }) => (
        <button
          type="button"
          className="link text-[13px]"
          onClick={() => {
            onOpen(id);
          }}
        >
          Change<span className="sr-only"> {name}</span>
        </button>
      ),
      className: "text-right",
    },
  ];
}

function Edit({
  student,
  sections,
  send,
  onLeft,
  onLeave,
  onClose,
}: {
  readonly student: RosterRow;
  readonly sections: SetupRows["sections"];
  readonly send: Send;
  readonly onLeft: () => void;
  readonly onLeave: () => void;
  readonly onClose: () => void;
}) {
  const keep = (fields: Extract<Command, { type: "editStudent" }>["fields"]) =>
    send({ type: "editStudent", studentId: student.id, fields });
  return (
    <>
      <td className="space-y-1 py-1 pe-2">
        <InlineField
          label="Given name"
          value={student.givenName}
          autoFocus
          onKeep={(givenName) => keep({ givenName })}
        />
        <InlineField label="Family name" value={student.familyName} onKeep={(familyName) => keep({ familyName })} />
        <InlineField label="E-mail" value={student.email} onKeep={(email) => keep({ email })} />
      </td>
      <td className="py-1 pe-2">
        <InlineField label="Number" value={student.number} onKeep={(number) => keep({ number })} />
      </td>
      <td className="py-1 pe-2">
        <ChoiceField
          label="Section"
          value={student.sectionId ?? ""}
          options={[["", "None"], ...sections.map(({ id, name }) => [id, name] as const)]}
          onKeep={(id) => keep({ sectionId: id === "" ? null : id })}
        />
      </td>
      <td className="space-y-2 py-1 text-right text-[13px]">
        <button type="button" className="link block w-full text-right" onClick={onClose}>
          Done
        </button>
        <button type="button" className="link block w-full text-right" onClick={onLeft}>
          Left the course
        </button>
        <button type="button" className="link block w-full text-right" onClick={onLeave}>
          Take off
        </button>
      </td>
    </>
  );
}
