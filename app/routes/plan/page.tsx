import { useMemo, useState } from "react";
import { Link } from "react-router";
import type { Command } from "#core/changes";
import { localToday, type AssignmentId, type CategoryId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { live, useLive } from "../../course/live";
import { openCourse } from "../../course/open-course";
import { Ask } from "../../ui/dialogs/ask";
import { MovingLists } from "../../ui/order/moving";
import { PlanPlaces } from "../../ui/parts/plan-places";
import { useTotalsAsk } from "../../ui/dialogs/totals-ask";
import { troubleOf } from "../../ui/hooks/use-command";
import { PageTitle } from "../../ui/parts/page-title";
import { useChange } from "../../course/use-change";
import { useNews } from "../../course/use-news";
import { AddCategory } from "./add-category";
import { CategoryBlock } from "./category-block";
import { ShorthandBox } from "./shorthand-box";
import { lossWords, planRows, type PlanBlock, type PlanLine } from "./rows";
import { WeightsRuler } from "./weights-ruler";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { shown: live(session, (state) => ({ state, now: session.now() })) };
}

/** What is about to be removed. */
interface Removal {
  readonly title: string;
  readonly losses: readonly string[];
  readonly act: () => Promise<string | null>;
}

export default function PlanPage({ loaderData, params }: Route.ComponentProps) {
  const { state, now } = useLive(loaderData.shown);
  const rows = useMemo(() => planRows(state), [state]);
  const scales = useMemo(() => Object.values(state.scales), [state.scales]);
  const categories = rows.blocks.map(({ id, name }) => ({ id, name }));
  const change = useChange();
  const { send, dialog } = useTotalsAsk(state, change);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { removal, setRemoval, removeLine, removeBlock } = useRemovals(state);
  const lists = rows.blocks.map((block) => ({ id: block.id, items: block.lines.map(({ id }) => id) }));
  const lines = new Map(rows.blocks.flatMap((block) => block.lines.map((line) => [line.id, line] as const)));
  const nameOf = (id: string) =>
    lines.get(id as AssignmentId)?.name ?? `the end of ${rows.blocks.find((block) => block.id === id)?.name ?? ""}`;
  const tell = (sending: Promise<string | null>) => void sending.then(setTrouble);

  const { place, moveCategory } = movesIn(state, rows.blocks, (command) => {
    tell(send(command));
  });
  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <PageTitle about={rows.title}>Plan</PageTitle>
      <h1 className="page-title">Plan</h1>
      <PlanPlaces slot={params.slot} />
      <ShorthandBox
        key={params.slot}
        timeZone={rows.timeZone}
        today={localToday(now, rows.timeZone)}
        categories={categories}
        scales={scales}
        first={rows.blocks.length === 0}
        onAdd={send}
      />
      {rows.faults.map((fault) => (
        <p key={fault} className="mt-3 text-[14px] text-ochre">
          {fault}
        </p>
      ))}
      {trouble && (
        <p role="alert" className="mt-3 text-[14px] text-wax">
          {trouble}
        </p>
      )}
      {rows.straight ? (
        <p className="figures mt-4 text-[13.5px] text-soft">Straight points: {rows.points} in all.</p>
      ) : (
        <WeightsRuler rows={rows} />
      )}
      <MovingLists lists={lists} nameOf={nameOf} onPlace={place}>
        {(shown) =>
          shown.map((list) => {
            const block = rows.blocks.find(({ id }) => id === list.id);
            return (
              block && (
                <CategoryBlock
                  key={block.id}
                  block={block}
                  list={list}
                  lines={list.items.flatMap((id) => lines.get(id) ?? [])}
                  slot={params.slot}
                  straight={rows.straight}
                  others={categories.filter(({ id }) => id !== block.id)}
                  parentId={state.categories[block.id]?.parentId ?? null}
                  send={send}
                  tell={tell}
                  place={place}
                  onMove={(by) => {
                    moveCategory(block, by);
                  }}
                  onRemove={() => {
                    removeBlock(block);
                  }}
                  onRemoveLine={removeLine}
                />
              )
            );
          })
        }
      </MovingLists>
      <AddCategory first={rows.blocks.length === 0} straight={rows.straight} send={send} />
      {rows.blocks.length > 0 && rows.students === 0 && (
        <p className="mt-8 text-soft">
          Next: the students, under{" "}
          <Link className="link" to={`/courses/${params.slot}/plan/course`}>
            Course and roster
          </Link>
          .
        </p>
      )}
      {dialog}
      <RemovalAsk
        removal={removal}
        tell={tell}
        onClose={() => {
          setRemoval(null);
        }}
      />
    </main>
  );
}

type Placing = Extract<Command, { readonly type: "placeAssignment" | "placeCategory" }>;

/** The moves of assignments and categories, as what is sent for them. */
function movesIn(state: CourseState, blocks: readonly PlanBlock[], send: (command: Placing) => void) {
  const place = (assignmentId: AssignmentId, categoryId: CategoryId, beforeId: AssignmentId | null) => {
    send({ type: "placeAssignment", assignmentId, categoryId, beforeId });
  };
  const moveCategory = (block: PlanBlock, by: -1 | 1) => {
    const siblings = blocks.filter(({ depth }) => depth === block.depth);
    const at = siblings.findIndex(({ id }) => id === block.id);
    const before = by < 0 ? siblings[at - 1] : siblings[at + 2];
    if (by < 0 && !before) return;
    const { parentId } = state.categories[block.id] ?? { parentId: null };
    send({ type: "placeCategory", categoryId: block.id, parentId, beforeId: before?.id ?? null });
  };
  return { place, moveCategory };
}

/** Removals are asked about with what they would take away. */
function useRemovals(state: CourseState) {
  const change = useChange();
  const news = useNews();
  const [removal, setRemoval] = useState<Removal | null>(null);
  const remove = async (command: Command) => {
    const outcome = await change(command);
    news(outcome);
    return troubleOf(outcome);
  };
  const removeLine = (line: PlanLine) => {
    setRemoval({
      title: `Remove ${line.name}?`,
      losses: lossWords(state, [line.id]),
      act: () => remove({ type: "removeAssignments", assignmentIds: [line.id] }),
    });
  };
  const removeBlock = (block: PlanBlock) => {
    const losses = lossWords(
      state,
      block.lines.map(({ id }) => id),
    );
    setRemoval({
      title: `Remove ${block.name}?`,
      losses: [...(block.lines.length > 0 ? [`${String(block.lines.length)} assignments`] : []), ...losses],
      act: () => remove({ type: "removeCategory", categoryId: block.id }),
    });
  };
  return { removal, setRemoval, removeLine, removeBlock };
}

function RemovalAsk({
  removal,
  tell,
  onClose,
}: {
  readonly removal: Removal | null;
  readonly tell: (sending: Promise<string | null>) => void;
  readonly onClose: () => void;
}) {
  return (
    <Ask
      open={removal !== null}
      title={removal?.title ?? ""}
      action="Remove"
      onClose={onClose}
      onAct={() => {
        if (removal) tell(removal.act());
      }}
    >
      {removal && removal.losses.length > 0
        ? `This takes away ${removal.losses.join(", ")}. Undo brings all of it back.`
        : "Nothing is recorded for it yet. Undo brings it back."}
    </Ask>
  );
}
