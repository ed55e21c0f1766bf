import type { DragEvent } from "react";
import type { AssignmentId } from "#core/kernel";

/** The kind of what is dragged; nothing else can be dropped on the plan. */
const DRAGGED = "application/x-upright-quill-assignment";

/** Lets a dragged assignment be dropped here; answers whether it is one. */
export function allowDrop(event: DragEvent): boolean {
  if (!event.dataTransfer.types.includes(DRAGGED)) return false;
  event.preventDefault();
  event.dataTransfer.dropEffect = "move";
  return true;
}

/** Takes an assignment up. */
export function startDrag(event: DragEvent, id: AssignmentId): void {
  event.dataTransfer.setData(DRAGGED, id);
  event.dataTransfer.effectAllowed = "move";
}

/** The assignment that was dropped; empty where it was something else. */
export const draggedFrom = (event: DragEvent): AssignmentId => event.dataTransfer.getData(DRAGGED) as AssignmentId;
