import { useMemo } from "react";
import type { StudentId } from "#core/kernel";
import { moderationOf, rosterName, sectionsOf, studentsOf, type CourseState, type Packet } from "#core/model";
import { figuresOf } from "#core/totals";
import { counted } from "#core/words";
import type { CourseSession, Repository } from "#storage";
import { useChange } from "../../../course/use-change";
import { readyPacket } from "../../../exports/packets";
import { Choice } from "../../../ui/fields/choice";
import { LockField } from "../../../ui/fields/lock-field";
import { Tick } from "../../../ui/fields/tick";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import type { Job } from "../../../ui/hooks/use-job";
import { saveAs } from "../../../ui/save-as";
import { ChosenPapers, NamedPapers } from "../named-papers";
import type { Looked } from "../rows";
import { z } from "zod/mini";
import { HeldField, TextField } from "../../../ui/forms/fields";
import { nameText } from "../../../ui/forms/schemas";
import { sending, useSchemaForm, useTypedIn, type SchemaForm } from "../../../ui/forms/use-schema-form";

const PURPOSES: readonly (readonly [Packet["purpose"], string])[] = [
  ["scores", "to score a part of the class"],
  ["second", "to judge a second time"],
];

const handOverForm = z.object({
  purpose: z.enum(["scores", "second"]),
  which: z.string(),
  named: z.custom<readonly StudentId[]>(),
  markerName: nameText(),
  blind: z.boolean(),
  passphrase: z.string(),
});

interface HandOverProps {
  readonly looked: Looked;
  readonly repository: Repository;
  readonly session: CourseSession;
  readonly job: Job;
  /** Whether this is the first thing to do here. */
  readonly isFirst: boolean;
}

/** Hands papers to another marker: which, to whom, what for, blind or not, locked or not. */
export function HandOverForm({ looked, repository, session, job, isFirst }: HandOverProps) {
  const { state, assignment } = looked;
  const moderation = moderationOf(state, assignment.id);
  const choices = useMemo(() => choicesOf(looked), [looked]);
  const form = useSchemaForm(handOverForm, {
    purpose: moderation ? "second" : "scores",
    which: choices[0]?.[0] ?? "named",
    named: [],
    markerName: moderation ? (state.markers[moderation.markerId]?.name ?? "") : "",
    blind: moderation?.blind ?? false,
    passphrase: "",
  });
  const { purpose, which, named, blind } = useTypedIn(form);
  const send = useTroubleOf(useChange());
  const students = useMemo(() => studentsOf(state), [state]);
  const nameOf = (id: StudentId) => {
    const student = state.students[id];
    return student ? rosterName(state, student) : "";
  };
  const chosen = which === "named" ? named : (choices.find(([value]) => value === which)?.[2] ?? []);
  const handOver = async ({ markerName, passphrase }: z.output<typeof handOverForm>) => {
    await job.run(async (signal, tell) => {
      const wish = { assignment, studentIds: chosen, purpose, blind, markerName, passphrase };
      const ready = await readyPacket(repository, session, wish, { signal, tell });
      const trouble = await send({ type: "handOverPacket", packet: ready.made.packet, markerName: wish.markerName });
      if (trouble) throw new Error(trouble);
      saveAs(ready.blob, ready.name);
      form.setValue("passphrase", "");
      return ready.words;
    });
    return null;
  };
  if (students.length === 0) {
    return <p className="mt-6 text-soft">Nobody is on the roster yet, so there is nothing to hand over.</p>;
  }
  return (
    <form
      aria-label="Hand over a packet"
      className="mt-6 grid max-w-[720px] gap-4 text-[14.5px]"
      noValidate
      onSubmit={sending(form, handOver)}
    >
      <h2 className="font-serif text-[17px] font-semibold">Hand over a packet</h2>
      <WhatFields form={form} choices={choices} />
      {which === "named" && (
        <HeldField form={form} name="named">
          {({ value, onChange }) => (
            <NamedPapers students={students.map(({ id }) => id)} chosen={value} nameOf={nameOf} onChoose={onChange} />
          )}
        </HeldField>
      )}
      <ChosenPapers chosen={chosen} nameOf={nameOf} />
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <HeldField form={form} name="passphrase">
          {({ value, onChange }) => <LockField passphrase={value} onPassphrase={onChange} />}
        </HeldField>
        <HeldField form={form} name="blind">
          {({ value, onChange }) => (
            <Tick checked={value} onChange={onChange}>
              blind: papers under numbers, without names
            </Tick>
          )}
        </HeldField>
      </div>
      <WhatGoes purpose={purpose} blind={blind} hasSample={moderation !== undefined} />
      <p>
        <button
          type="submit"
          className={`act ${isFirst ? "act-first" : ""}`}
          disabled={chosen.length === 0 || job.progress !== null || (purpose === "second" && !moderation)}
        >
          {`Make the packet, ${counted(chosen.length, "paper")}`}
        </button>
      </p>
    </form>
  );
}

