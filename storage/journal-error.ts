/** The journal cannot be followed: an entry is missing, newer than this application, or does not fit. */
export class JournalError extends Error {
  constructor(
    readonly reason: "newer" | "damaged",
    readonly seq: number,
  ) {
    super(`journal entry ${String(seq)} is ${reason}`);
    this.name = "JournalError";
  }
}
