import { useMemo, useState } from "react";
import { data, useNavigate } from "react-router";
import { z } from "zod/mini";
import { parseCommand } from "#core/changes";
import { takenFiles } from "#core/collect";
import { asItLeft, cellsToEnter, findHead, previewSheet, scoresIn } from "#core/formats";
import { assignmentsOf } from "#core/model";
import { counted } from "#core/words";
import { runTableJob } from "../../../../workers/client";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { jsonField, readForm } from "../../../course/read-form";
import { fromAddress } from "../../../ui/address";
import { Tick } from "../../../ui/fields/tick";
import { UnderStep } from "../../../ui/parts/under-step";
import { issueWords } from "../../../ui/words/words";
import { PageTitle } from "../../../ui/parts/page-title";
import { useTakingIn } from "../use-taking-in";
import { SheetColumns } from "./sheet-columns";
import { SheetTable } from "./sheet-table";
import { sheetLines, summary, withMeaning } from "./rows";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context, request }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const tray = await repository.tray(params.slot);
  const id = fromAddress("piece", params.pieceId);
  const piece = orMissing(
    tray.pieces.find((one) => one.id === id),
    "piece of the tray",
  );
  const blob = orMissing((await repository.readFile(params.slot, piece.file.id)) ?? undefined, "file");
  const stop = new AbortController();
  const sheets = await runTableJob((jobs) => jobs.readSheets(blob, piece.file.mediaType), stop.signal);
  const into = new URL(request.url).searchParams.get("into");
  return {
    name: piece.file.name,
    into: into ? fromAddress("assignment", into) : null,
    sheet: scoresIn(sheets) ?? { name: "", rows: [] },
    left: asItLeft(sheets),
    letGo: () => tray.drop([piece.id], (file) => takenFiles(session.state).has(file)),
    shown: live(session, (state) => state),
  };
}

/** The entries that are taken in, as they were shown. */
const wish = z.object({ cells: jsonField });

export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const asked = await readForm(request, wish);
  const refused = (trouble: string) => data({ done: null, taken: null, trouble }, { status: 400 });
  if (!asked.success) return refused("Nothing was taken in. Reload the page and try again.");
  const { session } = await openCourse(context, params.slot);
  const parsed = parseCommand({
    type: "enterScores",
    how: "from a spreadsheet",
    cells: asked.data.cells,
    confirmed: true,
  });
  const done = parsed.ok ? session.submit(parsed.value) : parsed;
  return done.ok ? { done, taken: null, trouble: null } : refused(issueWords(done.issue));
}

export default function SheetPage({ loaderData, params }: Route.ComponentProps) {
  const { name, sheet, left, into, letGo } = loaderData;
  const state = useLive(loaderData.shown);
  const found = useMemo(
    () => findHead(state, sheet, into),
    // The head is found once; what the person puts right afterwards stays.
    // oxlint-disable-next-line react/exhaustive-deps
    [sheet, into],
  );
  const [head, setHead] = useState(found);
  const [asked, setAsked] = useState(false);
  const [theirs, setTheirs] = useState<ReadonlySet<string>>(new Set());
  const navigate = useNavigate();
  const preview = useMemo(() => head && previewSheet(state, sheet, head, left), [state, sheet, head, left]);
  const lines = useMemo(() => (preview ? sheetLines(state, preview) : []), [state, preview]);
  const { Form, isUnderWay, trouble } = useTakingIn(() => {
    void letGo();
    void navigate(`/courses/${params.slot}/gradebook`);
  });
  const cells = preview ? cellsToEnter(preview, { asked, theirs }) : [];
  const unusual = lines.filter(({ what }) => what === "asks").length;
  return (
    <>
      <main className="mx-auto w-full max-w-[1180px] px-[30px] pt-6 pb-24">
        <PageTitle about={name}>Spreadsheet</PageTitle>
        <UnderStep step="Collect" to={`/courses/${params.slot}/collect`} title={`Scores in ${name}`} />
        {head && preview ? (
          <>
            <SheetColumns
              head={head}
              assignments={assignmentsOf(state)}
              onChoose={(place, key) => {
                setHead(withMeaning(head, place, key));
              }}
            />
            <p className="figures mt-4 text-[14.5px]" role="status">
              {summary(lines, preview.absent.length)}
            </p>
            {unusual > 0 && (
              <Tick checked={asked} onChange={setAsked}>
                Take in {counted(unusual, "unusual score")} too
              </Tick>
            )}
            <SheetTable lines={lines} theirs={theirs} onTheirs={setTheirs} />
          </>
        ) : (
          <p className="mt-4 max-w-prose text-soft">
            No row of it says what its columns hold. A head such as “Number, Name, Score” is looked for in the first 40
            rows. Put one in and drop the sheet again; it stays in the tray as it is.
          </p>
        )}
      </main>
      <footer className="sticky bottom-0 z-20 mt-auto flex items-center gap-4 border-t-2 border-ink bg-sheet px-[30px] py-3">
        <p className="me-auto text-[14px] text-soft">
          {trouble ?? "Nothing is kept until you say so; it is one step to undo."}
        </p>
        <Form method="post">
          <input type="hidden" name="cells" value={JSON.stringify(cells)} />
          <button type="submit" className="act act-first" disabled={cells.length === 0 || isUnderWay}>
            Take in {counted(cells.length, "score")}
          </button>
        </Form>
      </footer>
    </>
  );
}
