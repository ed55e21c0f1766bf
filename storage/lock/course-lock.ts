import { hkdf } from "@noble/hashes/hkdf.js";
import { sha256 } from "@noble/hashes/sha2.js";
import { z } from "zod/mini";
import { Cipher, KEY_BYTES } from "./cipher";
import type { CourseLock, LockWish, Stretcher } from "./lock-record";

const SALT = 16;
const fresh = (length: number): Uint8Array<ArrayBuffer> => crypto.getRandomValues(new Uint8Array(length));
/** What a wrapped key is bound to. The same lock may stand on a copy of its course, so no slot is. */
const wrapPlace = (way: "passphrase" | "recovery") => `lock/${way}`;

async function wrappedBy(passphrase: string, key: Uint8Array, stretcher: Stretcher): Promise<CourseLock["passphrase"]> {
  const [salt, cost] = [fresh(SALT), await stretcher.measure()];
  const by = new Cipher(await stretcher.stretch(passphrase.normalize("NFKC"), salt, cost));
  return { salt, cost, wrapped: by.sealNow(wrapPlace("passphrase"), [...key]) };
}

/** A lock, and the key it wraps: random, and never the passphrase's own. */
export async function newLock({ passphrase, label, idleMinutes }: LockWish, stretcher: Stretcher) {
  const key = fresh(KEY_BYTES);
  const wrapped = await wrappedBy(passphrase, key, stretcher);
  return { key, lock: { version: 1, label, idleMinutes, passphrase: wrapped, recovery: null } satisfies CourseLock };
}

/** The key of a course; null where the passphrase is another one, which takes as long to find out. */
export async function keyByPassphrase(lock: CourseLock, passphrase: string, stretcher: Stretcher) {
  const { salt, cost, wrapped } = lock.passphrase;
  const by = new Cipher(await stretcher.stretch(passphrase.normalize("NFKC"), salt, cost));
  return keyOf(by.openNow(wrapPlace("passphrase"), wrapped));
}

/** The lock with another passphrase; the records stay as they are. */
export const withPassphrase = async (
  lock: CourseLock,
  { key, passphrase }: { readonly key: Uint8Array; readonly passphrase: string },
  stretcher: Stretcher,
): Promise<CourseLock> => ({ ...lock, passphrase: await wrappedBy(passphrase, key, stretcher) });

/** The lock with a recovery sheet in the place of the one before, if there was one. */
export function withRecovery(
  lock: CourseLock,
  key: Uint8Array,
  { code, madeAt }: { readonly code: string; readonly madeAt: string },
): CourseLock {
  const salt = fresh(SALT);
  return {
    ...lock,
    recovery: { salt, madeAt, wrapped: byCode(code, salt).sealNow(wrapPlace("recovery"), [...key]) },
  };
}

/** The key of a course by the code of its recovery sheet; null where it is another one. */
export function keyByCode(lock: CourseLock, code: string): Uint8Array | null {
  if (!lock.recovery) return null;
  const { salt, wrapped } = lock.recovery;
  return keyOf(byCode(code, salt).openNow(wrapPlace("recovery"), wrapped));
}

/** A code is long and random, so it needs no stretching (HKDF, RFC 5869); how it was typed off the sheet does not matter. */
const byCode = (code: string, salt: Uint8Array): Cipher => {
  const letters = code.toLowerCase().replace(/[^a-z0-9]/g, "");
  return new Cipher(hkdf(sha256, new TextEncoder().encode(letters), salt, undefined, KEY_BYTES));
};

function keyOf(opened: unknown): Uint8Array | null {
  const key = z
    .array(z.int().check(z.minimum(0), z.maximum(255)))
    .check(z.length(KEY_BYTES))
    .safeParse(opened);
  return key.success ? new Uint8Array(key.data) : null;
}
