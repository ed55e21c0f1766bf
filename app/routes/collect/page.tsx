import { useCallback, useSyncExternalStore } from "react";
import { data } from "react-router";
import type { FileId } from "#core/kernel";
import { live, useLive } from "../../course/live";
import { openCourse } from "../../course/open-course";
import { openReading } from "../../course/tray-reading";
import { inAddress } from "../../ui/address";
import { DropPlace } from "../../ui/files/drop-place";
import { MarkedOutside } from "./taking/marked-outside";
import { NothingToCollect } from "./nothing-to-collect";
import { ReadingState } from "./reading-state";
import { firstToJudge } from "./rows";
import { stillOut } from "./who-is-out";
import { TakingBar } from "./taking/taking-bar";
import { TrayBody } from "./list/tray-body";
import { useDemoInbox } from "./use-demo-inbox";
import { DropHere } from "./drop-here";
import { TakenIn } from "./taking/taken-in";
import { takeInAsked } from "./take-in-asked";
import { useTray } from "./use-tray";
import { useTakingIn } from "./use-taking-in";
import type { Route } from "./+types/page";
import { Beside } from "./beside/beside";
import { Chosen } from "./chosen";

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

export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const { session } = await openCourse(context, params.slot);
  const answer = await takeInAsked(request, session);
  return data(answer, answer.trouble === null ? 200 : 400);
}

export default function CollectPage({ loaderData, params }: Route.ComponentProps) {
  const { repository, tray, reading, readFile, letGo } = loaderData;
  const { state, now } = useLive(loaderData.shown);
  const { waiting, pieces, elsewhere, source, time, assignment, rows, isCurrent, set, choose } = useTray(
    tray,
    readFile,
    {
      state,
      now,
    },
  );
  const isReading = useSyncExternalStore(reading.subscribe, () => reading.state.progress !== null);
  const taking = useTakingIn();
  const inbox = useDemoInbox(state, reading);
  const drop = useCallback((files: File[]) => void reading.drop(files), [reading]);
  if (!assignment || !rows) return <NothingToCollect slot={params.slot} />;
  const inTray = new Set(rows.handIns.map(({ studentId }) => studentId));
  const out = stillOut(state, assignment, inTray, now);
  return (
    <DropPlace words="Let go: it goes into the tray" className="flex min-h-[calc(100vh-46px)] flex-col" onFiles={drop}>
      <div className="grid flex-1 grid-cols-[minmax(0,1fr)_290px] max-[1120px]:grid-cols-[minmax(0,1fr)_240px]">
        <main className="px-10 pt-6 pb-8 max-[1120px]:px-5">
          <title>Collect · Upright Quill</title>
          <h1 className="page-title">Collect</h1>
          <DropHere onFiles={drop} />
          <ReadingState reading={reading} />
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
          <Chosen {...{ state, assignment, waiting, source, inbox, set }} isReading={isReading} />
          <TrayBody
            {...{ state, assignment, tray, reading, elsewhere, readFile }}
            groups={rows.groups}
            onInto={(id, from) => {
              choose({ into: inAddress(id), from });
            }}
          />
        </main>
        <Beside slot={params.slot} {...{ repository, state, assignment, out }} />
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
          isCurrent={isCurrent && !isReading}
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
