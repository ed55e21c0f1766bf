export { JournalError } from "./journal-error";
export { browserNeighbours, openLocalShelves } from "./local-shelves";
export { NewerStorageError } from "./migrations";
export { Repository } from "./repository";
export type { Draft, Drafts } from "./drafts";
export type { CourseListing } from "./listing";
export type { Damage } from "./journal";
export { CourseSession, type Keeping, type Surroundings } from "./session";
export type { Tray } from "./tray";
