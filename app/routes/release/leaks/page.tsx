import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { checkedAfter, type Checked, type Command } from "#core/changes";
import { rosterName, studentsOf } from "#core/model";
import { counted } from "#core/words";
import { lookedAt } from "../../../course/looked-at";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { UnderStep } from "../../../ui/parts/under-step";
import { useChange } from "../../../course/use-change";
import { nameOfState } from "../../../ui/words/name-of";
import { readPlace, releaseCommand } from "../place";
import { useLeakCheck } from "../../../ui/hooks/use-leak-check";
import { useStepped } from "../../../ui/hooks/use-stepped";
import { LeakTable } from "./leak-table";
import { Remedies } from "./remedies";
import { OneOf } from "../../../ui/fields/one-of";
import type { Route } from "./+types/page";
import { HowFar } from "./how-far";

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const { searchParams, search } = new URL(request.url);
  const place = readPlace(searchParams);
  const shown = live(session, () => {
    const { checked, asked } = lookedAt(session);
    return { checked, asked, pending: pendingOf(checked, place) };
  });
  return { shown, back: `/courses/${params.slot}/release${search}` };
}

/** The change the screen before was about to do, with its name; null where the check is of things as they are. */
function pendingOf(
  { state }: Checked,
  place: ReturnType<typeof readPlace>,
): { command: Command; words: string } | null {
  if (place.totalId !== null) {
    const command: Command = { type: "sealTotal", id: place.totalId, state: "released", at: null, shows: "percent" };
    return { command, words: "this total is shown" };
  }
  const assignment = place.assignmentId && state.assignments[place.assignmentId];
  if (!assignment || place.facets.length === 0) return null;
  return { command: releaseCommand(state, assignment, place.facets, place), words: `${assignment.name} is released` };
}

export default function LeaksPage({ loaderData, params }: Route.ComponentProps) {
  const { back } = loaderData;
  const { checked, asked, pending } = useLive(loaderData.shown);
  const [asItIs, setAsItIs] = useState(pending === null);
  const [stopped, setStopped] = useState(false);
  const navigate = useNavigate();
  const trouble = useTroubleOf(useChange());
  const [said, setSaid] = useState<string | null>(null);
  const next = useStepped(
    useMemo(
      () => (asItIs || !pending ? null : () => checkedAfter(checked, pending.command, asked)),
      [checked, pending, asked, asItIs],
    ),
  );
  const after = next.value ?? checked;
  const { found, done, of } = useLeakCheck(stopped || next.isBehind ? null : after);
  const { state } = after;
  const name = nameOfState(state).record;
  const studentName = (id: string) => {
    const student = state.students[id];
    return student ? rosterName(state, student) : "";
  };
  const leaking = useMemo(() => found.filter(({ leaks }) => leaks.length > 0), [found]);
  const ready = !stopped && of > 0 && done === of;
  const apply = async (command: Command) => {
    const refused = await trouble(command);
    setSaid(refused);
    if (refused !== null || asItIs || !pending) return;
    const words = await trouble(pending.command);
    if (words === null) void navigate(back);
    else setSaid(words);
  };
  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <title>Leak check · Upright Quill</title>
      <UnderStep step="Release" to={back} title="Leak check" />
      <p className="mt-1 max-w-[70ch] text-soft">
        A student knows the rules, the weights and every score released to them. What they can work out of the totals
        they see, or have seen, about scores that are still sealed stands here.
      </p>
      {pending && (
        <OneOf
          label="What is checked"
          className="mt-3 text-[14px]"
          value={asItIs ? "now" : "after"}
          options={[
            ["after", `As it would be once ${pending.words}`],
            ["now", "As it is now"],
          ]}
          onChoose={(chosen) => {
            setAsItIs(chosen === "now");
          }}
        />
      )}
      <HowFar
        {...{ stopped, ready, done, of }}
        result={resultWords(leaking.length, studentsOf(state).length)}
        onStopped={setStopped}
      />
      {ready && leaking.length > 0 && (
        <Remedies
          checked={after}
          reports={leaking}
          context={asked}
          nameOf={name}
          studentName={studentName}
          andRelease={!asItIs && pending?.command.type === "release"}
          onApply={apply}
        />
      )}
      {said && (
        <p role="alert" className="mt-2 text-[14px] text-wax">
          {said}
        </p>
      )}
      <LeakTable slot={params.slot} state={state} reports={found} nameOf={name} studentName={studentName} />
    </main>
  );
}

const resultWords = (leaking: number, students: number): string =>
  leaking === 0
    ? `Nobody of ${counted(students, "student")} could work out a sealed score.`
    : `${String(leaking)} of ${counted(students, "student")} could work out a sealed score.`;
