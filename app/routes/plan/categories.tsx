import type { Command } from "#core/changes";
import type { AssignmentId, CategoryId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { MovingLists } from "../../ui/order/moving";
import { CategoryBlock } from "./category-block";
import type { planRows } from "./rows";
import { type PlanBlock, type PlanLine } from "./rows";
import { movesIn } from "./moves-in";

interface CategoriesProps {
  readonly state: CourseState;
  readonly rows: ReturnType<typeof planRows>;
  readonly categories: readonly { readonly id: CategoryId; readonly name: string }[];
  readonly slot: string;
  readonly send: (command: Command) => Promise<string | null>;
  readonly tell: (sending: Promise<string | null>) => void;
  readonly removeLine: (line: PlanLine) => void;
  readonly removeBlock: (block: PlanBlock) => void;
}

/** The categories with their assignments, in an order that is changed by dragging or by keys. */
export function Categories({ state, rows, categories, slot, send, tell, removeLine, removeBlock }: CategoriesProps) {
  const lists = rows.blocks.map((block) => ({ id: block.id, items: block.lines.map(({ id }) => id) }));
  const lines = new Map(rows.blocks.flatMap((block) => block.lines.map((line) => [line.id, line] as const)));
  const nameOf = (id: string) =>
    lines.get(id as AssignmentId)?.name ?? `the end of ${rows.blocks.find((block) => block.id === id)?.name ?? ""}`;
  const { place, moveCategory } = movesIn(state, rows.blocks, (command) => {
    tell(send(command));
  });
  return (
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
                slot={slot}
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
  );
}
