import type { Command } from "#core/changes";
import type { AssignmentId, CategoryId } from "#core/kernel";
import { inAddress } from "../../ui/address";
import { useGoTo } from "../../ui/ways/use-go-to";
import { MovingList } from "../../ui/order/moving";
import type { MovingItems } from "../../ui/order/order";
import { AssignmentLine } from "./assignment-line";
import { CategoryHead } from "./category-head";
import type { PlanBlock, PlanLine } from "./rows";

interface BlockProps {
  readonly block: PlanBlock;
  /** What stands in it at this moment, also while something is moved, and the lines of that. */
  readonly list: MovingItems<CategoryId, AssignmentId>;
  readonly lines: readonly PlanLine[];
  readonly slot: string;
  readonly straight: boolean;
  /** All categories but this one. */
  readonly others: readonly { readonly id: CategoryId; readonly name: string }[];
  readonly parentId: CategoryId | null;
  readonly send: (command: Command) => Promise<string | null>;
  /** Shows the trouble of what was sent, where there is any. */
  readonly tell: (sending: Promise<string | null>) => void;
  readonly place: (assignmentId: AssignmentId, categoryId: CategoryId, beforeId: AssignmentId | null) => void;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
  readonly onRemoveLine: (line: PlanLine) => void;
}

/** One category of the plan with its assignments. */
export function CategoryBlock(props: BlockProps) {
  const { block, list, lines, slot, straight, others, parentId, send, tell, place } = props;
  const go = useGoTo();
  const moveBy = (index: number, by: -1 | 1) => {
    const [line, before] = [lines[index], lines[by < 0 ? index - 1 : index + 2]];
    if (!line || (by < 0 ? !before : index === lines.length - 1)) return;
    place(line.id, block.id, before?.id ?? null);
  };
  return (
    <section aria-label={block.name} className="mt-6" style={{ marginInlineStart: block.depth * 28 }}>
      <CategoryHead
        block={block}
        straight={straight}
        others={others.filter(({ id }) => id !== parentId)}
        send={send}
        onMove={props.onMove}
        onRemove={props.onRemove}
      />
      <MovingList list={list}>
        <ul className="mt-1 border-t border-rule">
          {lines.map((line, index) => (
            <AssignmentLine
              key={line.id}
              line={line}
              slot={slot}
              others={others}
              onMoveBy={(by) => {
                moveBy(index, by);
              }}
              onMoveInto={(categoryId) => {
                place(line.id, categoryId, null);
              }}
              onOpen={() => {
                go(`/courses/${slot}/plan/assignments/${inAddress(line.id)}`);
              }}
              onDuplicate={() => {
                tell(send({ type: "duplicateAssignment", assignmentId: line.id }));
              }}
              onHide={() => {
                tell(send({ type: "editAssignment", assignmentId: line.id, fields: { hidden: !line.hidden } }));
              }}
              onRemove={() => {
                props.onRemoveLine(line);
              }}
            />
          ))}
          {lines.length === 0 && (
            <li className="py-2 text-[14px] text-soft">
              No assignment yet. Write one above, with <em>in {block.name}</em>.
            </li>
          )}
        </ul>
      </MovingList>
    </section>
  );
}
