const PLACE = "tray/";

/** The key of the `meta` shelf under which a piece of a course's tray lies. */
export const trayKey = (slot: string, piece: string): string => `${PLACE}${slot}/${piece}`;

/** Whether a key of the `meta` shelf belongs to the tray of a course. */
export const isTrayKey = (key: string, slot: string): boolean => key.startsWith(`${PLACE}${slot}/`);
