/** How far a page is turned clockwise, in quarters. */
export type Turn = 0 | 1 | 2 | 3;

/** A place in shares of a width and a height, from the upper left corner. */
export interface Share {
  readonly x: number;
  readonly y: number;
}

/** Where a place of the unturned page stands once the page is turned. */
export function turned({ x, y }: Share, turn: Turn): Share {
  if (turn === 1) return { x: 1 - y, y: x };
  if (turn === 2) return { x: 1 - x, y: 1 - y };
  return turn === 3 ? { x: y, y: 1 - x } : { x, y };
}

/** The place of the unturned page that stands at a place of the turned one. */
export const unturned = (share: Share, turn: Turn): Share => turned(share, ((4 - turn) % 4) as Turn);

/** One quarter further. */
export const turnOn = (turn: Turn): Turn => ((turn + 1) % 4) as Turn;

/** A number between 0 and 1. */
export const clampShare = (value: number): number => Math.min(1, Math.max(0, value));
