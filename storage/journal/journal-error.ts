/** The journal cannot be followed: it was written by a newer application, or nothing of it can be read. */
export class JournalError extends Error {
  constructor(
    readonly reason: "newer" | "damaged",
    readonly seq: number,
  ) {
    super(`journal entry ${String(seq)} is ${reason}`);
    this.name = "JournalError";
  }
}

/** What the browser kept of a course is gone while the course is open: its data were cleared. */
export class JournalGoneError extends Error {
  constructor(readonly seq: number) {
    super(`journal entry ${String(seq)} is no longer there`);
    this.name = "JournalGoneError";
  }
}
