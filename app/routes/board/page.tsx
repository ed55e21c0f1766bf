import { useMemo } from "react";
import { Link } from "react-router";
import { courseOf } from "#core/model";
import { counted } from "#core/words";
import { lookedAt } from "../../course/looked-at";
import { live, useLive } from "../../course/live";
import { openCourse } from "../../course/open-course";
import { knownIn } from "../../course/choices";
import { unsavedOf, type Unsaved } from "../../course/saved-outside";
import { LaneStrip } from "../../ui/parts/lane-strip";
import { useLeakCheck } from "../../ui/hooks/use-leak-check";
import { PageTitle } from "../../ui/parts/page-title";
import { LeakRemark } from "./leak-remark";
import { NextAction } from "./next-action";
import type { Route } from "./+types/page";
import { boardRows, workedOut } from "./rows";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const unsaved = await unsavedOf(repository, session);
  const folderTrouble = (await knownIn(repository, params.slot, "folder-trouble")) ?? "";
  const shown = live(session, (state) => ({
    checked: lookedAt(session).checked,
    timeZone: courseOf(state).timeZone,
    rows: boardRows(state, session.now()),
    broken: session.broken,
    empty: Object.keys(state.assignments).length === 0,
  }));
  return { shown, unsaved, folderTrouble };
}

export default function BoardPage({ loaderData, params }: Route.ComponentProps) {
  const { rows, timeZone, empty, checked, broken } = useLive(loaderData.shown);
  const { found } = useLeakCheck(checked);
  const leaking = useMemo(() => workedOut(found), [found]);
  const home = `/courses/${params.slot}`;
  return (
    <main className="mx-auto w-full max-w-[1260px] px-[30px] pt-6 pb-16">
      <PageTitle about={rows.title}>Board</PageTitle>
      <h1 className="font-serif text-[28px] leading-tight font-semibold">{rows.title}</h1>
      <p className="mt-1 text-sm text-soft">{rows.subtitle}</p>
      <Attention
        {...rows}
        broken={broken}
        home={home}
        unsaved={loaderData.unsaved}
        folderTrouble={loaderData.folderTrouble}
      />
      {empty && (
        <p className="mt-10 max-w-prose text-soft">
          Nothing is planned yet. Begin with the students and the first assignment under{" "}
          <Link className="link" to={`${home}/plan`}>
            Plan
          </Link>
          .
        </p>
      )}
      {rows.groups.map((group) => (
        <section key={group.id} className="mt-7">
          <h2 className="figures text-[13px] font-semibold text-soft">{group.title}</h2>
          <ul>
            {group.lanes.map((lane) => (
              <li
                key={lane.assignment.id}
                className="grid grid-cols-[minmax(180px,290px)_1fr_190px] items-center gap-6 border-b border-rule py-[11px]"
              >
                <div>
                  <h3 className="font-serif text-[17px] leading-snug font-semibold">{lane.assignment.name}</h3>
                  <p className="figures text-[13px] text-soft">{lane.detail}</p>
                  {lane.remarks.length > 0 && (
                    <p className="figures text-[13px] text-ochre">{lane.remarks.join(" · ")}</p>
                  )}
                  <LeakRemark home={home} students={leaking.get(lane.assignment.id) ?? 0} />
                </div>
                <LaneStrip {...lane} label={lane.assignment.name} />
                <NextAction slot={params.slot} lane={lane} timeZone={timeZone} />
              </li>
            ))}
          </ul>
        </section>
      ))}
      {rows.groups.length > 0 && <Legend />}
    </main>
  );
}

function Attention({
  undated,
  weights,
  weightless,
  demo,
  replies,
  unsaved,
  folderTrouble,
  broken,
  home,
}: {
  readonly undated: readonly string[];
  readonly weights: string | null;
  /** Categories with work that no total takes in. */
  readonly weightless: readonly string[];
  readonly demo: boolean;
  /** Replies of students that nobody has read. */
  readonly replies: number;
  readonly unsaved: Unsaved | null;
  /** Why no copy could be written into its folder; empty where none was to be. */
  readonly folderTrouble: string;
  /** The first change that does not follow the one before it in the journal's chain; null where all do. */
  readonly broken: number | null;
  readonly home: string;
}) {
  const isNothing = undated.length === 0 && !weights && weightless.length === 0 && !demo && replies === 0;
  if (isNothing && !unsaved && folderTrouble === "" && broken === null) return null;
  return (
    <ul className="mt-4 flex flex-wrap gap-x-8 gap-y-1 border-y border-rule py-2 text-sm">
      {undated.length > 0 && (
        <li>
          <strong className="text-ochre">Undated:</strong> {undated.join(", ")} {undated.length === 1 ? "has" : "have"}{" "}
          no due date.
        </li>
      )}
      {weights && (
        <li>
          <strong className="text-ochre">Weights</strong> come to {weights} %, not 100.
        </li>
      )}
      {weightless.length > 0 && (
        <li>
          <strong className="text-ochre">No weight:</strong> totals leave out {weightless.join(", ")}.{" "}
          <Link className="link" to={`${home}/plan`}>
            Give it one under Plan
          </Link>
        </li>
      )}
      {replies > 0 && (
        <li>
          <strong className="text-ochre">{counted(replies, "unread reply", "unread replies")}:</strong>{" "}
          <Link className="link" to={`${home}/waiting`}>
            read what students wrote
          </Link>
        </li>
      )}
      {broken !== null && (
        <li>
          <strong className="text-wax">Changed from outside:</strong> the journal does not hold together at change{" "}
          {broken}.{" "}
          <Link className="link" to={`${home}/journal`}>
            Check it under Journal
          </Link>
        </li>
      )}
      {(unsaved ?? folderTrouble !== "") && (
        <li>
          <strong className="text-ochre">Only in this browser:</strong>{" "}
          {unsaved ? unsavedWords(unsaved) : "the last copy could not be written into its folder."}{" "}
          <Link className="link" to={`${home}/files#${unsaved ? "course-file" : "folder"}`}>
            {unsaved ? "Make a course file" : "See why"}
          </Link>
        </li>
      )}
      {demo && (
        <li>
          This is the demo course; nothing in it is real.{" "}
          <Link className="link" to={`${home}/files#empty`}>
            Start an empty course
          </Link>
        </li>
      )}
    </ul>
  );
}

/** What stands in this browser alone. */
const unsavedWords = ({ since, days, changes }: Unsaved): string =>
  since === null
    ? `${counted(changes, "change")} in ${counted(days, "day")}, and never saved anywhere else.`
    : `${counted(changes, "change")} since it was saved elsewhere ${counted(days, "day")} ago.`;

function Legend() {
  const items = [
    ["bg-green", "released"],
    ["bg-green-wash", "scored, sealed"],
    ["bg-ochre-wash", "waiting"],
    ["bg-table", "excused"],
    ["hatched", "not in"],
  ] as const;
  return (
    <p className="mt-5 flex flex-wrap gap-x-5 gap-y-1 text-[13px] text-soft">
      {items.map(([look, word]) => (
        <span key={word} className="inline-flex items-center gap-1.5">
          <span aria-hidden="true" className={`inline-block size-3 border border-rule ${look}`} />
          {word}
        </span>
      ))}
    </p>
  );
}
