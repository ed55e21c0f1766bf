import { coversOf } from "#core/collect";
import type { FileId, StudentId } from "#core/kernel";
import { sectionsOf, studentsOf, workKindOf, type Assignment, type CourseState } from "#core/model";
import { counted } from "#core/words";
import type { CoverWish } from "../../../../workers/protocol";
import { DialogFrame, LeaveAsItIs } from "../../../ui/dialogs/dialog-frame";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { Choice, type Option, type OptionGroup } from "../../../ui/fields/choice";
import { useJob } from "../../../ui/hooks/use-job";
import { saveAs } from "../../../ui/save-as";
import { z } from "zod/mini";
import { HeldField, TextField } from "../../../ui/forms/fields";
import { sending, useSchemaForm, useTypedIn } from "../../../ui/forms/use-schema-form";

interface CoversProps {
  readonly state: CourseState;
  readonly assignment: Assignment;
  /** Who is still out. */
  readonly out: readonly StudentId[];
  readonly readFile: (file: { readonly id: FileId }) => Promise<Blob | null>;
  readonly onClose: () => void;
}

/** What is printed, by the name it has in the choice; a task's file by its id. */
const PRINTED: Readonly<Record<string, Exclude<CoverWish, { kind: "tasks" }>>> = {
  a4: { kind: "sheets", paper: "a4" },
  letter: { kind: "sheets", paper: "letter" },
  "a4-24": { kind: "labels", sheet: "a4-24" },
  "a4-14": { kind: "labels", sheet: "a4-14" },
  "letter-30": { kind: "labels", sheet: "letter-30" },
};

const SHEETS: readonly (Option | OptionGroup)[] = [
  {
    heading: "A cover sheet a paper",
    options: [
      ["a4", "Cover sheets, A4"],
      ["letter", "Cover sheets, letter"],
    ],
  },
  {
    heading: "Labels to stick on",
    options: [
      ["a4-24", "24 labels of 70 × 37 mm, A4"],
      ["a4-14", "14 labels of 99 × 38 mm, A4"],
      ["letter-30", "30 labels of 67 × 25 mm, letter"],
    ],
  },
];

const MOST_BLANK = 999;

const coversForm = z.object({
  what: z.string(),
  whom: z.string(),
  blank: z.string().check(z.trim(), z.regex(/^\d{0,3}$/, `Type a number from 0 to ${String(MOST_BLANK)}.`)),
});

/** Makes what is printed for a pile: a code for each student's paper, so that the scan finds them by itself. */
export function Covers({ state, assignment, out, readFile, onClose }: CoversProps) {
  const form = useSchemaForm(coversForm, { what: "a4", whom: "all", blank: "2" });
  const { what, whom, blank } = useTypedIn(form);
  const job = useJob();
  const studentIds = studentsMeant(state, whom, out);
  const guests = /^\d{1,3}$/.test(blank.trim()) ? Number(blank.trim()) : 0;
  const all = studentIds.length + guests;
  const task = assignment.files.find(({ id }) => id === what);
  const thing = task ? "copy" : PRINTED[what]?.kind === "labels" ? "label" : "cover sheet";
  const make = () =>
    job.run(async (signal) => {
      const printed = PRINTED[what];
      const bytes = task && (await (await readFile(task))?.arrayBuffer());
      const wish: CoverWish | undefined = printed ?? (bytes && { kind: "tasks", task: bytes });
      if (!wish) throw new Error("The task's file is not there. Attach it again on the assignment's page.");
      const kind = wish.kind === "sheets" ? "cover" : "page";
      const { coversPdf } = await import("../../../exports/covers");
      const name = `${assignment.shortName} ${thing === "copy" ? "with codes" : `${thing}s`}.pdf`;
      saveAs(await coversPdf(coversOf(state, assignment, { kind, studentIds, guests }), wish, signal), name);
      return `${name} was saved with ${counted(all, thing)}. Print it at its true size.`;
    });
  const tasks = assignment.files.filter((file) => workKindOf(file) === "pdf");
  return (
    <DialogFrame
      title="Codes for a pile"
      detail={`${assignment.name}: a code on each paper, by which the scan of the pile finds its student. No name is in the code.`}
      onClose={onClose}
    >
      <form
        className="mt-3 grid gap-3 text-[14.5px]"
        noValidate
        onSubmit={sending(form, async () => {
          await make();
          return null;
        })}
      >
        <HeldField form={form} name="what">
          {({ value, onChange }) => <PrintedField what={value} tasks={tasks} onWhat={onChange} />}
        </HeldField>
        <HeldField form={form} name="whom">
          {({ value, onChange }) => (
            <>
              <span aria-hidden="true" className="block text-[13px] text-soft">
                For
              </span>
              <Choice label="For whom" value={value} options={whomOptions(state, out)} onChoose={onChange} />
            </>
          )}
        </HeldField>
        <TextField
          form={form}
          name="blank"
          label="Blank ones, for guests and spoilt sheets"
          look="figures !w-24"
          inputMode="numeric"
          maxLength={3}
        />
        <p className="flex justify-end gap-3">
          <LeaveAsItIs />
          <button type="submit" className="act act-first figures" disabled={all === 0 || job.progress !== null}>
            Make {counted(all, thing)}
          </button>
        </p>
        <JobStatus job={job} />
      </form>
    </DialogFrame>
  );
}

function whomOptions(state: CourseState, out: readonly StudentId[]): readonly Option[] {
  return [
    ["all", `Everybody: ${counted(studentsOf(state).length, "student")}`],
    ...sectionsOf(state).map(({ id, name }): Option => [id, `Section ${name}`]),
    ...(out.length > 0 ? [["out", `Who is still out: ${counted(out.length, "student")}`] as const] : []),
  ];
}

function studentsMeant(state: CourseState, whom: string, out: readonly StudentId[]): readonly StudentId[] {
  if (whom === "out") return out;
  return studentsOf(state)
    .filter(({ sectionId }) => whom === "all" || sectionId === whom)
    .map(({ id }) => id);
}

interface PrintedFieldProps {
  readonly what: string;
  readonly tasks: Assignment["files"];
  readonly onWhat: (what: string) => void;
}

/** What is printed: sheets, labels, or the task itself. */
function PrintedField({ what, tasks, onWhat }: PrintedFieldProps) {
  return (
    <div>
      <span aria-hidden="true" className="block text-[13px] text-soft">
        Printed
      </span>
      <Choice
        label="What is printed"
        value={what}
        options={[
          ...SHEETS,
          ...(tasks.length > 0
            ? [
                {
                  heading: "The task, a copy a student",
                  options: tasks.map(({ id, name }): Option => [id, `${name}, with a code on page 1`]),
                },
              ]
            : []),
        ]}
        onChoose={onWhat}
      />
    </div>
  );
}
