export { JournalError } from "./journal-error";
export { browserNeighbours, openLocalShelves } from "./local-shelves";
export { NewerStorageError } from "./migrations";
export { Repository, type CourseListing } from "./repository";
export { CourseSession, type Keeping, type Surroundings } from "./session";
