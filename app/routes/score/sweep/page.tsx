import { Link } from "react-router";
import type { FileId } from "#core/kernel";
import type { Assignment } from "#core/model";
import { namesHidden } from "../../../course/choices";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { deskAddress, fromAddress, inAddress } from "../../../ui/address";
import { ComparePane } from "../../../ui/beside/compare-pane";
import { sweepRows } from "../../../ui/beside/sweep-rows";
import { useGoTo } from "../../../ui/ways/use-go-to";
import { keysFollowSearch } from "../../../ui/keys/use-keys-wait";
import { PageTitle } from "../../../ui/parts/page-title";
import { Sheet } from "./sheet";
import { SweepHead } from "./sweep-head";
import { useSweep } from "./use-sweep";
import type { Route } from "./+types/page";

/** Keys judge by the criterion that the search names. */
export const handle = keysFollowSearch;

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  const search = new URL(request.url).searchParams;
  const criterion = search.get("criterion");
  const nameless = await namesHidden(repository, search);
  const looking = {
    criterion: criterion && fromAddress("criterion", criterion),
    nameless,
    shuffle: Number(search.get("shuffle") ?? 0) || 0,
  };
  const shown = live(session, (state) => {
    const assignment = orMissing(state.assignments[assignmentId], "assignment");
    return { assignment, rows: sweepRows(state, assignment, session.entries, looking) };
  });
  return { shown, nameless, repository };
}

/** One criterion over all papers: a digit judges the paper in hand and goes on to the next. */
export default function SweepPage({ loaderData, params }: Route.ComponentProps) {
  const { nameless, repository } = loaderData;
  const { rows, assignment } = useLive(loaderData.shown);
  const { list, ...sweep } = useSweep(rows, assignment, { isNameless: nameless, repository });
  const { looking, comparing } = sweep;
  const home = `/courses/${params.slot}`;
  const read = (fileId: FileId) => repository.readFile(params.slot, fileId);
  return (
    <main className="flex h-[calc(100vh-46px)] flex-col">
      <PageTitle about={assignment.name}>Sweep</PageTitle>
      {!rows ? (
        <NoRubric title={assignment.name} to={`${home}/plan/rubrics?for=${inAddress(assignment.id)}`} />
      ) : (
        <>
          <SweepHead
            rows={rows}
            title={assignment.name}
            chosen={looking.chosen}
            nameless={nameless}
            shuffled={looking.isShuffled}
            onCriterion={looking.choose}
            onNames={(hidden) => {
              looking.showNames(!hidden);
            }}
            onShuffle={looking.shuffle}
          />
          {sweep.notice && (
            <p role="alert" className="border-b border-rule px-[18px] py-1.5 text-[14px] text-wax">
              {sweep.notice}
            </p>
          )}
          <div className="flex min-h-0 flex-1">
            <Sheets {...{ rows, assignment, list, sweep, read }} slot={params.slot} />
            {comparing !== null && (
              <ComparePane
                rows={rows}
                levelId={comparing}
                near={sweep.near}
                read={read}
                onLevel={sweep.setComparing}
                onClose={() => {
                  sweep.setComparing(null);
                }}
              />
            )}
          </div>
        </>
      )}
    </main>
  );
}

interface SheetsProps {
  readonly rows: NonNullable<ReturnType<typeof sweepRows>>;
  readonly assignment: Assignment;
  readonly list: ReturnType<typeof useSweep>["list"];
  readonly sweep: Omit<ReturnType<typeof useSweep>, "list">;
  readonly read: (fileId: FileId) => Promise<Blob | null>;
  readonly slot: string;
}

function Sheets({ rows, assignment, list, sweep, read, slot }: SheetsProps) {
  const go = useGoTo();
  return (
    <ol ref={list} aria-label={`Papers by ${rows.criterion.name}`} className="min-w-0 flex-1 overflow-auto">
      {rows.sheets.length === 0 && <p className="p-8 text-soft">Nothing is in yet.</p>}
      {rows.sheets.map((item, place) => (
        <Sheet
          key={item.studentId}
          paper={`${assignment.id}/${item.studentId}`}
          sheet={item}
          rows={rows}
          current={place === sweep.current}
          typing={sweep.typing && place === sweep.current}
          read={read}
          onChoose={() => {
            sweep.setCurrent(place);
          }}
          onPoints={(points) => sweep.judge(item.studentId, { kind: "points", text: points })}
          onTyped={(kept) => {
            sweep.setTyping(false);
            if (kept) sweep.goTo(sweep.current + 1);
          }}
          onOpen={() => {
            go(deskAddress(slot, assignment.id, item.studentId));
          }}
        />
      ))}
    </ol>
  );
}

const NoRubric = ({ title, to }: { readonly title: string; readonly to: string }) => (
  <p className="p-8 text-soft">
    {title} has no rubric, so there is nothing to go across. Make one under{" "}
    <Link className="link" to={to}>
      Plan, rubrics
    </Link>
    , or judge paper by paper.
  </p>
);
