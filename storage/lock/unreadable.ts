/** Stands for a record that was not sealed with this key, or for another place, or that was changed since. */
export const UNREADABLE = Object.freeze({ unreadable: true });
