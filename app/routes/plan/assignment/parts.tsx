import { Link } from "react-router";
import type { ChangeResult, Command } from "#core/changes";
import { fromLocalText, parseDecimal } from "#core/kernel";
import type { Assignment } from "#core/model";
import { inAddress } from "../../../ui/address";
import { ChoiceField, TickField } from "../../../ui/fields/choice-field";
import { DraftField } from "../../../ui/fields/draft-field";
import { InlineField } from "../../../ui/fields/inline-field";
import { issueWords } from "../../../ui/words/words";
import { AttachedFiles } from "./attached-files";
import type { AssignmentRows } from "./rows";
import { KeptDateField } from "../../../ui/time/kept-date-field";
import { inMark } from "../../../ui/words/figures";

/** Changes fields of the assignment; answers words of trouble, or null. */
export type EditAssignment = (fields: Extract<Command, { type: "editAssignment" }>["fields"]) => Promise<string | null>;

interface PartProps {
  readonly assignment: Assignment;
  readonly rows: AssignmentRows;
  readonly edit: EditAssignment;
  readonly send: (command: Command) => Promise<ChangeResult>;
}

const head = "border-t-2 border-ink pt-2 font-semibold";

export function WhatItIs({ assignment, rows, edit }: PartProps) {
  const { scoredIn } = assignment;
  return (
    <section aria-label="What it is" className="space-y-3">
      <h2 className={head}>What it is</h2>
      <InlineField label="Name" value={assignment.name} maxLength={200} onKeep={(name) => edit({ name })} />
      <div className="flex gap-3">
        <InlineField
          label="Short name, for the gradebook"
          className="flex-1"
          value={assignment.shortName}
          maxLength={40}
          onKeep={(shortName) => edit({ shortName })}
        />
        <InlineField
          place={`assignment-points/${assignment.id}`}
          label="Points"
          className="w-28"
          inputMode="decimal"
          value={inMark(assignment.points)}
          onKeep={async (text) => {
            const points = parseDecimal(text);
            return points.ok ? edit({ points: points.value }) : issueWords(points.issue);
          }}
        />
      </div>
      <div className="flex gap-3">
        <ChoiceField
          label="Category"
          className="flex-1"
          value={assignment.categoryId}
          options={rows.categories.map(({ id, name }) => [id, name] as const)}
          onKeep={(id) => edit({ categoryId: id })}
        />
        <ChoiceField
          label="What the score is"
          className="flex-1"
          value={scoredIn.kind === "scale" ? scoredIn.scaleId : scoredIn.kind}
          options={[
            ["points", "Points"],
            ["percent", "Percent"],
            ...rows.scales.map(({ id, name }) => [id, name] as const),
          ]}
          onKeep={(kind) =>
            edit({
              scoredIn:
                kind === "points"
                  ? { kind: "points" }
                  : kind === "percent"
                    ? { kind: "percent" }
                    : { kind: "scale", scaleId: kind },
            })
          }
        />
      </div>
    </section>
  );
}

export function When({ assignment, rows, edit }: PartProps) {
  const keep = (field: "givenAt" | "dueAt") => (text: string) => {
    if (text === "") return edit({ [field]: null });
    const at = fromLocalText(text, rows.timeZone);
    return at ? edit({ [field]: at }) : Promise.resolve("A date and a time of day.");
  };
  return (
    <section aria-label="When" className="space-y-3">
      <h2 className={head}>When</h2>
      <KeptDateField label={`Given (${rows.timeZone})`} edge="start" value={rows.given} onKeep={keep("givenAt")} />
      <KeptDateField label={`Due (${rows.timeZone})`} edge="end" value={rows.due} onKeep={keep("dueAt")} />
      {rows.term && <p className={`text-[14px] ${rows.term.fault ? "text-ochre" : "text-soft"}`}>{rows.term.words}</p>}
      <TickField
        label="Kept from students"
        detail="They do not see that it exists; nothing of it is visible, whatever its seals say."
        checked={assignment.hidden}
        onKeep={(hidden) => edit({ hidden })}
      />
    </section>
  );
}

const CHANNELS: readonly (readonly [Assignment["channel"], string])[] = [
  ["file", "As a file"],
  ["text", "As text"],
  ["link", "As a link"],
  ["paper", "On paper"],
  ["discussion", "In discussion"],
  ["answers", "As answers to questions"],
  ["nothing", "Nothing is handed in"],
];

