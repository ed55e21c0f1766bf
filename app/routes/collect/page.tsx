import { useCallback, useMemo, useSyncExternalStore } from "react";
import { data, Link } from "react-router";
import { z } from "zod";
import { parseCommand } from "#core/changes";
import { takenFiles } from "#core/collect";
import type { FileId } from "#core/kernel";
import { courseOf, studentsOf } from "#core/model";
import { live, useLive } from "../../course/live";
import { openCourse } from "../../course/open-course";
import { readForm } from "../../course/read-form";
import { openReading } from "../../course/tray-reading";
import { fromAddress, inAddress } from "../../ui/address";
import { Choice } from "../../ui/fields/choice";
import { DropPlace } from "../../ui/files/drop-place";
import { useSearchChoice } from "../../ui/hooks/use-search-choice";
import { issueWords } from "../../ui/words/words";
import { MarkedOutside } from "./marked-outside";
import { ReadingState } from "./reading-state";
import {
  cameBack,
  collectable,
  dueWords,
  firstToJudge,
  likelyAssignment,
  namedAssignment,
  stillOut,
  trayRows,
  withClassSheets,
} from "./rows";
import { SourceTabs } from "./source-tabs";
import { StillOut } from "./still-out";
import { TakingBar } from "./taking-bar";
import { TakeOut } from "./take-out";
import { TrayList } from "./tray-list";
import { demoInbox } from "./demo-inbox";
import { DropHere } from "./drop-here";
import { useKeptSums } from "./use-kept-sums";
import { TakenIn } from "./taken-in";
import { useMatches } from "./use-matches";
import { useTakingIn } from "./use-taking-in";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const { tray, isTaken, reading } = await openReading(repository, session);
  return {
    repository,
    tray,
    reading,
    readFile: ({ id }: { readonly id: FileId }) => repository.readFile(params.slot, id),
    letGo: (pieces: typeof tray.pieces) =>
      tray.drop(
        pieces.map(({ id }) => id),
        isTaken,
      ),
    shown: live(session, (state) => ({ state, now: session.now() })),
  };
}

/** What is taken in, as it was shown. */
const wish = z.object({
  handIns: z
    .string()
    .max(20_000_000)
    .transform((text): unknown => JSON.parse(text)),
});

export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const asked = await readForm(request, wish);
  const parsed = asked.success ? parseCommand({ type: "takeIn", handIns: asked.data.handIns }) : null;
  const refused = (trouble: string) => data({ done: null, taken: null, trouble }, { status: 400 });
  if (!parsed) return refused("Nothing was taken in. Reload the page and try again.");
  const { session } = await openCourse(context, params.slot);
  const done = parsed.ok ? session.submit(parsed.value) : parsed;
  if (!done.ok) return refused(issueWords(done.issue));
  const first = parsed.ok && parsed.value.type === "takeIn" ? parsed.value.handIns[0] : undefined;
  return { done, taken: first?.assignmentId ?? null, trouble: null };
}

