import { z } from "zod/mini";
import type { Shelves } from "../shelves/shelf";

/** What trying one passphrase costs: Argon2id (RFC 9106) over so much memory, so many times. */
export interface StretchCost {
  /** KiB of 1,024 bytes. */
  readonly memory: number;
  readonly passes: number;
}

/** Makes keys of passphrases, slowly, away from the page. */
export interface Stretcher {
  /** A cost that takes this machine between half a second and a second. */
  readonly measure: () => Promise<StretchCost>;
  readonly stretch: (passphrase: string, salt: Uint8Array, cost: StretchCost) => Promise<Uint8Array>;
}

const bytes = z.instanceof(Uint8Array);
const lockSchema = z.object({
  version: z.literal(1),
  /** What the course is called while it is locked. */
  label: z.string(),
  /** After so many minutes without a hand on it, it locks itself; 0: never. */
  idleMinutes: z.int().check(z.minimum(0)),
  passphrase: z.object({
    salt: bytes,
    cost: z.object({ memory: z.int().check(z.positive()), passes: z.int().check(z.positive()) }),
    wrapped: bytes,
  }),
  recovery: z.nullable(z.object({ salt: bytes, wrapped: bytes, madeAt: z.string() })),
});

/** The lock of one course as it is stored: the key of its records, wrapped by the passphrase and by the code of its recovery sheet. */
export type CourseLock = z.infer<typeof lockSchema>;

/** What a new lock is to be like. */
export interface LockWish {
  readonly passphrase: string;
  readonly label: string;
  readonly idleMinutes: number;
}

const lockKey = (slot: string): string => `lock/${slot}`;
/** A second copy: without its lock a course is lost, whatever else is whole. */
const copyKey = (slot: string): string => `lock-copy/${slot}`;

/** The lock of a course; null where it is open. */
export async function readLock({ meta }: Shelves, slot: string): Promise<CourseLock | null> {
  const first = lockSchema.safeParse(await meta.get(lockKey(slot)).catch(() => null));
  if (first.success) return first.data;
  return lockSchema.safeParse(await meta.get(copyKey(slot)).catch(() => null)).data ?? null;
}

/** Keeps a lock. The copy goes first and comes back last, so that a passphrase that was changed never lives on in it. */
export async function keepLock({ meta }: Shelves, slot: string, lock: CourseLock): Promise<void> {
  await meta.remove(copyKey(slot));
  await meta.set(lockKey(slot), lock);
  await meta.set(copyKey(slot), lock);
}

/** Lets go of a lock, with the course that it locked. */
export async function dropLock({ meta }: Shelves, slot: string): Promise<void> {
  await meta.remove(lockKey(slot));
  await meta.remove(copyKey(slot));
}