export function HandedIn({ assignment, edit }: PartProps) {
  return (
    <section aria-label="How it is handed in" className="space-y-3">
      <h2 className={head}>How it is handed in</h2>
      <div className="flex gap-3">
        <ChoiceField
          label="Handed in"
          className="flex-1"
          value={assignment.channel}
          options={CHANNELS}
          onKeep={(channel) => edit({ channel })}
        />
        <ChoiceField
          label="Alone or in groups"
          className="flex-1"
          value={assignment.grouping}
          options={[
            ["alone", "Alone"],
            ["groups", "In groups"],
          ]}
          onKeep={(grouping) => edit({ grouping })}
        />
      </div>
      <div className="flex gap-3">
        <InlineField
          label="Attempts (empty: any number)"
          className="flex-1"
          inputMode="numeric"
          value={assignment.attemptsAllowed === null ? "" : String(assignment.attemptsAllowed)}
          onKeep={(text) =>
            text === ""
              ? edit({ attemptsAllowed: null })
              : /^[1-9]\d?$/.test(text) && Number(text) <= 50
                ? edit({ attemptsAllowed: Number(text) })
                : Promise.resolve("A whole number from 1 to 50.")
          }
        />
        <ChoiceField
          label="Which attempt counts"
          className="flex-1"
          value={assignment.countedAttempt}
          options={[
            ["last", "The last"],
            ["first", "The first"],
            ["best", "The best"],
            ["mean", "The mean of all"],
          ]}
          onKeep={(countedAttempt) => edit({ countedAttempt })}
        />
      </div>
    </section>
  );
}

export function HowItCounts({ assignment, edit }: PartProps) {
  return (
    <section aria-label="How it counts" className="space-y-2.5">
      <h2 className={head}>How it counts</h2>
      <TickField label="Counts in totals" checked={assignment.counts} onKeep={(counts) => edit({ counts })} />
      <TickField
        label="Is never dropped"
        checked={assignment.alwaysCounts}
        onKeep={(alwaysCounts) => edit({ alwaysCounts })}
      />
      <TickField
        label="Bonus"
        detail="Its points are pure gain; not doing it costs nothing."
        checked={assignment.bonus}
        onKeep={(bonus) => edit({ bonus })}
      />
      <TickField
        label="A score above the maximum is allowed"
        detail="Otherwise it is asked about once, and marked."
        checked={assignment.aboveAllowed}
        onKeep={(aboveAllowed) => edit({ aboveAllowed })}
      />
    </section>
  );
}

export function WhatStudentsRead({ assignment, send, edit, slot }: PartProps & { readonly slot: string }) {
  const keep = (field: "task" | "note") => (text: string) =>
    send({ type: "editAssignment", assignmentId: assignment.id, fields: { [field]: text } });
  return (
    <section aria-label="What students read" className="space-y-3">
      <h2 className={head}>What students read</h2>
      <DraftField
        place={`task/${assignment.id}`}
        label="Instructions"
        rows={4}
        value={assignment.task}
        onKeep={keep("task")}
      />
      <DraftField
        place={`task-note/${assignment.id}`}
        label="Note beside it"
        rows={2}
        value={assignment.note}
        onKeep={keep("note")}
      />
      <AttachedFiles assignment={assignment} edit={edit} slot={slot} />
      <TickField
        label="The rubric can be read beforehand"
        detail="Its criteria, levels and their words, with the instructions; never what was judged."
        checked={assignment.showsRubric}
        onKeep={(showsRubric) => edit({ showsRubric })}
      />
      <p className="text-[13.5px] text-soft">
        {assignment.hidden
          ? "This assignment is kept from students, so none of it is announced."
          : "Announced in the student window and in student copies, whatever the seals say."}
      </p>
    </section>
  );
}

export function Judged({ assignment, rows, edit, slot }: PartProps & { readonly slot: string }) {
  return (
    <section aria-label="How it is judged" className="space-y-3">
      <h2 className={head}>How it is judged</h2>
      <ChoiceField
        label="Rubric"
        value={assignment.rubricId ?? ""}
        options={[["", "None: scores are typed"], ...rows.rubrics.map(({ id, name }) => [id, name] as const)]}
        onKeep={(id) => edit({ rubricId: id === "" ? null : id })}
      />
      <p className="flex gap-4 text-[14px]">
        {assignment.rubricId && (
          <Link className="link" to={`/courses/${slot}/plan/rubrics/${inAddress(assignment.rubricId)}`}>
            Open the rubric
          </Link>
        )}
        <Link className="link" to={`/courses/${slot}/plan/rubrics?for=${inAddress(assignment.id)}`}>
          Make a rubric for it
        </Link>
      </p>
      <ChoiceField
        label="Second rubric, for outcomes only; it never enters the score"
        value={assignment.outcomeRubricId ?? ""}
        options={[["", "None"], ...rows.outcomeRubrics.map(({ id, name }) => [id, name] as const)]}
        onKeep={(id) => edit({ outcomeRubricId: id === "" ? null : id })}
      />
      <ChoiceField
        label="Outcome on a short scale, beside the score"
        value={assignment.outcomeScaleId ?? ""}
        options={[["", "None"], ...rows.scales.map(({ id, name }) => [id, name] as const)]}
        onKeep={(id) => edit({ outcomeScaleId: id === "" ? null : id })}
      />
    </section>
  );
}
