/** A list whose items can be moved, in it or to another. */
export interface MovingItems<ListId extends string, ItemId extends string> {
  readonly id: ListId;
  readonly items: readonly ItemId[];
}

type Lists<L extends string, I extends string> = readonly MovingItems<L, I>[];

/** The list that an item stands in, or that bears this id itself. */
export const listWith = <L extends string, I extends string>(
  lists: Lists<L, I>,
  id: string,
): MovingItems<L, I> | undefined => lists.find((list) => list.id === id || list.items.some((item) => item === id));

/**
 * The lists once an item has been moved to where another stands, or to the end of a list: in the same list it takes that
 * place, coming from another it stands before it.
 */
export function movedTo<L extends string, I extends string>(
  lists: Lists<L, I>,
  moved: string,
  to: string,
): Lists<L, I> {
  const [from, target] = [listWith(lists, moved), listWith(lists, to)];
  const item = from?.items.find((one) => one === moved);
  if (!from || !target || item === undefined || moved === to) return lists;
  const at = target.items.findIndex((one) => one === to);
  if (at < 0 && from === target) return lists;
  return lists.map((list) => {
    const items = list.items.filter((one) => one !== moved);
    if (list !== target) return items.length === list.items.length ? list : { ...list, items };
    items.splice(at < 0 ? items.length : at, 0, item);
    return { ...list, items };
  });
}

/** Where an item stands: its list, and the item behind it; null at the end. */
export function standingOf<L extends string, I extends string>(
  lists: Lists<L, I>,
  id: string,
): { readonly item: I; readonly listId: L; readonly beforeId: I | null } | null {
  const list = listWith(lists, id);
  const at = list?.items.findIndex((one) => one === id) ?? -1;
  const item = list?.items[at];
  return list && item !== undefined ? { item, listId: list.id, beforeId: list.items[at + 1] ?? null } : null;
}
