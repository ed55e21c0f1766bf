import { useMemo, useState } from "react";
import { fromLocalText, type StudentId } from "#core/kernel";
import { checkedAfter, type Checked, type Command, type Context } from "#core/changes";
import { courseOf, type CourseState } from "#core/model";
import { stopsRelease, withStop } from "#core/release";
import { counted } from "#core/words";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { useChange } from "../../../course/use-change";
import { ChangedList } from "./changed-list";
import { HoldButtons } from "./hold-buttons";
import { releaseCommand, type ReleasePlace, type ScopeChange } from "../place";
import { PreflightList } from "./preflight-list";
import { PreviewList } from "../preview-list";
import { previewed } from "../previewed";
import { ReadersLine } from "./readers-line";
import type { ChosenRow, ReleaseRows } from "../rows";
import { ScopeFields } from "./scope-fields";
import { TakeBack } from "./take-back";
import { useLeakCheck } from "../../../ui/hooks/use-leak-check";
import { useStepped } from "../../../ui/hooks/use-stepped";
import { DateField } from "../../../ui/time/date-field";

interface ReleasePanelProps {
  readonly slot: string;
  readonly row: ChosenRow;
  readonly rows: ReleaseRows;
  readonly place: ReleasePlace;
  /** What is ticked; the rest of the panel is about `place` until it has followed. */
  readonly shown: ReleasePlace;
  readonly isBehind: boolean;
  readonly checked: Checked;
  readonly context: Context;
  readonly leaksTo: string;
  readonly nameOf: (id: string) => string;
  readonly onPlace: (change: ScopeChange) => void;
}

/** What to know before a release, the release itself, and what changed since the last one. */
export function ReleasePanel(props: ReleasePanelProps) {
  const { slot, row, rows, place, shown, checked, context, leaksTo, nameOf, onPlace } = props;
  const { state } = checked;
  const trouble = useTroubleOf(useChange());
  const [said, setSaid] = useState<string | null>(null);
  const { assignment, wanted } = row;
  const command = useMemo(
    () => (wanted.length > 0 ? releaseCommand(state, assignment, wanted, place) : null),
    [state, assignment, wanted, place],
  );
  const after = useStepped(
    useMemo(() => (command ? () => checkedAfter(checked, command, context) : null), [checked, command, context]),
  );
  const leaks = useLeakCheck(after.isBehind ? null : (after.value ?? checked));
  const send = async (one: Command, words: string): Promise<string | null> => {
    const refused = await trouble(one);
    setSaid(refused ?? words);
    return refused;
  };
  const to = place.studentId ?? place.sectionId ?? "";
  return (
    <section className="mt-4 border-t-2 border-ink pt-2" aria-label={`Release ${assignment.name}`}>
      <h2 className="text-[16px] font-semibold">Before releasing {assignment.name}</h2>
      <ScopeFields
        row={row}
        facets={shown.facets}
        to={shown.studentId ?? shown.sectionId ?? ""}
        wholeCategory={shown.wholeCategory}
        sections={rows.sections}
        students={rows.students}
        onFacets={(next) => {
          onPlace({ facets: next });
        }}
        onTo={(next) => {
          onPlace({ to: next });
        }}
        onWholeCategory={(category) => {
          onPlace({ category });
        }}
      />
      <PreflightList
        slot={slot}
        assignmentId={assignment.id}
        findings={row.findings}
        leaks={leaks}
        leakStops={stopsRelease(courseOf(state), "leaks")}
        leaksTo={leaksTo}
        nameOf={nameOf}
        onStops={(code, stops) => {
          void send(
            { type: "editCourse", fields: withStop(courseOf(state), code, stops) },
            stops ? "This stops a release from now on." : "It no longer stops a release.",
          );
        }}
      />
      {row.isOverdue && <Overdue />}
      <Acts {...props} {...{ command, send }} onSaid={setSaid} />
      <p role="status" className="mt-2 min-h-5 text-[14px] text-soft">
        {said}
      </p>
      <WhoWouldSee preview={row.preview} isOpen={to !== "" || place.wholeCategory} nameOf={nameOf} />
      <ReadersLine readers={row.readers} nameOf={nameOf} />
      <ChangedList
        state={state}
        changed={row.changed}
        onRelease={(studentIds) =>
          void send(corrections(row, studentIds), `Corrections released to ${counted(studentIds.length, "student")}.`)
        }
      />
    </section>
  );
}

