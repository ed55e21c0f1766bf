// Moving things by pointer, touch and keyboard, with every step said aloud: @dnd-kit, wrapped here and nowhere else.
import {
  closestCorners,
  DndContext,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type Announcements,
  type DragOverEvent,
} from "@dnd-kit/core";
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { GripVertical } from "lucide-react";
import { useState, type CSSProperties, type ReactNode } from "react";
import { PromptKeyboardSensor } from "./prompt-keyboard-sensor";
import { listWith, movedTo, standingOf, type MovingItems } from "./order";

/** Way of the pointer before a press becomes a move, in pixels. */
const SLACK = 4;

interface MovingListsProps<L extends string, I extends string> {
  readonly lists: readonly MovingItems<L, I>[];
  /** The name of an item or a list, for those who hear where it is. */
  readonly nameOf: (id: string) => string;
  readonly onPlace: (moved: I, listId: L, beforeId: I | null) => void;
  /** Draws the lists as they are while something is held. */
  readonly children: (lists: readonly MovingItems<L, I>[]) => ReactNode;
}

function announcements(nameOf: (id: string) => string): Announcements {
  const where = (active: string, over: string | undefined) =>
    over === undefined || over === active ? "where it was" : `at ${nameOf(over)}`;
  const said = (words: (active: string, place: string) => string) => (now: Pick<DragOverEvent, "active" | "over">) =>
    words(nameOf(String(now.active.id)), where(String(now.active.id), now.over ? String(now.over.id) : undefined));
  return {
    onDragStart: ({ active }) => `${nameOf(String(active.id))} is taken up.`,
    onDragOver: said((name, place) => `${name} is held, ${place}.`),
    onDragEnd: said((name, place) => `${name} is put down, ${place}.`),
    onDragCancel: ({ active }) => `${nameOf(String(active.id))} is left where it was.`,
  };
}

const INSTRUCTIONS = {
  draggable: "Space takes it up, the arrows move it, Space puts it down, Escape leaves it where it was.",
};

/** Lists whose items can be moved, in one or from one to another. */
export function MovingLists<L extends string, I extends string>(props: MovingListsProps<L, I>) {
  const { lists, nameOf, onPlace, children } = props;
  const [held, setHeld] = useState<readonly MovingItems<L, I>[] | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: SLACK } }),
    useSensor(PromptKeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const now = held ?? lists;
  const onDragOver = ({ active, over }: DragOverEvent) => {
    if (!over || listWith(now, String(active.id)) === listWith(now, String(over.id))) return;
    setHeld(movedTo(now, String(active.id), String(over.id)));
  };
  const onDragEnd = ({ active, over }: DragOverEvent) => {
    setHeld(null);
    const id = String(active.id);
    const [before, after] = [standingOf(lists, id), standingOf(over ? movedTo(now, id, String(over.id)) : now, id)];
    if (!after || (before?.listId === after.listId && before.beforeId === after.beforeId)) return;
    onPlace(after.item, after.listId, after.beforeId);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCorners}
      accessibility={{ announcements: announcements(nameOf), screenReaderInstructions: INSTRUCTIONS }}
      onDragStart={() => {
        setHeld(lists);
      }}
      onDragOver={onDragOver}
      onDragEnd={onDragEnd}
      onDragCancel={() => {
        setHeld(null);
      }}
    >
      {children(now)}
    </DndContext>
  );
}

/** One of the lists; it takes items in also where it holds none. */
export function MovingList({
  list,
  children,
}: {
  readonly list: MovingItems<string, string>;
  readonly children: ReactNode;
}) {
  const { setNodeRef } = useDroppable({ id: list.id });
  return (
    <SortableContext id={list.id} items={[...list.items]} strategy={verticalListSortingStrategy}>
      <div ref={setNodeRef}>{children}</div>
    </SortableContext>
  );
}

interface Moving {
  /** Goes on the element of the item. */
  readonly place: (element: HTMLElement | null) => void;
  readonly style: CSSProperties;
  readonly isHeld: boolean;
  /** The handle by which it is taken up. */
  readonly handle: ReactNode;
}

/** One item of a list that can be moved. */
export function useMoving(id: string, name: string): Moving {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id,
    attributes: { roleDescription: "movable" },
  });
  return {
    place: setNodeRef,
    style: {
      transform: transform ? `translate3d(${String(transform.x)}px, ${String(transform.y)}px, 0)` : undefined,
      transition,
    },
    isHeld: isDragging,
    handle: (
      <button
        type="button"
        ref={setActivatorNodeRef}
        aria-label={`Move ${name}`}
        data-hint="Drag, or Space and the arrows"
        className="grid size-8 shrink-0 cursor-grab touch-none place-items-center rounded text-soft hover:bg-table hover:text-ink print:hidden"
        {...attributes}
        {...listeners}
      >
        <GripVertical size={15} aria-hidden="true" />
      </button>
    ),
  };
}
