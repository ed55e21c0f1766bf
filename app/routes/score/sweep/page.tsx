import { useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import { keep, namesHidden } from "../../../course/choices";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { fromAddress, inAddress } from "../../../ui/address";
import { useAsking } from "../../../ui/dialogs/use-asking";
import { useSearchChoice } from "../../../ui/hooks/use-search-choice";
import { useChange } from "../../../course/use-change";
import { ComparePane } from "../../../ui/beside/compare-pane";
import { nearLevel, sweepRows } from "../../../ui/beside/sweep-rows";
import { PageTitle } from "../../../ui/parts/page-title";
import { freshShuffle } from "../fresh-shuffle";
import { Sheet } from "./sheet";
import { SweepHead } from "./sweep-head";
import { usePlaceInSweep } from "./use-place-in-sweep";
import { useSweepKeys } from "./use-sweep-keys";
import type { Route } from "./+types/page";

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
  const [text, set] = useSearchChoice();
  const change = useChange();
  const navigate = useNavigate();
  const { send, notice } = useAsking(change);
  const { list, current, setCurrent, typing, setTyping, goTo } = usePlaceInSweep(rows);
  const [comparing, setComparing] = useState<string | null>(null);
  const sheet = rows?.sheets[current];
  const near = useMemo(
    () => (rows && sheet && comparing !== null ? nearLevel(rows, comparing, sheet.studentId) : []),
    [rows, sheet, comparing],
  );
  const showNames = (shown: boolean) => {
    keep(repository, "names-hidden", !shown);
    set("names", shown ? "shown" : "hidden");
  };
  const judge = (studentId: string, verdict: Extract<Parameters<typeof send>[0], { type: "judge" }>["verdict"]) =>
    rows
      ? send({
          type: "judge",
          assignmentId: assignment.id,
          studentId: fromAddress("student", inAddress(studentId)),
          criterionId: rows.criterion.id,
          verdict,
        })
      : null;
  const chooseCriterion = (by: number) => {
    if (!rows) return;
    const at = rows.criteria.findIndex(({ id }) => id === rows.criterion.id);
    const next = rows.criteria[(at + by + rows.criteria.length) % rows.criteria.length];
    if (next) set("criterion", inAddress(next.id));
    goTo(0);
  };
  useSweepKeys({
    levels: rows?.criterion.levels.length ?? 0,
    level: (digit) => {
      if (!sheet) return;
      // On at once: the next key is for the next paper, however long this one takes to be kept. A refusal leads back.
      const place = current;
      goTo(place + 1);
      void judge(sheet.studentId, { kind: "level", digit })?.then((outcome) => {
        if (!outcome.ok && outcome.issue.code !== "nothing_to_change") goTo(place);
      });
    },
    open: () => sheet && void judge(sheet.studentId, { kind: "open" }),
    notApplicable: () => sheet && void judge(sheet.studentId, { kind: "notApplicable" }),
    move: (by) => {
      goTo(current + by);
    },
    type: () => {
      setTyping(true);
    },
    compare: () => {
      const asked = sheet?.levelId ?? rows?.criterion.levels.at(-1)?.id ?? null;
      setComparing(comparing === null ? asked : null);
    },
    criterion: chooseCriterion,
    names: () => {
      showNames(nameless);
    },
    close: () => {
      setComparing(null);
    },
  });
  const home = `/courses/${params.slot}`;
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
            nameless={nameless}
            shuffled={text("shuffle") !== ""}
            onCriterion={(id) => {
              set("criterion", inAddress(id));
              goTo(0);
            }}
            onNames={(hidden) => {
              showNames(!hidden);
            }}
            onShuffle={(shuffle) => {
              set("shuffle", shuffle ? freshShuffle() : "");
              goTo(0);
            }}
          />
          {notice && (
            <p role="alert" className="border-b border-rule px-[18px] py-1.5 text-[14px] text-wax">
              {notice}
            </p>
          )}
          <div className="flex min-h-0 flex-1">
            <ol ref={list} aria-label={`Papers by ${rows.criterion.name}`} className="min-w-0 flex-1 overflow-auto">
              {rows.sheets.length === 0 && <p className="p-8 text-soft">Nothing is in yet.</p>}
              {rows.sheets.map((item, place) => (
                <Sheet
                  key={item.studentId}
                  paper={`${assignment.id}/${item.studentId}`}
                  sheet={item}
                  rows={rows}
                  current={place === current}
                  typing={typing && place === current}
                  read={(fileId) => repository.readFile(params.slot, fileId)}
                  onChoose={() => {
                    setCurrent(place);
                  }}
                  onPoints={(points) => judge(item.studentId, { kind: "points", text: points })}
                  onTyped={(kept) => {
                    setTyping(false);
                    if (kept) goTo(current + 1);
                  }}
                  onOpen={() => void navigate(`${home}/score/${inAddress(assignment.id)}/${inAddress(item.studentId)}`)}
                />
              ))}
            </ol>
            {comparing !== null && (
              <ComparePane
                rows={rows}
                levelId={comparing}
                near={near}
                read={(fileId) => repository.readFile(params.slot, fileId)}
                onLevel={setComparing}
                onClose={() => {
                  setComparing(null);
                }}
              />
            )}
          </div>
        </>
      )}
    </main>
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
