/** What a locked course needs beside its stores; fetched where there is one, so that the others do not wait for it. */
export { Cipher } from "./cipher";
export { keyByCode, keyByPassphrase, newLock, withPassphrase, withRecovery } from "./course-lock";
export { lockedShelves } from "./locked-shelves";
