import { isTrayKey } from "../tray-keys";

const SCREEN = "screen/";

/** Whether a key of the `meta` or the `hurried` shelf is for what a screen remembers of one course: `screen/thing/slot`. */
export const isScreenKeyOf = (key: string, slot: string): boolean =>
  key.startsWith(SCREEN) && key.slice(SCREEN.length).endsWith(`/${slot}`);

/** Where the folder lies into which copies of a course are written. */
export const folderKey = (slot: string): string => `folder/${slot}`;

/** Whether a key of the `meta` shelf goes with a course: its tray, what screens remember of it, its folder, its lock. */
export const isMetaOf = (key: string, slot: string): boolean =>
  isTrayKey(key, slot) ||
  isScreenKeyOf(key, slot) ||
  [folderKey(slot), `lock/${slot}`, `lock-copy/${slot}`].includes(key);
