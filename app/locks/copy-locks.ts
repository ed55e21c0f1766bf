import type { StudentId } from "#core/kernel";
import type { CopyLock } from "../../workers/protocol";
import { newPassphrase } from "./passphrase";

/** How copies are locked: each with a passphrase of its own that nobody chose, or not at all. */
export type Locking = CopyLock["kind"] | "none";

export const LOCKINGS: readonly (readonly [Locking, string])[] = [
  ["archive", "each locked, as an archive"],
  ["age", "each locked, as an age file"],
  ["none", "not locked"],
];

/** What each way of locking means for those who open the copies. */
export const LOCKING_WORDS: Readonly<Record<Locking, string>> = {
  archive:
    "Each copy gets a passphrase of its own. Common archive programs open it (AES-256). Without its passphrase nobody can, nor can you.",
  age: "Each copy gets a passphrase of its own. The free age program opens it; every guess costs a second. Without its passphrase nobody can, nor can you.",
  none: "Whoever gets hold of a copy reads it.",
};

/** A lock for each student's copy; none where copies stay open. */
export function locksFor(locking: Locking, students: readonly StudentId[]): ReadonlyMap<StudentId, CopyLock> {
  if (locking === "none") return new Map();
  return new Map(students.map((id) => [id, { kind: locking, passphrase: newPassphrase() }]));
}