export default function CollectPage({ loaderData, params }: Route.ComponentProps) {
  const { repository, tray, reading, readFile, letGo } = loaderData;
  const { state, now } = useLive(loaderData.shown);
  const [text, set] = useSearchChoice();
  const all = useSyncExternalStore(tray.subscribe, () => tray.pieces);
  const readingNow = useSyncExternalStore(reading.subscribe, () => reading.state);
  const waiting = useMemo(() => all.filter(({ file }) => !takenFiles(state).has(file.id)), [all, state]);
  const source = text("from");
  const pieces = useMemo(
    () => withClassSheets(state, source === "" ? waiting : waiting.filter((piece) => piece.source === source)),
    [state, waiting, source],
  );
  const wanted = state.assignments[fromAddress("assignment", text("into"))];
  const taking = useTakingIn();
  const assignment = wanted ?? likelyAssignment(state, pieces, now);
  const time = text("time") === "inTime" ? "inTime" : "dated";
  const kept = useKeptSums(state, assignment, pieces, readFile);
  const unknown = useMemo(() => {
    const back = assignment ? cameBack(state, assignment, pieces, kept) : null;
    return back && back.size > 0 ? pieces.filter(({ id }) => !back.has(id)) : pieces;
  }, [state, assignment, pieces, kept]);
  const { matches, isCurrent } = useMatches(state, assignment, unknown);
  const rows = useMemo(
    () => assignment && trayRows({ state, assignment, pieces, matches, kept, time }),
    [state, assignment, pieces, matches, kept, time],
  );
  const isDemo = courseOf(state).origin === "demo";
  const tryInbox = () => void demoInbox().then((dropped) => reading.take(dropped));
  const drop = useCallback((files: File[]) => void reading.drop(files), [reading]);
  if (!assignment || !rows) return <NothingToCollect slot={params.slot} />;
  const inTray = new Set(rows.handIns.map(({ studentId }) => studentId));
  return (
    <DropPlace words="Let go: it goes into the tray" className="flex min-h-[calc(100vh-46px)] flex-col" onFiles={drop}>
      <div className="grid flex-1 grid-cols-[minmax(0,1fr)_290px] max-[1120px]:grid-cols-[minmax(0,1fr)_240px]">
        <main className="px-10 pt-6 pb-8 max-[1120px]:px-5">
          <title>Collect · Upright Quill</title>
          <h1 className="page-title">Collect</h1>
          <DropHere
            onFiles={drop}
            onInbox={isDemo && waiting.length === 0 && !readingNow.progress ? tryInbox : undefined}
          />
          <ReadingState
            reading={readingNow}
            onStop={() => {
              reading.stop();
            }}
            onClose={() => {
              reading.acknowledge();
            }}
          />
          {taking.taken === assignment.id && (
            <TakenIn slot={params.slot} assignment={assignment} first={firstToJudge(state, assignment, now)} />
          )}
          <MarkedOutside
            state={state}
            assignment={assignment}
            marked={rows.marked}
            readFile={readFile}
            onDone={(done) => void letGo(done)}
          />
          <div className="mt-3 flex items-end justify-between gap-4 text-[14px]">
            <SourceTabs
              pieces={waiting}
              source={source}
              onChoose={(one) => {
                set("from", one);
              }}
            />
            <label className="flex items-center gap-2 text-soft">
              into
              <Choice
                className="!w-56 !py-1"
                label="Assignment it goes into"
                value={inAddress(assignment.id)}
                options={collectable(state).map(({ id, name }) => [inAddress(id), name] as const)}
                onChoose={(one) => {
                  set("into", one);
                }}
              />
            </label>
          </div>
          <TrayList
            state={state}
            groups={rows.groups}
            sheetAddress={(piece) => {
              const into = namedAssignment(state, [piece]) ?? assignment;
              return `sheet/${inAddress(piece.id)}?into=${inAddress(into.id)}`;
            }}
            readFile={readFile}
            onDecide={(piece, decision) => {
              const stored = all.find(({ id }) => id === piece.id);
              if (stored) void tray.change({ ...stored, decision });
            }}
          />
        </main>
        <aside className="bg-table px-[22px] pt-6 pb-8">
          <StillOut
            state={state}
            slot={params.slot}
            assignment={assignment}
            due={dueWords(state, assignment)}
            students={stillOut(state, assignment, inTray, now)}
            all={studentsOf(state).length}
          />
          <TakeOut repository={repository} slot={params.slot} state={state} assignment={assignment} />
        </aside>
      </div>
      {pieces.length > 0 && (
        <TakingBar
          rows={rows}
          taking={taking}
          onTaking={() => {
            // What it went into stays in sight when the tray is empty.
            set("into", inAddress(assignment.id));
          }}
          isTimed={assignment.dueAt !== null}
          isCurrent={isCurrent && readingNow.progress === null}
          time={time}
          onTime={(one) => {
            set("time", one === "dated" ? "" : one);
          }}
          onEmpty={() => void letGo(pieces)}
        />
      )}
    </DropPlace>
  );
}

function NothingToCollect({ slot }: { readonly slot: string }) {
  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <title>Collect · Upright Quill</title>
      <h1 className="page-title">Collect</h1>
      <p className="mt-6 max-w-prose text-soft">
        There is nothing yet that work could be handed in for. Begin with an assignment under{" "}
        <Link className="link" to={`/courses/${slot}/plan`}>
          Plan
        </Link>
        .
      </p>
    </main>
  );
}