interface WhatFieldsProps {
  readonly form: SchemaForm<z.input<typeof handOverForm>, z.output<typeof handOverForm>>;
  readonly choices: ReturnType<typeof choicesOf>;
}

/** Whom the packet is for, what for, and of which papers. */
function WhatFields({ form, choices }: WhatFieldsProps) {
  return (
    <div className="flex flex-wrap items-start gap-4">
      <TextField form={form} name="markerName" label="For whom" look="w-56" />
      <HeldField form={form} name="purpose">
        {({ value, onChange }) => (
          <label className="block text-[13px] text-soft">
            What for
            <Choice
              className="!flex !w-60 text-[15px] text-ink"
              label="What the packet is for"
              value={value}
              options={PURPOSES}
              onChoose={onChange}
            />
          </label>
        )}
      </HeldField>
      <HeldField form={form} name="which">
        {({ value, onChange }) => (
          <label className="block text-[13px] text-soft">
            Papers
            <Choice
              className="!flex !w-60 text-[15px] text-ink"
              label="Which papers"
              value={value}
              options={[...choices.map(([one, words]) => [one, words] as const), ["named", "by name"] as const]}
              onChoose={onChange}
            />
          </label>
        )}
      </HeldField>
    </div>
  );
}

/** What goes with the packet, and what second marking needs. */
function WhatGoes({
  purpose,
  blind,
  hasSample,
}: {
  readonly purpose: Packet["purpose"];
  readonly blind: boolean;
  readonly hasSample: boolean;
}) {
  return (
    <>
      <p className="max-w-prose text-[13.5px] text-soft">{whatGoes(purpose, blind)}</p>
      {purpose === "second" && (
        <p role="status" className="max-w-prose text-[13.5px] text-soft">
          {hasSample
            ? "The same sample may go to several markers, as anchor papers that each judges first: Second marking shows how each agrees with the first judgements."
            : "Choose a sample under Second marking first: there both judgements are compared and settled."}
        </p>
      )}
    </>
  );
}

const whatGoes = (purpose: Packet["purpose"], blind: boolean): string =>
  [
    purpose === "second" || blind
      ? "The work, the task and the rubric go; nothing that was judged so far."
      : "The work, the task, the rubric and what was judged so far go.",
    "Private notes never do.",
    blind &&
      "Names, numbers, file names and authors are left out, and covered where a work names its writer; of scans and pictures, which nobody can look through, you are told.",
    purpose === "second" ? "Judgements come back beside the first." : "Scores come back as the scores.",
  ]
    .filter(Boolean)
    .join(" ");

/** Papers that are likely meant: the sample, what waits for a score, each section, all. */
function choicesOf({ state, assignment }: Looked): readonly (readonly [string, string, readonly StudentId[]])[] {
  const students = studentsOf(state);
  const { figure } = figuresOf(state);
  const sample = moderationOf(state, assignment.id)?.studentIds ?? [];
  const waiting = students.filter(({ id }) => figure(assignment.id, id).waiting);
  const ids = (list: readonly { readonly id: StudentId }[]) => list.map(({ id }) => id);
  const all: (readonly [string, string, readonly StudentId[]])[] = [
    ["sample", "the sample", sample.filter((id) => isHere(state, id))],
    ["waiting", "all that wait for a score", ids(waiting)],
    ...sectionsOf(state).map((section) => {
      const members = students.filter(({ sectionId }) => sectionId === section.id);
      return [section.id, `section ${section.name}`, ids(members)] as const;
    }),
    ["all", "all", ids(students)],
  ];
  return all.filter(([, , list]) => list.length > 0);
}

const isHere = (state: CourseState, id: StudentId): boolean => state.students[id]?.left === false;
