import { useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import { localToday, type AssignmentId, type CategoryId } from "#core/kernel";
import { openCourse } from "../../course/open-course";
import { Ask } from "../../ui/dialogs/ask";
import { inAddress } from "../../ui/address";
import { PlanPlaces } from "../../ui/parts/plan-places";
import { useTotalsAsk } from "../../ui/dialogs/totals-ask";
import { troubleOf } from "../../ui/hooks/use-command";
import { useChange } from "../../course/use-change";
import { AddCategory } from "./add-category";
import { AssignmentLine } from "./assignment-line";
import { CategoryHead } from "./category-head";
import { ShorthandBox } from "./shorthand-box";
import { allowDrop, draggedFrom } from "./dragging";
import { lossWords, planRows, type PlanBlock, type PlanLine } from "./rows";
import { WeightsRuler } from "./weights-ruler";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { state: session.state, now: session.now() };
}

/** What is about to be removed. */
interface Removal {
  readonly title: string;
  readonly losses: readonly string[];
  readonly act: () => Promise<string | null>;
}

export default function PlanPage({ loaderData, params }: Route.ComponentProps) {
  const { state, now } = loaderData;
  const rows = useMemo(() => planRows(state), [state]);
  const scales = useMemo(() => Object.values(state.scales), [state.scales]);
  const categories = rows.blocks.map(({ id, name }) => ({ id, name }));
  const change = useChange();
  const { send, dialog } = useTotalsAsk(state, change);
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [removal, setRemoval] = useState<Removal | null>(null);
  const tell = (sending: Promise<string | null>) => void sending.then(setTrouble);

  const place = (assignmentId: AssignmentId, categoryId: CategoryId, beforeId: AssignmentId | null) => {
    tell(send({ type: "placeAssignment", assignmentId, categoryId, beforeId }));
  };
  const moveCategory = (block: PlanBlock, by: -1 | 1) => {
    const siblings = rows.blocks.filter(({ depth }) => depth === block.depth);
    const at = siblings.findIndex(({ id }) => id === block.id);
    const before = by < 0 ? siblings[at - 1] : siblings[at + 2];
    if (by < 0 && !before) return;
    const { parentId } = state.categories[block.id] ?? { parentId: null };
    tell(send({ type: "placeCategory", categoryId: block.id, parentId, beforeId: before?.id ?? null }));
  };
  const removeLine = (line: PlanLine) => {
    setRemoval({
      title: `Remove ${line.name}?`,
      losses: lossWords(state, [line.id]),
      act: async () => troubleOf(await change({ type: "removeAssignments", assignmentIds: [line.id] })),
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
      act: async () => troubleOf(await change({ type: "removeCategory", categoryId: block.id })),
    });
  };

  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <title>{`Plan · ${rows.title}`}</title>
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
      {rows.blocks.map((block) => (
        <section
          key={block.id}
          aria-label={block.name}
          className="mt-6"
          style={{ marginInlineStart: block.depth * 28 }}
          onDragOver={allowDrop}
          onDrop={(event) => {
            const moved = draggedFrom(event);
            if (moved) place(moved, block.id, null);
          }}
        >
          <CategoryHead
            block={block}
            straight={rows.straight}
            others={categories.filter(({ id }) => id !== block.id && id !== state.categories[block.id]?.parentId)}
            send={send}
            onMove={(by) => {
              moveCategory(block, by);
            }}
            onRemove={() => {
              removeBlock(block);
            }}
          />
          <ul className="mt-1 border-t border-rule">
            {block.lines.map((line, index) => (
              <AssignmentLine
                key={line.id}
                line={line}
                slot={params.slot}
                others={categories.filter(({ id }) => id !== block.id)}
                onMoveBy={(by) => {
                  const before = by < 0 ? block.lines[index - 1] : block.lines[index + 2];
                  if (by < 0 ? !before : index === block.lines.length - 1) return;
                  place(line.id, block.id, before?.id ?? null);
                }}
                onMoveInto={(categoryId) => {
                  place(line.id, categoryId, null);
                }}
                onDropBefore={(moved) => {
                  if (moved !== line.id) place(moved, block.id, line.id);
                }}
                onOpen={() => void navigate(`/courses/${params.slot}/plan/assignments/${inAddress(line.id)}`)}
                onDuplicate={() => {
                  tell(send({ type: "duplicateAssignment", assignmentId: line.id }));
                }}
                onHide={() => {
                  tell(send({ type: "editAssignment", assignmentId: line.id, fields: { hidden: !line.hidden } }));
                }}
                onRemove={() => {
                  removeLine(line);
                }}
              />
            ))}
            {block.lines.length === 0 && (
              <li className="py-2 text-[14px] text-soft">
                No assignment yet. Write one above, with <em>in {block.name}</em>.
              </li>
            )}
          </ul>
        </section>
      ))}
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
      <Ask
        open={removal !== null}
        title={removal?.title ?? ""}
        action="Remove"
        onClose={() => {
          setRemoval(null);
        }}
        onAct={() => {
          if (removal) tell(removal.act());
        }}
      >
        {removal && removal.losses.length > 0
          ? `This takes away ${removal.losses.join(", ")}. Undo brings all of it back.`
          : "Nothing is recorded for it yet. Undo brings it back."}
      </Ask>
    </main>
  );
}
