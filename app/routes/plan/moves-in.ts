import type { Command } from "#core/changes";
import type { AssignmentId, CategoryId } from "#core/kernel";
import type { CourseState } from "#core/model";
import type { PlanBlock } from "./rows";

type Placing = Extract<Command, { readonly type: "placeAssignment" | "placeCategory" }>;

/** The moves of assignments and categories, as what is sent for them. */
export function movesIn(state: CourseState, blocks: readonly PlanBlock[], send: (command: Placing) => void) {
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
