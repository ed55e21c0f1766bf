import { useMemo } from "react";
import { Link } from "react-router";
import { courseOf, rosterName, sectionsOf, type CourseState } from "#core/model";
import { lettersOf, trendsOf } from "#core/statistics";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { studentAddress } from "../../../ui/address";
import { Choice } from "../../../ui/fields/choice";
import { useSearchChoice } from "../../../ui/ways/use-search-choice";
import { CheckTabs } from "../check-tabs";
import { short } from "../figure-words";
import { checkRows } from "../rows";
import { DecidingTable } from "./deciding-table";
import { LetterBounds } from "./letter-bounds";
import { PairingTable } from "./pairing-table";
import { ofSection } from "./of-section";
import type { Route } from "./+types/page";

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const assignment = new URL(request.url).searchParams.get("assignment");
  return { shown: live(session, (state) => ({ state, rows: checkRows(state, session, { assignment, view: null }) })) };
}

export default function CheckCoursePage({ loaderData, params }: Route.ComponentProps) {
  const { state: whole, rows } = useLive(loaderData.shown);
  const [chosen, set] = useSearchChoice();
  const section = sectionsOf(whole).find(({ name }) => name === chosen("section")) ?? null;
  const state = useMemo(() => ofSection(whole, section?.id ?? null), [whole, section?.id]);
  const figures = useMemo(() => lettersOf(state), [state]);
  return (
    <main className="mx-auto w-full max-w-[1060px] px-10 pt-5 pb-16 max-[1120px]:px-5">
      <title>Check: the course · Upright Quill</title>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="page-title">{courseOf(whole).shortTitle}</h1>
        <span className="figures text-soft">
          {counted(figures.totals.size, "student")} with a total
          {figures.withoutTotal > 0 ? `, ${String(figures.withoutTotal)} without` : ""}
        </span>
        {sectionsOf(whole).length > 0 && (
          <span className="ms-auto">
            <Choice
              quiet
              label="Section that is looked at"
              value={section?.name ?? ""}
              options={[["", "All sections"], ...sectionsOf(whole).map(({ name }) => [name, name] as const)]}
              onChoose={(name) => {
                set("section", name);
              }}
            />
          </span>
        )}
      </div>
      {rows && (
        <CheckTabs slot={params.slot} assignmentId={rows.looked.assignment.id} views={rows.views} view="course" />
      )}
      {figures.totals.size === 0 ? (
        <p className="mt-8 text-soft">Nobody has a total yet. Letters appear with the first scores that count.</p>
      ) : (
        <>
          <LetterBounds state={state} whole={whole} figures={figures} />
          <NearBounds slot={params.slot} state={state} figures={figures} />
          <DecidingTable slot={params.slot} state={state} totals={figures.totals} />
          <PairingTable state={state} />
          <Trends slot={params.slot} state={state} />
        </>
      )}
    </main>
  );
}

interface PartProps {
  readonly slot: string;
  readonly state: CourseState;
}

/** Who stands just under a letter. */
function NearBounds({ slot, state, figures }: PartProps & { readonly figures: ReturnType<typeof lettersOf> }) {
  return (
    <section aria-label="Near the next letter" className="mt-8">
      <h2 className="text-[15px] font-semibold">
        {figures.near.length === 0
          ? "Nobody stands within half a point of the next letter"
          : `${counted(figures.near.length, "student")} within half a point of the next letter`}
      </h2>
      <ul className="figures mt-1 text-[14px]">
        {figures.near.map(({ studentId, band, percent, lacking }) => (
          <li key={studentId} className="py-0.5">
            <StudentLink slot={slot} state={state} studentId={studentId} /> has {short(percent, 3)} and lacks{" "}
            {short(lacking, 3)} for {band.letter}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Whose work rises or falls over the term. */
function Trends({ slot, state }: PartProps) {
  const trends = useMemo(() => trendsOf(state), [state]);
  return (
    <section aria-label="Rise and fall over the term" className="mt-8">
      <h2 className="text-[15px] font-semibold">Rise and fall over the term</h2>
      <p className="max-w-prose text-[14px] text-soft">
        Later work against earlier work by due date, each piece measured from the class mean; from 12 percentage points
        on.
      </p>
      {trends.length === 0 ? (
        <p className="mt-1 text-[14px]">Nobody’s work moves that far, or there are fewer than four dated pieces yet.</p>
      ) : (
        <ul className="figures mt-1 columns-2 text-[14px]">
          {trends.map(({ studentId, change }) => (
            <li key={studentId} className="py-0.5">
              {change < 0 ? "↓ falls by" : "↑ rises by"} {short(Math.abs(change), 0)}:{" "}
              <StudentLink slot={slot} state={state} studentId={studentId} />
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function StudentLink({ slot, state, studentId }: PartProps & { readonly studentId: string }) {
  const student = state.students[studentId];
  return (
    <Link className="link" to={studentAddress(slot, studentId)}>
      {student ? rosterName(state, student) : ""}
    </Link>
  );
}