/** What the release would change for students, folded away where it is for everyone. */
function WhoWouldSee({
  preview,
  isOpen,
  nameOf,
}: {
  readonly preview: ChosenRow["preview"];
  readonly isOpen: boolean;
  readonly nameOf: (id: string) => string;
}) {
  if ("code" in preview) return <PreviewList preview={preview} nameOf={nameOf} />;
  return (
    <details className="mt-1" open={isOpen}>
      <summary className="cursor-pointer text-[14px] font-semibold">Who would see what</summary>
      <PreviewList preview={preview} nameOf={nameOf} />
    </details>
  );
}

/** The release of what changed since, for some students. */
const corrections = ({ assignment, changed }: ChosenRow, studentIds: readonly StudentId[]): Command => ({
  type: "release",
  assignmentId: assignment.id,
  facets: [...new Set(changed.filter(({ student }) => studentIds.includes(student.id)).map(({ facet }) => facet))],
  studentIds: [...studentIds],
});

const releaseWords = ({ preview, ready }: ChosenRow): string => {
  if ("code" in preview) return "Stopped, see below";
  return ready === 0 ? "Nothing new to release" : `Release to ${counted(ready, "student")}`;
};

const Overdue = () => (
  <p className="mt-2 text-[14px] text-wax">
    ! Its moment has come, and it did not go out: something in this list stops it. Mend that, or let it no longer stop a
    release; then it goes out by itself.
  </p>
);

/** What students would see no longer, or otherwise, until a moment has come; nothing where there is no moment yet. */
function useLost(state: CourseState, command: Command | null, context: Context) {
  // A command is a value: one that says the same is the same question.
  const words = command && JSON.stringify(command);
  const asked = useMemo(
    () => (words ? () => previewed(state, JSON.parse(words) as Command, context) : null),
    [state, words, context],
  );
  const { value, isBehind } = useStepped(asked);
  return value && !isBehind && !("code" in value) ? value : [];
}

/** A moment from which it goes out, in the course's time zone, with what is hidden until then. */
function TimeFields({
  timeZone,
  disabled,
  stateNow,
  context,
  nameOf,
  commandAt,
  onTime,
  onMissing,
}: {
  readonly timeZone: string;
  readonly disabled: boolean;
  readonly stateNow: CourseState;
  readonly context: Context;
  readonly nameOf: (id: string) => string;
  readonly commandAt: (at: NonNullable<ReturnType<typeof fromLocalText>>) => Command;
  readonly onTime: (command: Command) => Promise<string | null>;
  readonly onMissing: () => void;
}) {
  const [moment, setMoment] = useState("");
  const at = fromLocalText(moment, timeZone);
  const command = at && !disabled ? commandAt(at) : null;
  const lost = useLost(stateNow, command, context);
  return (
    <span className="flex flex-wrap items-center gap-1.5 text-[14px]">
      <DateField
        label="or from"
        labelled="before"
        precision="moment"
        value={moment}
        hint={`Time of the course: ${timeZone}`}
        onChange={setMoment}
      />
      <button
        type="button"
        className="act act-quiet"
        disabled={disabled || moment === ""}
        onClick={() => {
          if (at) void onTime(commandAt(at));
          else onMissing();
        }}
      >
        Set the time
      </button>
      {lost.length > 0 && (
        <span className="basis-full">
          Until then:
          <PreviewList preview={lost} nameOf={nameOf} />
        </span>
      )}
    </span>
  );
}

type ActsProps = ReleasePanelProps & {
  readonly command: Command | null;
  readonly send: (command: Command, words: string) => Promise<string | null>;
  readonly onSaid: (words: string) => void;
};

/** Release now or at a moment, take back, hold. */
function Acts({ row, rows, place, isBehind, checked, context, nameOf, command, send, onSaid }: ActsProps) {
  const { state } = checked;
  const { assignment, wanted } = row;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      <button
        type="button"
        className="act act-first"
        disabled={isBehind || row.ready === 0 || !command}
        onClick={() => command && void send(command, `Released to ${counted(row.ready, "student")}.`)}
      >
        {releaseWords(row)}
      </button>
      <TimeFields
        key={assignment.id}
        timeZone={rows.timeZone}
        disabled={isBehind || wanted.length === 0}
        stateNow={state}
        context={context}
        nameOf={nameOf}
        commandAt={(at) => ({ ...releaseCommand(state, assignment, wanted, place), type: "timeRelease", at })}
        onTime={(one) =>
          send(
            one,
            "Timed. It goes out by itself when the moment comes, also if the application was closed in between.",
          )
        }
        onMissing={() => {
          onSaid("Choose a day and a time first.");
        }}
      />
      <TakeBack row={row} state={state} context={context} place={place} nameOf={nameOf} send={send} />
      <HoldButtons row={row} state={state} context={context} studentId={place.studentId} nameOf={nameOf} send={send} />
    </div>
  );
}
