import { JournalError, JournalGoneError } from "./journal/journal-error";

/** What the bar says about keeping. "Kept" is said only after the write is durable. */
export type Keeping =
  | { readonly kind: "kept"; readonly at: string | null }
  | { readonly kind: "keeping"; readonly count: number }
  | {
      readonly kind: "failed";
      readonly count: number;
      readonly message: string;
      /** `gone`: what the browser kept of the course was cleared; `damaged`: it was changed from outside. */
      readonly why: "refused" | "gone" | "damaged";
    };

/** Why what is pending could not be written. */
export function failure(error: unknown, count: number): Keeping {
  const message = error instanceof Error ? error.message : String(error);
  const why = error instanceof JournalGoneError ? "gone" : error instanceof JournalError ? "damaged" : "refused";
  return { kind: "failed", count, message, why };
}
