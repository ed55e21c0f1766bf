import { isTrayKey } from "./tray-keys";

/** Whether a key of the `meta` or the `hurried` shelf is for what a screen remembers of one course. */
export const isScreenKeyOf = (key: string, slot: string): boolean =>
  key.startsWith("screen/") && key.endsWith(`/${slot}`);

/** Whether a key of the `meta` shelf goes with a course: its tray, what screens remember of it, its lock. */
export const isMetaOf = (key: string, slot: string): boolean =>
  isTrayKey(key, slot) || isScreenKeyOf(key, slot) || key === `lock/${slot}` || key === `lock-copy/${slot}`;
